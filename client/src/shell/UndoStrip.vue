<script setup lang="ts">
import Button from 'primevue/button'
import { useUndo } from './useUndo'

const { offered, undo, dismiss, problem, busy } = useUndo()
</script>

<template>
  <div class="strip no-print" role="status">
    <div v-if="offered" class="bar">
      <span>{{ problem?.message ?? `${offered.words}.` }}</span>
      <Button label="Undo" severity="contrast" variant="outlined" :loading="busy" @click="undo" />
      <button class="close" aria-label="Close" @click="dismiss">×</button>
    </div>
  </div>
</template>

<style scoped>
.bar {
  position: fixed;
  left: 50%;
  bottom: 14px;
  transform: translateX(-50%);
  z-index: 5;
  display: flex;
  align-items: center;
  gap: 12px;
  width: max-content;
  max-width: calc(100vw - 24px);
  padding: 6px 6px 6px 16px;
  background: var(--frame);
  color: var(--frame-ink);
  border: 1px solid var(--frame-line);
  border-radius: var(--radius);
}

.bar :deep(.p-button) {
  color: var(--frame-ink);
  border-color: var(--frame-soft);
  background: transparent;
}

.close {
  width: 44px;
  height: 44px;
  border: 0;
  background: none;
  color: inherit;
  font-size: 1.3rem;
  cursor: pointer;
}
</style>
