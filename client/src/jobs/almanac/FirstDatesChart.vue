<script setup lang="ts">
import { tell, writing } from '@/language'
import { dateFormat } from '@/language/formatters'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'

/** First finds of each trouble on one year's axis: a ring for each season, this season's filled, and where next season's protection begins. */
const props = defineProps<{ firsts: Schemas['AlmanacFirstAnswer'][]; season: Schemas['SeasonChoice'] }>()
const left = 170
const width = 760
const row = 26
const day = 86_400_000
const start = computed(() => Date.parse(props.season.from))
/** Days since the season's own first day, whatever the year. */
const offset = (date: string, year: number) => {
  const from = Date.UTC(year, new Date(start.value).getUTCMonth(), 1)
  return (Date.parse(date) - from) / day
}
const x = (days: number) => left + (Math.min(365, Math.max(0, days)) / 365) * (width - left - 10)
const rows = computed(() =>
  props.firsts.map((f, i) => ({
    name: f.name,
    y: 26 + i * row,
    dots: f.past.map((p) => ({
      x: x(offset(p.day, p.year)),
      now: p.year === props.season.year,
      year: p.year,
    })),
    protect: f.protectFrom ? x(offset(f.protectFrom, props.season.year + 1)) : null,
    expected: f.expected ? x(offset(f.expected, props.season.year + 1)) : null,
  })),
)
const months = computed(() =>
  Array.from({ length: 12 }, (_, i) => {
    const at = new Date(Date.UTC(props.season.year, new Date(start.value).getUTCMonth() + i, 1))
    return {
      x: x((at.getTime() - start.value) / day),
      name: dateFormat(writing(), { timeZone: 'UTC', month: 'narrow' }).format(at),
    }
  }),
)
const height = computed(() => 26 + props.firsts.length * row)
</script>

<template>
  <div>
    <svg :viewBox="`0 0 ${width} ${height}`" role="img" :aria-label="tell('almanac.firstFindsOverTheYear')">
      <g v-for="(m, i) in months" :key="i">
        <line class="month" :x1="m.x" :x2="m.x" y1="16" :y2="height" />
        <text class="small" :x="m.x + 3" y="11">{{ m.name }}</text>
      </g>
      <g v-for="r in rows" :key="r.name">
        <text :x="left - 10" :y="r.y + 4" text-anchor="end">{{ r.name }}</text>
        <line
          v-if="r.protect !== null && r.expected !== null"
          class="protect"
          :x1="r.protect"
          :x2="r.expected"
          :y1="r.y"
          :y2="r.y"
        />
        <circle v-for="d in r.dots" :key="d.year" :class="{ now: d.now }" :cx="d.x" :cy="r.y" r="5">
          <title>{{ d.year }}</title>
        </circle>
      </g>
    </svg>
    <p class="soft small">
      {{ tell('almanac.ringsFirstFindsThisSeasonsFilled') }}
    </p>
  </div>
</template>

<style scoped>
svg {
  width: 100%;
  min-width: 520px;
}

text {
  fill: var(--ink);
  font-size: 13px;
}

text.small {
  fill: var(--ink-soft);
  font-size: 11px;
}

.month {
  stroke: var(--line);
}

.protect {
  stroke: var(--mauve);
  stroke-width: 8;
  stroke-opacity: 0.4;
}

circle {
  fill: var(--surface);
  stroke: var(--brick);
  stroke-width: 2;
}

circle.now {
  fill: var(--brick);
}
</style>
