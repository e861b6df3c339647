<script setup lang="ts">
import { figure, tell } from '@/language'
import { useElementSize } from '@vueuse/core'
import { scaleTime } from 'd3-scale'
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { dayCurve } from '@/board/shapes'
import { civilDay, inSentence, percent } from '@/kit/format'

/** Pressure of one trouble day by day, with today, infection nights and the turns of an insect's life on the same axis. */
const props = defineProps<{ trouble: Schemas['TroubleAnswer']; today: string }>()

const height = 84
const base = 66
const box = ref<HTMLElement>()
const { width } = useElementSize(box)
const noon = (day: string) => Date.parse(day) + 43_200_000
const days = computed(() => props.trouble.pressure)
const x = computed(() =>
  scaleTime()
    .domain([
      Date.parse(days.value[0]?.day ?? props.today),
      noon(days.value.at(-1)?.day ?? props.today) + 43_200_000,
    ])
    .range([0, Math.max(1, width.value)]),
)
const at = (time: number) => x.value(time)
const curve = computed(() => dayCurve(days.value, at, base, 56))
const last = computed(() => days.value.at(-1)?.day ?? '')
const turns = computed(() => props.trouble.stages.filter((s) => s.day <= last.value))
const weeks = computed(() => days.value.filter((_, i) => i % 7 === 2))
const spoken = computed(() => {
  const now = days.value.find((d) => d.day === props.today)
  const peak = days.value.reduce(
    (a, b) => (b.value > a.value ? b : a),
    days.value[0] ?? { day: props.today, value: 0, sentence: '' },
  )
  return now
    ? tell('place.pressureOfTodayMost', {
        trouble: inSentence(props.trouble.name),
        now: percent(now.value),
        peak: percent(peak.value),
        day: civilDay(peak.day),
      })
    : tell('place.pressureOfUnknownTodayMost', {
        trouble: inSentence(props.trouble.name),
        peak: percent(peak.value),
        day: civilDay(peak.day),
      })
})
</script>

<template>
  <div ref="box" class="chart">
    <svg :width="width" :height="height" role="img" :aria-label="spoken">
      <line class="floor" x1="0" :x2="width" :y1="base" :y2="base" />
      <g v-for="d in weeks" :key="d.day">
        <line class="tick" :x1="at(noon(d.day))" :x2="at(noon(d.day))" :y1="base" :y2="base + 4" />
        <text class="date" :x="at(noon(d.day))" :y="height - 4" text-anchor="middle">
          {{ civilDay(d.day).slice(4) }}
        </text>
      </g>
      <rect
        v-for="n in trouble.nights"
        :key="n.day"
        class="night"
        :x="at(Date.parse(n.day) - 21_600_000)"
        :y="base - 8"
        :width="Math.max(3, at(86_400_000) - at(43_200_000))"
        height="8"
      >
        <title>
          {{
            tell('place.wetHNeeded', {
              day: civilDay(n.day),
              wetHours: n.wetHours,
              neededHours: figure(n.neededHours, 0),
            })
          }}
        </title>
      </rect>
      <path class="curve" :d="curve" />
      <g v-for="t in turns" :key="t.sentence" :transform="`translate(${at(noon(t.day))} ${base})`">
        <path class="turn" :class="{ guess: !t.certain }" d="M0 -2L5 -12L-5 -12Z">
          <title>{{ t.sentence }}</title>
        </path>
      </g>
      <line class="today" :x1="at(noon(today))" :x2="at(noon(today))" y1="2" :y2="base" />
    </svg>
  </div>
</template>

<style scoped>
.chart {
  min-width: 0;
}

svg {
  display: block;
}

.floor,
.tick {
  stroke: var(--line);
}

.date {
  font-size: 0.72rem;
  fill: var(--ink-soft);
}

.curve {
  fill: none;
  stroke: var(--brick);
  stroke-width: 2;
}

.night {
  fill: var(--dew);
}

.turn {
  fill: var(--mauve);
  stroke: var(--mauve);
}

.turn.guess {
  fill: var(--surface);
}

.today {
  stroke: var(--ink);
  stroke-width: 1.6;
}
</style>
