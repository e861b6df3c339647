<script setup lang="ts">
import { tell, remarked } from '@/language'
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'

/** Estimates with their likely ranges on one scale, each on a line of its own with its name. */
interface Estimate {
  name: string
  value: number
  low?: number
  high?: number
  /** How it is drawn: what was before, what is now, what is only usual. */
  tone: 'before' | 'now' | 'usual'
}
const props = withDefaults(
  defineProps<{
    estimates: Estimate[]
    from?: number
    to?: number
    unit?: string
    mark?: number
    markName?: string
  }>(),
  { from: 0, to: 100, unit: ' %', mark: undefined, markName: '' },
)
const row = 26
const left = 76
const root = ref<HTMLElement>()
const { width: room } = useElementSize(root)
/** As wide as there is room, so that words keep their size on a phone. */
const width = computed(() => Math.min(520, Math.max(260, room.value)))
const end = computed(() => width.value - 56)
const x = (value: number) =>
  left +
  ((Math.min(props.to, Math.max(props.from, value)) - props.from) / (props.to - props.from)) *
    (end.value - left)
const rows = computed(() => props.estimates.map((e, i) => ({ ...e, y: i * row + row / 2 + 4 })))
const height = computed(() => props.estimates.length * row + 10 + (props.mark === undefined ? 0 : 18))
const spoken = computed(() =>
  props.estimates
    .map((e) => {
      const range =
        e.low !== undefined &&
        e.high !== undefined &&
        tell('drawings.likelyTo', { low: round(e.low), high: round(e.high) })
      return remarked(`${e.name}: ${round(e.value)}${props.unit}`, range)
    })
    .join('. '),
)
const round = (v: number) => String(Math.round(v))
</script>

<template>
  <div ref="root" class="root">
    <svg :width="width" :height="height" role="img" :aria-label="spoken">
      <line
        class="axis"
        :x1="left"
        :x2="end"
        :y1="height - (mark === undefined ? 3 : 19)"
        :y2="height - (mark === undefined ? 3 : 19)"
      />
      <template v-if="mark !== undefined">
        <line class="mark" :x1="x(mark)" :x2="x(mark)" y1="0" :y2="height - 16" />
        <text class="small" :x="x(mark)" :y="height - 4" text-anchor="middle">{{ markName }}</text>
      </template>
      <g v-for="e in rows" :key="e.name" :class="e.tone">
        <text :x="left - 8" :y="e.y + 5" text-anchor="end">{{ e.name }}</text>
        <line
          v-if="e.low !== undefined && e.high !== undefined"
          class="range"
          :x1="x(e.low)"
          :x2="x(e.high)"
          :y1="e.y"
          :y2="e.y"
        />
        <circle :cx="x(e.value)" :cy="e.y" r="6" />
        <text :x="end + 10" :y="e.y + 5">{{ round(e.value) }}{{ unit }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
/* The drawing follows the room it has, so it must not hold that room open. */
.root {
  min-width: 0;
  overflow: hidden;
}

svg {
  display: block;
}

text {
  fill: var(--ink);
  font-size: 13px;
}

.small {
  fill: var(--ink-soft);
  font-size: 11px;
}

.axis {
  stroke: var(--line);
}

.mark {
  stroke: var(--ink);
  stroke-dasharray: 3 3;
}

.range {
  stroke: currentcolor;
  stroke-width: 6;
  stroke-opacity: 0.35;
}

circle {
  fill: var(--surface);
  stroke: currentcolor;
  stroke-width: 3;
}

.now {
  color: var(--mauve);
}

.now circle {
  fill: var(--mauve);
}

.before {
  color: var(--brick);
}

.usual {
  color: var(--ink-soft);
}
</style>
