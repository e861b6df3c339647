<script setup lang="ts">
import { tell } from '@/language'
import { computed } from 'vue'
import { percent } from '@/kit/format'
import type { Ladder } from './useDecide'

/** One trouble in a line of answer: where, how much against its line, and what is proposed. */
const props = defineProps<{ ladder: Ladder; chosen: boolean }>()
defineEmits<{ choose: [] }>()
const end = computed(() => Math.min(1, Math.max(props.ladder.share, props.ladder.line) * 1.25))
</script>

<template>
  <button
    class="row"
    :class="{ chosen }"
    :aria-current="chosen ? 'true' : undefined"
    @click="$emit('choose')"
  >
    <span class="where">{{ ladder.where }}</span>
    <span class="figures">{{
      tell('decide.line', { share: percent(ladder.share), line: percent(ladder.line) })
    }}</span>
    <span class="name">{{ ladder.name }}</span>
    <span class="scale" aria-hidden="true">
      <i
        :style="{ width: `${(ladder.share / end) * 100}%` }"
        :class="{ over: ladder.share >= ladder.line }"
      />
      <b :style="{ left: `${(ladder.line / end) * 100}%` }" />
    </span>
    <span class="answer">{{ ladder.answer }}</span>
  </button>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 2px 12px;
  align-items: center;
  width: 100%;
  min-height: 56px;
  padding: 10px 12px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.row.chosen {
  border-color: var(--mauve);
  box-shadow: inset 4px 0 0 var(--mauve);
  background: var(--mauve-soft);
}

.where {
  font-weight: 700;
}

.name {
  color: var(--ink-soft);
}

.chosen .name {
  color: var(--ink);
}

.answer {
  display: -webkit-box;
  overflow: hidden;
  grid-column: 1 / -1;
  font-size: 0.95rem;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
}

.scale {
  position: relative;
  display: block;
  width: 110px;
  height: 8px;
  border: 1px solid var(--line);
  background: var(--paper);
}

.scale i {
  display: block;
  height: 100%;
  background: var(--mauve);
}

.scale i.over {
  background: var(--brick);
}

.scale b {
  position: absolute;
  top: -5px;
  height: 16px;
  border-left: 2px solid var(--ink);
}
</style>
