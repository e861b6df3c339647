<script setup lang="ts">
import { tell } from '@/language'
/** A small count with a minus and a plus that a wet thumb can hit. */
const value = defineModel<number>({ required: true })
defineProps<{ label: string }>()
</script>

<template>
  <div class="stepper" role="group" :aria-label="label">
    <span>{{ label }}</span>
    <button :aria-label="tell('kit.oneFewer', { label })" :disabled="value <= 0" @click="value--">−</button>
    <output>{{ value }}</output>
    <button :aria-label="tell('kit.oneMore', { label })" @click="value++">+</button>
  </div>
</template>

<style scoped>
.stepper {
  display: flex;
  align-items: center;
  gap: 6px;
}

span {
  flex: 1;
  font-weight: 600;
}

output {
  min-width: 32px;
  text-align: center;
  font-weight: 700;
}

button {
  width: 48px;
  height: 48px;
  border: 1px solid var(--mauve);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font-size: 1.3rem;
  cursor: pointer;
}

button:disabled {
  border-color: var(--line);
  color: var(--ink-soft);
}
</style>
