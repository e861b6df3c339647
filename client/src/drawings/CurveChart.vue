<script setup lang="ts">
import { tell } from '@/language'
import { scaleLinear } from 'd3-scale'
import { area, line } from 'd3-shape'
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import type { Schemas } from '@/api/client'
import { civilDay, percent } from '@/kit/format'

/** Share of leaves over the coming weeks, a line for each schedule with the range of nine runs in ten of the one in hand. */
const props = defineProps<{
  curves: { days: Schemas['WhatIfDay'][]; sprayDays: number[] }[]
  names: string[]
  chosen: number
  from: string
  actionLine: number | null
  low?: boolean
}>()
const picture = useTemplateRef<SVGElement>('picture')
const { width: room } = useElementSize(picture)
/** One unit is one pixel, so that words stay readable on a phone. */
const width = computed(() => Math.max(300, room.value || 720))
const narrow = computed(() => width.value < 520)
const height = computed(() => (props.low ? 190 : narrow.value ? 250 : 300))
const right = computed(() => (narrow.value ? 128 : 150))
const [left, top, bottom] = [52, 14, 30]
const days = computed(() => (props.curves[0]?.days.length ?? 1) - 1)
const most = computed(() =>
  Math.min(
    1,
    1.1 * Math.max(0.05, props.actionLine ?? 0, ...props.curves.flatMap((c) => c.days.map((d) => d.middle))),
  ),
)
const x = computed(() => scaleLinear([0, days.value], [left, width.value - right.value]))
const y = computed(() => scaleLinear([0, most.value], [height.value - bottom, top]))
type Day = Schemas['WhatIfDay']
const middle = computed(() =>
  line<Day>(
    (_, i) => x.value(i),
    (d) => y.value(Math.min(most.value, d.middle)),
  ),
)
const range = computed(() =>
  area<Day>(
    (_, i) => x.value(i),
    (d) => y.value(Math.min(most.value, d.low)),
    (d) => y.value(Math.min(most.value, d.high)),
  ),
)
const date = (day: number) =>
  civilDay(new Date(Date.parse(`${props.from}T12:00:00Z`) + day * 864e5).toISOString().slice(0, 10))
const step = computed(() => (narrow.value ? 14 : 7))
const ticks = computed(() =>
  Array.from({ length: Math.floor(days.value / step.value) + 1 }, (_, i) => i * step.value),
)
/** Names at the ends of the lines, kept apart and off the days below. */
const ends = computed(() => {
  const named = props.curves.map((c, i) => ({
    name: props.names[i],
    kind: i === props.chosen ? 'strong' : '',
    at: y.value(Math.min(most.value, c.days.at(-1)?.middle ?? 0)),
  }))
  if (props.actionLine !== null)
    named.push({ name: tell('drawings.actionLine'), kind: 'limit-word', at: y.value(props.actionLine) })
  named.sort((a, b) => a.at - b.at)
  let highest = -Infinity
  for (const e of named) highest = (e.at = Math.max(e.at, highest)) + 17
  let lowest = height.value - bottom
  for (const e of [...named].reverse()) lowest = (e.at = Math.min(e.at, lowest)) - 17
  return named
})
</script>

<template>
  <svg
    ref="picture"
    :viewBox="`0 0 ${width} ${height}`"
    role="img"
    :aria-label="tell('drawings.shareOverDays', { days, names: names.join('; ') })"
  >
    <g class="grid">
      <g v-for="t in y.ticks(4)" :key="t">
        <path :d="`M${left} ${y(t)}H${width - right}`" />
        <text :x="left - 8" :y="y(t) + 4" class="end">{{ percent(t) }}</text>
      </g>
      <g v-for="t in ticks" :key="t">
        <path :d="`M${x(t)} ${top}V${height - bottom}`" />
        <text :x="x(t)" :y="height - bottom + 18" class="mid">{{ date(t).slice(4) }}</text>
      </g>
    </g>
    <path v-if="actionLine !== null" class="limit" :d="`M${left} ${y(actionLine)}H${width - right}`" />
    <path class="range" :d="range(curves[chosen]?.days ?? []) ?? ''" />
    <g v-for="(c, i) in curves" :key="i" :class="['curve', `curve-${i}`, { chosen: i === chosen }]">
      <path :d="middle(c.days) ?? ''" />
      <circle
        v-for="d in c.sprayDays"
        :key="d"
        :cx="x(d)"
        :cy="y(Math.min(most, c.days[d]?.middle ?? 0))"
        r="4"
      />
    </g>
    <text v-for="(e, i) in ends" :key="i" :x="width - right + 8" :y="e.at + 4" :class="e.kind">
      {{ e.name }}
    </text>
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
}

text {
  font: 13px var(--text);
  fill: var(--ink);
}

.grid path {
  stroke: var(--line);
}

.grid text {
  fill: var(--ink-soft);
}

.mid {
  text-anchor: middle;
}

.end {
  text-anchor: end;
}

.limit {
  stroke: var(--brick);
  stroke-dasharray: 2 4;
}

.limit-word {
  fill: var(--brick-ink);
}

.range {
  fill: var(--mauve-soft);
}

.curve path {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 2;
}

.curve circle {
  fill: var(--surface);
  stroke: var(--ink-soft);
  stroke-width: 2;
}

.curve-1 path {
  stroke-dasharray: 9 4;
}

.curve-2 path {
  stroke-dasharray: none;
  stroke: var(--ink);
}

.curve-3 path {
  stroke-dasharray: 2 4;
}

.curve-4 path,
.curve-6 path {
  stroke-dasharray: 10 4 2 4;
}

.curve-5 path,
.curve-7 path {
  stroke-dasharray: 14 3 5 3;
}

.curve.chosen path {
  stroke: var(--mauve);
  stroke-width: 3.5;
}

.curve.chosen circle {
  stroke: var(--mauve);
}

.strong {
  font-weight: 700;
}
</style>
