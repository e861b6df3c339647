<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'

/** One trouble or two on the same leaves: which one the signs below belong to. */
const chosen = defineModel<number>('chosen', { required: true })
defineProps<{ affected: number[] }>()
defineEmits<{ add: []; drop: [] }>()
const names = [tell('walk.firstTrouble'), tell('walk.secondTrouble')]
</script>

<template>
  <div class="troubles">
    <h2 v-if="affected.length === 1">{{ tell('walk.whatIsOnThem') }}</h2>
    <div v-else class="tabs" role="group" :aria-label="tell('walk.whichTrouble')">
      <button v-for="(n, i) in affected" :key="i" :aria-pressed="chosen === i" @click="chosen = i">
        {{ names[i] }}: {{ n }}
      </button>
    </div>
    <Button
      v-if="affected.length === 1"
      :label="tell('walk.aSecondTrouble')"
      size="small"
      variant="text"
      @click="$emit('add')"
    />
    <Button v-else :label="tell('walk.onlyOne')" size="small" variant="text" @click="$emit('drop')" />
  </div>
</template>

<style scoped>
.troubles {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
}

.tabs {
  display: flex;
  gap: 8px;
}

.tabs button {
  min-height: 44px;
  padding: 0 14px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  cursor: pointer;
}

.tabs button[aria-pressed='true'] {
  background: var(--mauve-soft);
  border: 2px solid var(--mauve);
  font-weight: 700;
}

.troubles :deep(.p-button) {
  min-height: 44px;
}
</style>
