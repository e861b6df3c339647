<script setup lang="ts">
import { inSentence } from './format'
import { tell } from '@/language'
import { useEventListener } from '@vueuse/core'
import { computed } from 'vue'
import { claimKeys, isTyping } from '@/shell/useKeys'

/**
 * Two thumbs: clean and affected, and one back. With two troubles on the same leaves: clean, each of them, both. A leaf is a
 * number whose bits are its troubles. Keys: a clean, s first, f second, e both, 5 five clean, d one back.
 */
const props = withDefaults(
  defineProps<{
    clean: number
    affected: number[]
    /** Leaves with both; left out where a leaf is one thing or the other. */
    both?: number | undefined
    canUndo: boolean
    /** What the pads are called: clean, first, second. */
    names?: readonly [string, string, string]
    /** The second is nothing to worry about. */
    secondIsMild?: boolean
  }>(),
  {
    both: undefined,
    names: () => [tell('checkback.clean'), tell('outing.first'), tell('kit.second')] as const,
  },
)
const emit = defineEmits<{ count: [leaf: number, times: number]; back: [] }>()

const two = computed(() => props.affected.length > 1)
const pads = computed(() =>
  two.value
    ? [
        { leaf: 1, label: props.names[1], shown: props.affected[0] ?? 0, mild: false },
        { leaf: 2, label: props.names[2], shown: props.affected[1] ?? 0, mild: props.secondIsMild },
        ...(props.both === undefined
          ? []
          : [{ leaf: 3, label: tell('kit.both'), shown: props.both, mild: false }]),
      ]
    : [{ leaf: 1, label: tell('walk.affected'), shown: props.affected[0] ?? 0, mild: false }],
)

claimKeys(['a', 's', 'd', 'f', 'e', '5'])
useEventListener(document, 'keydown', (event: KeyboardEvent) => {
  if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return
  if (event.key === 'a') emit('count', 0, 1)
  else if (event.key === '5') emit('count', 0, 5)
  else if (event.key === 's') emit('count', 1, 1)
  else if (event.key === 'f' && two.value) emit('count', 2, 1)
  else if (event.key === 'e' && props.both !== undefined && two.value) emit('count', 3, 1)
  else if (event.key === 'd' && props.canUndo) emit('back')
  else return
  event.preventDefault()
})
</script>

<template>
  <div class="pad" :class="{ two, three: pads.length === 3 }">
    <button class="clean" @click="emit('count', 0, 1)">
      <span>{{ names[0] }}</span>
      <b>{{ clean }}</b>
    </button>
    <button
      v-for="pad in pads"
      :key="pad.leaf"
      class="affected"
      :class="{ mild: pad.mild }"
      @click="emit('count', pad.leaf, 1)"
    >
      <span>{{ pad.label }}</span>
      <b>{{ pad.shown }}</b>
    </button>
    <div class="more">
      <button @click="emit('count', 0, 5)">{{ tell('kit.five', { names: inSentence(names[0]) }) }}</button>
      <button :disabled="!canUndo" @click="emit('back')">{{ tell('kit.oneBack') }}</button>
    </div>
  </div>
</template>

<style scoped>
.pad {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}

.pad.two {
  grid-template-columns: repeat(6, 1fr);
}

.two .clean {
  grid-column: 1 / -1;
  min-height: 84px;
}

.two .affected {
  grid-column: span 3;
  min-height: 100px;
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
  min-height: 132px;
  padding: 12px 16px;
  font: 700 1.15rem var(--heading);
}

.two .clean {
  flex-direction: row;
  align-items: center;
}

.three .affected {
  grid-column: span 2;
}

.affected.mild {
  background: var(--surface);
  border-color: var(--ink-soft);
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

.two b {
  font-size: 2.2rem;
}

.more {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}

.more button {
  min-height: 44px;
  border: 1px solid var(--line);
  background: var(--surface);
}

.more button:disabled {
  color: var(--ink-soft);
  cursor: default;
}
</style>
