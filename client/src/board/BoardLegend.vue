<script setup lang="ts">
import PlainWords from '@/kit/PlainWords.vue'
import { tell } from '@/language'
import type { Schemas } from '@/api/client'

defineProps<{ groups: Schemas['GroupAnswer'][] }>()
</script>

<template>
  <ul class="legend small" :aria-label="tell('board.legend')">
    <li v-for="g in groups" :key="g.id">
      <svg width="24" height="16" aria-hidden="true">
        <rect x="0.5" y="0.5" width="23" height="15" :fill="`url(#hatch-${g.hatch})`" stroke="currentColor" />
      </svg>
      {{ g.name }}
    </li>
    <li>
      <svg width="24" height="16" aria-hidden="true"><path class="planned" d="M1 15V3L23 13V15Z" /></svg>
      {{ tell('board.planned') }}
    </li>
    <li>
      <svg width="16" height="16" aria-hidden="true"><circle cx="8" cy="8" r="5.5" class="dot" /></svg>
      {{ tell('board.affectedShare') }}
    </li>
    <li>
      <svg width="24" height="16" aria-hidden="true"><path class="pressure" d="M1 12L9 4L16 8L23 3" /></svg>
      <span><PlainWords :text="tell('board.weatherPressure')" /></span>
    </li>
    <li>
      <svg width="14" height="16" aria-hidden="true"><path class="flag" d="M1 1V15M1 1L12 5L1 9Z" /></svg>
      {{ tell('board.checkBack') }}
    </li>
  </ul>
</template>

<style scoped>
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  color: var(--ink-soft);
}

li {
  display: flex;
  align-items: center;
  gap: 6px;
}

.pressure {
  fill: none;
  stroke: var(--brick);
  stroke-width: 1.4;
  stroke-dasharray: 5 2;
}

.planned {
  fill: none;
  stroke: var(--ink-soft);
  stroke-dasharray: 4 2;
}

.dot {
  fill: var(--surface);
  stroke: var(--brick);
  stroke-width: 2.2;
}

.flag {
  fill: var(--amber);
  stroke: var(--amber);
}
</style>
