<script setup lang="ts">
import { tell } from '@/language'
import { scaleLinear } from 'd3-scale'
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import type { Schemas } from '@/api/client'
import { sourceWords } from '@/garden/words'
import { civilDay } from '@/kit/format'
import { told, toldRange } from '@/kit/household'

/** Thirty days back and ten ahead: warmth as bars from lowest to highest, rain below, and who says so as bands. */
const props = defineProps<{ days: Schemas['WeatherDayAnswer'][]; sentence: string; today: string }>()
const picture = useTemplateRef<SVGElement>('picture')
const { width: room } = useElementSize(picture)
const width = computed(() => Math.max(300, room.value || 720))
const [left, top, warm, rain, band] = [58, 8, 150, 60, 12]
/** The oldest first. */
const days = computed(() => [...props.days].reverse())
const sources = computed(() => [...new Set(days.value.flatMap((d) => d.sources))])
const height = computed(() => top + warm + rain + sources.value.length * (band + 4) + 30)
const step = computed(() => (width.value - left - 8) / Math.max(1, days.value.length))
const x = (i: number) => left + i * step.value
const known = computed(() => days.value.filter((d) => d.minC !== null && d.maxC !== null))
const y = computed(() =>
  scaleLinear(
    [
      Math.min(0, ...known.value.map((d) => d.minC ?? 0)) - 1,
      Math.max(20, ...known.value.map((d) => d.maxC ?? 0)) + 1,
    ],
    [top + warm, top],
  ),
)
const wettest = computed(() => Math.max(10, ...days.value.map((d) => d.rainMm ?? 0)))
const drop = computed(() => scaleLinear([0, wettest.value], [0, rain - 12]))
const bandAt = (k: number) => top + warm + rain + 6 + k * (band + 4)
const words = (d: Schemas['WeatherDayAnswer']) =>
  d.minC === null || d.maxC === null
    ? tell('weather.notKnown', { date: civilDay(d.date) })
    : d.rainMm === null
      ? d.byHand
        ? tell('weather.rainNotKnownEnteredByHand', {
            date: civilDay(d.date),
            toldRange: toldRange('temperature', d.minC, d.maxC),
          })
        : tell('weather.rainNotKnown', {
            date: civilDay(d.date),
            toldRange: toldRange('temperature', d.minC, d.maxC),
          })
      : d.byHand
        ? tell('weather.enteredByHand', {
            date: civilDay(d.date),
            toldRange: toldRange('temperature', d.minC, d.maxC),
            rainMm: told('rain', d.rainMm),
          })
        : tell('weather.dateToldrangeRainmm', {
            date: civilDay(d.date),
            toldRange: toldRange('temperature', d.minC, d.maxC),
            rainMm: told('rain', d.rainMm),
          })
</script>

<template>
  <figure>
    <svg
      ref="picture"
      :viewBox="`0 0 ${width} ${height}`"
      role="img"
      :aria-label="tell('weather.theWeatherByDay', { sentence })"
    >
      <g class="grid">
        <g v-for="t in y.ticks(5)" :key="t">
          <path :d="`M${left} ${y(t)}H${width - 8}`" />
          <text :x="left - 6" :y="y(t) + 4" class="end">{{ told('temperature', t) }}</text>
        </g>
      </g>
      <template v-for="(d, i) in days" :key="d.date">
        <rect
          v-if="d.date > today"
          :x="x(i)"
          :y="top"
          :width="step + 0.5"
          :height="warm + rain"
          class="ahead"
          aria-hidden="true"
        />
        <g :class="{ forecast: d.date > today }">
          <title>{{ words(d) }}</title>
          <rect :x="x(i)" :y="top" :width="step" :height="warm + rain" class="touch" />
          <rect
            v-if="d.minC !== null && d.maxC !== null"
            :x="x(i) + step * 0.2"
            :y="y(d.maxC)"
            :width="step * 0.6"
            :height="Math.max(2, y(d.minC) - y(d.maxC))"
            class="warm"
          />
          <path v-else :d="`M${x(i) + 2} ${top + warm - 4}L${x(i) + step - 2} ${top + 4}`" class="gap" />
          <rect
            v-if="d.rainMm"
            :x="x(i) + step * 0.2"
            :y="top + warm + rain - drop(d.rainMm)"
            :width="step * 0.6"
            :height="drop(d.rainMm)"
            class="rain"
          />
          <path v-if="d.byHand" :d="`M${x(i) + step / 2 - 4} ${top + warm + 3}h8l-4 6z`" class="hand" />
        </g>
      </template>
      <path :d="`M${left} ${top + warm + rain}H${width - 8}`" class="base" />
      <text :x="left - 6" :y="top + warm + 18" class="end">{{ told('rain', wettest) }}</text>
      <g v-for="(source, k) in sources" :key="source">
        <template v-for="(d, i) in days" :key="d.date">
          <rect
            v-if="d.sources.includes(source)"
            :x="x(i)"
            :y="bandAt(k)"
            :width="step + 0.5"
            :height="band"
            :class="['band', source]"
          />
        </template>
        <text :x="left + 4" :y="bandAt(k) + band - 2" class="source">{{ sourceWords[source] }}</text>
      </g>
      <template v-for="(d, i) in days" :key="d.date">
        <text v-if="i % 10 === 0 && i < days.length - 3" :x="x(i)" :y="height - 6">
          {{ civilDay(d.date).slice(4) }}
        </text>
      </template>
      <path :d="`M${x(days.findIndex((d) => d.date > today))} ${top}V${height - 22}`" class="now" />
    </svg>
    <figcaption class="soft small">
      {{ tell('weather.shadedDaysAreForecastAMark', { sentence }) }}
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}

svg {
  display: block;
  width: 100%;
}

text {
  fill: var(--ink-soft);
  font-size: 12px;
}

.end {
  text-anchor: end;
}

.grid path,
.base {
  stroke: var(--line);
}

.touch {
  fill: transparent;
}

.warm {
  fill: var(--amber);
}

.rain {
  fill: var(--mauve);
}

.forecast .warm,
.forecast .rain {
  fill-opacity: 0.55;
}

.ahead {
  fill: var(--mauve-soft);
}

.gap {
  stroke: var(--brick);
  stroke-width: 1.5;
}

.hand {
  fill: var(--ink);
}

.now {
  stroke: var(--ink);
  stroke-dasharray: 3 3;
}

.band {
  fill: var(--leaf-soft);
}

.band.hand {
  fill: var(--amber-soft);
}

.band.station {
  fill: var(--mauve-soft);
}

.source {
  fill: var(--ink);
  font-size: 11px;
}
</style>
