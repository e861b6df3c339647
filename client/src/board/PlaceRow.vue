<script setup lang="ts">
import { tell } from '@/language'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { counted } from '@/garden/words'
import { dayAndClock, percent } from '@/kit/format'
import { bandPath, dayCurve, dotRadius } from './shapes'

const props = defineProps<{
  row: Schemas['RowAnswer']
  days: string[]
  x: (time: number) => number
  width: number
  now: number
  timeZone: string
}>()

const height = 46
const base = 42
const bands = computed(() =>
  props.row.bands.map((band) => {
    const from = Date.parse(band.from)
    return {
      ...band,
      from,
      path: bandPath(band.points, from, band.stepHours, props.x, base, 32),
      title: band.planned
        ? tell('board.plannedFor', {
            material: band.material,
            dayAndClock: dayAndClock(band.from, props.timeZone),
          })
        : tell('board.materialDayandclock', {
            material: band.material,
            dayAndClock: dayAndClock(band.from, props.timeZone),
          }),
    }
  }),
)
const pressure = computed(() => dayCurve(props.row.pressure, props.x, base, 32))
const pressureNow = computed(() => props.row.pressure.find((p) => Date.parse(p.day) + 86_400_000 > props.now))
const spoken = computed(() => {
  const dots = props.row.dots.map((d) =>
    tell('board.countWith', {
      dayAndClock: dayAndClock(d.at, props.timeZone),
      count: counted(d),
      namedAs: d.namedAs ?? tell('board.somethingUnnamed'),
    }),
  )
  const pressed = pressureNow.value
    ? [
        tell('board.pressure', {
          pressureNow: percent(pressureNow.value.value),
          sentence: pressureNow.value.sentence,
        }),
      ]
    : []
  const said = [
    tell('board.coverNow', { coverNow: percent(props.row.coverNow) }),
    ...pressed,
    ...dots,
    ...props.row.flags.map((f) => f.words),
  ]
  // Two plantings of a place may have the same to say, and it is said once.
  return [...new Set(said.map((words) => words.replace(/\.$/, '')))].join('. ')
})
</script>

<template>
  <svg :width="width" :height="height" role="img" :aria-label="spoken">
    <line
      v-for="d in days"
      :key="d"
      class="day"
      :x1="x(Date.parse(d))"
      :x2="x(Date.parse(d))"
      y1="0"
      :y2="height"
    />
    <g v-for="band in bands" :key="band.applicationId + band.from + band.material">
      <path
        class="band"
        :class="{ planned: band.planned }"
        :d="band.path"
        :fill="band.planned ? 'none' : `url(#hatch-${band.hatch})`"
      >
        <title>{{ band.title }}</title>
      </path>
    </g>
    <path class="pressure" :d="pressure">
      <title>{{ pressureNow?.sentence }}</title>
    </path>
    <circle
      v-for="dot in row.dots"
      :key="dot.observationId"
      class="dot"
      :cx="x(Date.parse(dot.at))"
      cy="22"
      :r="dotRadius(dot.share)"
    >
      <title>
        {{
          tell('board.countOnCrop', {
            cropName: dot.cropName,
            count: counted(dot),
            namedAs: dot.namedAs ?? tell('board.noNameYet'),
          })
        }}
      </title>
    </circle>
    <g
      v-for="flag in row.flags"
      :key="flag.checkBackId"
      class="flag"
      :class="{ done: flag.done, due: !flag.done && Date.parse(flag.at) <= now }"
      :transform="`translate(${x(Date.parse(flag.at))} 6)`"
    >
      <title>{{ flag.words }}</title>
      <path class="pole" d="M0 0V34" />
      <path d="M0 0L11 4.5L0 9Z" />
    </g>
  </svg>
</template>

<style scoped>
svg {
  display: block;
}

.day {
  stroke: var(--line);
}

.band.planned {
  stroke-dasharray: 5 3;
}

.band {
  stroke: var(--ink-soft);
  stroke-width: 0.8;
}

.pressure {
  fill: none;
  stroke: var(--brick);
  stroke-width: 1.4;
  stroke-dasharray: 5 2;
}

.dot {
  fill: var(--surface);
  stroke: var(--brick);
  stroke-width: 2.2;
}

.flag path {
  fill: var(--amber);
  stroke: var(--amber);
}

.flag .pole {
  fill: none;
}

.flag.done path {
  fill: var(--surface);
  stroke: var(--ink-soft);
}

.flag.due path {
  fill: var(--brick);
  stroke: var(--brick);
}
</style>
