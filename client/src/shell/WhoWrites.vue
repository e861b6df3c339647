<script setup lang="ts">
import { tell } from '@/language'
import type { Garden } from '@/garden/useGarden'

/**
 * Who of the household writes on this device. The browser's own list: it stands on every screen, and a phone shows it under the thumb.
 */
defineProps<{ members: Garden['members'] }>()
const member = defineModel<string | null>({ required: true })
</script>

<template>
  <select v-model="member" class="who" :aria-label="tell('shell.whoIsWriting')">
    <option v-for="m in members" :key="m.id" :value="m.id">{{ m.name }}</option>
  </select>
</template>

<style scoped>
.who {
  max-width: 14ch;
  min-height: 36px;
  padding: 4px 6px;
  font: inherit;
  color: var(--frame-ink);
  background: transparent;
  border: 1px solid var(--frame-line);
  border-radius: var(--radius);
}

option {
  color: var(--ink);
  background: var(--surface);
}

@media (max-width: 640px) {
  .who {
    min-height: 44px;
    border: 0;
  }
}
</style>
