<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { isTyping } from '@/shell/useKeys'

/** Two thumbs: clean and affected, and one back. Keys: a, s, d. */
const props = defineProps<{ clean: number; affected: number; canUndo: boolean }>()
const emit = defineEmits<{ count: [what: 'clean' | 'affected']; back: [] }>()

useEventListener(document, 'keydown', (event: KeyboardEvent) => {
  if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return
  if (event.key === 'a') emit('count', 'clean')
  else if (event.key === 's') emit('count', 'affected')
  else if (event.key === 'd' && props.canUndo) emit('back')
  else return
  event.preventDefault()
})
</script>

<template>
  <div class="pad">
    <button class="clean" @click="emit('count', 'clean')">
      <span>Clean</span>
      <b>{{ clean }}</b>
    </button>
    <button class="affected" @click="emit('count', 'affected')">
      <span>Affected</span>
      <b>{{ affected }}</b>
    </button>
    <button class="back" :disabled="!canUndo" @click="emit('back')">One back</button>
  </div>
</template>

<style scoped>
.pad {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}

button {
  border-radius: 6px;
  cursor: pointer;
  color: var(--ink);
  touch-action: manipulation;
}

.clean,
.affected {
  display: flex;
  flex-direction: column;
  justify-content: space-between;
  align-items: start;
  min-height: 140px;
  padding: 14px 16px;
  font: 700 1.15rem var(--heading);
}

.clean {
  background: var(--leaf-soft);
  border: 2px solid var(--leaf-line);
}

.affected {
  background: var(--brick-soft);
  border: 2px solid var(--brick);
}

b {
  font-size: 3rem;
  line-height: 1;
}

.back {
  grid-column: 1 / -1;
  min-height: 44px;
  border: 1px solid var(--line);
  background: var(--surface);
}

.back:disabled {
  opacity: 0.75;
  color: var(--ink-soft);
  cursor: default;
}
</style>
