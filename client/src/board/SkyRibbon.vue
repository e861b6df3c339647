<script setup lang="ts">
import { dayOf, tell } from '@/language'
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { dayParts } from '@/kit/format'
import { hourCurve, runs } from './shapes'
import { told } from '@/kit/household'

const props = defineProps<{
  board: Schemas['BoardAnswer']
  x: (time: number) => number
  width: number
  timeZone: string
}>()

const height = 124
const hour = 3_600_000
const start = computed(() => Date.parse(props.board.sky.start))
const known = computed(() => props.board.sky.temperatureC.filter((t): t is number => t !== null))
const temperature = computed(() =>
  scaleLinear()
    .domain([Math.min(...known.value, 5), Math.max(...known.value, 25)])
    .range([76, 26]),
)
const curve = computed(() => hourCurve(props.board.sky.temperatureC, start.value, props.x, temperature.value))

/** Bars a few hours wide while a whole fortnight is shown, or they would be hairlines. */
const barHours = computed(() => (props.x(start.value + hour) - props.x(start.value) < 3 ? 3 : 1))
const rain = computed(() => {
  const bars: { at: number; mm: number }[] = []
  for (let i = 0; i < props.board.sky.rainMm.length; i += barHours.value) {
    const mm = props.board.sky.rainMm
      .slice(i, i + barHours.value)
      .reduce<number>((sum, v) => sum + (v ?? 0), 0)
    if (mm > 0) bars.push({ at: start.value + i * hour, mm })
  }
  return bars
})
const rainHeight = (mm: number) => Math.min(44, 4 + 9 * Math.sqrt(mm))

const days = computed(() =>
  props.board.days.map((from, i) => {
    const t = Date.parse(from)
    const next = Date.parse(props.board.days[i + 1] ?? props.board.end)
    const slice = props.board.sky.rainMm.slice((t - start.value) / hour, (next - start.value) / hour)
    return {
      t,
      middle: (t + next) / 2,
      wide: props.x(next) - props.x(t),
      parts: dayParts(t, props.timeZone),
      rainMm: slice.reduce<number>((sum, v) => sum + (v ?? 0), 0),
    }
  }),
)
const wet = computed(() => runs(props.board.wet.map((w) => w === true)))
const gaps = computed(() => runs(props.board.sky.temperatureC.map((t) => t === null)))
const goodFrom = computed(() => Date.parse(props.board.goodFrom))
const good = computed(() => runs(props.board.good.map((v) => v === 'good')))
const poor = computed(() => runs(props.board.good.map((v) => v === 'poor')))
const winds = computed(() =>
  props.board.sky.windMetresPerSecond
    .map((speed, i) => ({ speed: speed ?? 0, at: start.value + (i + 0.5) * hour }))
    .filter((w, i) => i % 6 === 3 && w.speed > 0),
)
const span = (from: number, [a, b]: [number, number]) => ({
  x: props.x(from + a * hour),
  width: Math.max(1, props.x(from + b * hour) - props.x(from + a * hour)),
})
const now = computed(() => Date.parse(props.board.now))
</script>

<template>
  <svg
    :width="width"
    :height="height"
    role="img"
    :aria-label="tell('board.weatherTemperatureRainWetLeavesWind')"
  >
    <g v-for="d in days" :key="d.t">
      <line class="day" :x1="x(d.t)" :x2="x(d.t)" y1="18" :y2="height" />
      <text
        v-if="d.wide > 30"
        class="date"
        :class="{ today: d.t <= now && now < d.t + 24 * hour }"
        :x="x(d.middle)"
        y="12"
      >
        {{ d.wide > 62 ? dayOf(d.parts) : d.wide > 40 ? `${d.parts.weekday} ${d.parts.day}` : d.parts.day }}
      </text>
      <text v-if="d.rainMm >= 2 && d.wide > 30" class="mm" :x="x(d.middle)" y="24">
        {{ told('rain', Math.round(d.rainMm)) }}
      </text>
    </g>
    <rect v-for="run in gaps" :key="`g${run[0]}`" class="gap" v-bind="span(start, run)" y="26" height="60" />
    <rect
      v-for="bar in rain"
      :key="bar.at"
      class="rain"
      :x="x(bar.at)"
      :width="Math.max(1.5, x(bar.at + barHours * hour) - x(bar.at) - 0.5)"
      :y="88 - rainHeight(bar.mm)"
      :height="rainHeight(bar.mm)"
    />
    <rect v-for="run in wet" :key="`w${run[0]}`" class="wet" v-bind="span(start, run)" y="90" height="7" />
    <path class="temperature" :d="curve" />
    <line
      v-for="w in winds"
      :key="w.at"
      class="wind"
      :x1="x(w.at)"
      :x2="x(w.at) + Math.min(9, 1.4 * w.speed)"
      y1="103"
      :y2="103 - Math.min(5, 0.8 * w.speed)"
    />
    <rect
      v-for="run in poor"
      :key="`p${run[0]}`"
      class="poor"
      v-bind="span(goodFrom, run)"
      y="113"
      height="4"
    />
    <rect
      v-for="run in good"
      :key="`o${run[0]}`"
      class="good"
      v-bind="span(goodFrom, run)"
      y="110"
      height="10"
    />
  </svg>
</template>

<style scoped>
svg {
  display: block;
}

.day {
  stroke: var(--line);
}

.date,
.mm {
  font: 0.8rem var(--text);
  fill: var(--ink-soft);
  text-anchor: middle;
}

.date.today {
  fill: var(--ink);
  font-weight: 700;
}

.mm {
  fill: var(--rain);
  font-size: 0.75rem;
}

.rain {
  fill: var(--rain);
}

.wet {
  fill: var(--dew);
}

.temperature {
  fill: none;
  stroke: var(--brick);
  stroke-width: 1.8;
}

.wind {
  stroke: var(--ink-soft);
  stroke-width: 1.2;
}

.good {
  fill: var(--leaf);
}

.poor {
  fill: var(--leaf-line);
  opacity: 0.55;
}

.gap {
  fill: url('#hatch-cross');
  opacity: 0.35;
}
</style>
