<script setup lang="ts">
import { figure, tell } from '@/language'
import { useElementSize } from '@vueuse/core'
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import type { Schemas } from '@/api/client'
import HatchPatterns from '@/drawings/HatchPatterns.vue'
import { civilDay, dayParts } from '@/kit/format'
import { household, toldNumber } from '@/kit/household'
import type { Rota, Round } from './useRota'

/**
 * Days by places: a block for each round, hatched by its group. A block is carried to another day with the mouse or a finger, or
 * with the arrow keys; what the day costs is written into it as it is passed over.
 */
const props = defineProps<{
  rota: Rota
  chosen: Round | undefined
  moves: Schemas['MoveAnswer'][] | undefined
  over: string | undefined
}>()
const emit = defineEmits<{ choose: [round: Round]; over: [day: string]; drop: [] }>()

const name = 118
const row = 40
/** Above the places: day, warmest hour, rain and good hours; below them: the work of the day. */
const head = 118
const foot = 46
const box = useTemplateRef<HTMLDivElement>('box')
const { width } = useElementSize(box)
const days = computed(() => {
  const from = Date.parse(`${props.rota.from}T12:00:00Z`)
  return Array.from({ length: 14 }, (_, i) => new Date(from + i * 86_400_000).toISOString().slice(0, 10))
})
const step = computed(() => Math.max(38, (Math.max(width.value, 320) - name) / 14))
const whole = computed(() => name + step.value * 14)
const rounds = computed(() => props.rota.outings.flatMap((o) => o.tanks.flatMap((t) => t.rounds)))
const places = computed(() => props.rota.places)
const bottom = computed(() => head + places.value.length * row)
const height = computed(() => bottom.value + foot)
const x = (day: string) => name + days.value.indexOf(day) * step.value
const inRow = (placeId: string, day: string) =>
  rounds.value.filter((r) => r.placeId === placeId && r.on === day)
/** Rounds of one place on one day share its cell. */
const blocks = computed(() =>
  rounds.value
    .filter((r) => days.value.includes(r.on))
    .map((r) => {
      const cell = inRow(r.placeId, r.on)
      const at = cell.findIndex((c) => c.key === r.key)
      const wide = (step.value - 6) / cell.length
      return {
        round: r,
        x: x(r.on) + 3 + at * wide,
        y: head + places.value.findIndex((p) => p.id === r.placeId) * row + 5,
        w: wide - 1,
      }
    }),
)
/** Looks of a day at a place: a ring for a walk, a flag for a check back. */
const looks = computed(() => [
  ...props.rota.walks.flatMap((w) =>
    w.placeIds.map((placeId) => ({ placeId, on: w.on, kind: 'walk' as const })),
  ),
  ...props.rota.visits.map((v) => ({ placeId: v.placeId, on: v.on, kind: 'visit' as const })),
])
const marks = computed(() => {
  const seen = new Set<string>()
  return looks.value
    .filter(
      (l) =>
        days.value.includes(l.on) &&
        !seen.has(l.kind + l.placeId + l.on) &&
        seen.add(l.kind + l.placeId + l.on),
    )
    .map((l) => {
      const taken = inRow(l.placeId, l.on).length > 0
      const both = looks.value.some((o) => o.kind !== l.kind && o.placeId === l.placeId && o.on === l.on)
      return {
        ...l,
        // In the block's corner, clear of its words.
        x:
          x(l.on) +
          (taken ? step.value - (both && l.kind === 'walk' ? 18 : 8) : step.value / 2) +
          (both && !taken ? (l.kind === 'walk' ? -8 : 8) : 0),
        y: head + places.value.findIndex((p) => p.id === l.placeId) * row + (taken ? row - 6 : row / 2),
        r: taken ? 3 : 6,
      }
    })
})
const warmest = computed(() => props.rota.days.filter((d) => d.warmestC !== null))
const range = computed(() => {
  const all = warmest.value.map((d) => d.warmestC ?? 0)
  return { low: Math.min(...all), high: Math.max(Math.min(...all) + 1, ...all) }
})
const yC = (c: number) => 70 - ((c - range.value.low) / (range.value.high - range.value.low)) * 16
const line = computed(() =>
  warmest.value.map((d) => `${x(d.on) + step.value / 2},${yC(d.warmestC ?? 0)}`).join(' '),
)
const mostRain = computed(() => Math.max(10, ...props.rota.days.map((d) => d.rainMm ?? 0)))
const mostMinutes = computed(() => Math.max(30, ...props.rota.days.map((d) => d.minutes)))
/** What other days would cost, where a block leaves room to read it. */
const costs = computed(() => {
  const { chosen, moves } = props
  return chosen ? (moves?.filter((m) => inRow(chosen.placeId, m.on).length === 0) ?? []) : []
})
const moveOn = (day: string) => props.moves?.find((m) => m.on === day)
const dragging = ref(false)
function carry(event: PointerEvent) {
  if (!dragging.value || !box.value) return
  const at = event.clientX - box.value.getBoundingClientRect().left + box.value.scrollLeft - name
  const day = days.value[Math.min(13, Math.max(0, Math.floor(at / step.value)))]
  if (day) emit('over', day)
}
function take(round: Round, event: PointerEvent) {
  dragging.value = true
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  emit('choose', round)
}
function put() {
  if (!dragging.value) return
  dragging.value = false
  emit('drop')
}
function shift(round: Round, by: number) {
  if (props.chosen?.key !== round.key) emit('choose', round)
  const now = props.over ?? round.on
  const next = days.value[days.value.indexOf(now) + by]
  if (next) emit('over', next)
}
/** The blocks are one stop for Tab; up and down go from one to the next. */
const stopKey = ref<string>()
const stop = computed(() =>
  Math.max(
    0,
    blocks.value.findIndex((b) => b.round.key === (stopKey.value ?? props.chosen?.key)),
  ),
)
async function goOn(by: number) {
  const next = blocks.value.at((stop.value + by) % blocks.value.length)
  stopKey.value = next?.round.key
  await nextTick()
  box.value?.querySelectorAll<SVGGElement>('.block')[stop.value]?.focus()
}
const label = (r: Round) =>
  r.pinId
    ? tell('rota.againstRoundOfPinned', {
        where: r.where,
        recipeName: r.recipeName,
        targetName: r.targetName,
        round: r.round,
        rounds: r.rounds,
        on: civilDay(r.on),
      })
    : tell('rota.againstRound', {
        where: r.where,
        recipeName: r.recipeName,
        targetName: r.targetName,
        round: r.round,
        rounds: r.rounds,
        on: civilDay(r.on),
      })
</script>

<template>
  <div ref="box" class="box">
    <svg
      :width="whole"
      :height="height"
      role="group"
      :aria-label="tell('rota.theFortnightByPlaces')"
      @pointermove="carry"
      @pointerup="put"
    >
      <HatchPatterns />
      <g v-for="(day, i) in days" :key="day">
        <rect
          :x="name + i * step"
          y="0"
          :width="step"
          :height="height"
          class="day"
          :class="{
            today: i === 0,
            over: over === day && chosen,
            closed: chosen && moveOn(day)?.morePercent === null,
          }"
        />
        <text :x="name + i * step + step / 2" y="16" class="weekday">{{ dayParts(day, 'UTC').weekday }}</text>
        <text :x="name + i * step + step / 2" y="33" class="date">
          {{ dayParts(day, 'UTC').day }}
        </text>
      </g>
      <g class="sky">
        <text x="0" y="66">{{ tell('rota.warmest', { unit: household.scales.temperature.word }) }}</text>
        <text x="0" y="92">{{ tell('rota.rain', { unit: household.scales.rain.word }) }}</text>
        <text x="0" y="110">{{ tell('board.goodHours') }}</text>
        <polyline v-if="warmest.length > 1" :points="line" class="warm" />
        <g v-for="d in rota.days" :key="d.on">
          <text v-if="d.warmestC !== null" :x="x(d.on) + step / 2" :y="yC(d.warmestC) - 4" class="figure">
            {{ toldNumber('temperature', d.warmestC) }}
          </text>
          <template v-if="d.rainMm !== null && d.rainMm >= 0.5">
            <rect
              :x="x(d.on) + step / 2 - 12"
              :y="94 - (18 * d.rainMm) / mostRain"
              width="12"
              :height="(18 * d.rainMm) / mostRain"
              class="rain"
            />
            <text :x="x(d.on) + step / 2 + 15" y="93" class="figure">
              {{ toldNumber('rain', Math.round(d.rainMm)) }}
            </text>
          </template>
          <text
            v-if="d.goodHours !== null"
            :x="x(d.on) + step / 2"
            y="111"
            class="figure"
            :class="{ good: d.goodHours > 0 }"
          >
            {{ d.goodHours || tell('garden.none') }}
          </text>
        </g>
      </g>
      <g v-for="(place, i) in places" :key="place.id">
        <line x1="0" :x2="whole" :y1="head + i * row" :y2="head + i * row" class="rule" />
        <text x="0" :y="head + i * row + row / 2 + 5" class="place">{{ place.name }}</text>
      </g>
      <line x1="0" :x2="whole" :y1="bottom" :y2="bottom" class="rule strong" />
      <g class="work">
        <text x="0" :y="bottom + 28">{{ tell('rota.yourTimeMin') }}</text>
        <g v-for="d in rota.days.filter((day) => day.minutes > 0)" :key="d.on">
          <rect
            :x="x(d.on) + step / 2 - 14"
            :y="height - 4 - (24 * d.minutes) / mostMinutes"
            width="28"
            :height="(24 * d.minutes) / mostMinutes"
          />
          <text :x="x(d.on) + step / 2" :y="height - 8 - (24 * d.minutes) / mostMinutes" class="figure">
            {{ d.minutes }}
          </text>
        </g>
      </g>
      <g>
        <text
          v-for="m in costs"
          :key="m.on"
          :x="x(m.on) + step / 2"
          :y="head + places.findIndex((p) => p.id === chosen?.placeId) * row + row - 3"
          class="cost"
        >
          {{
            m.morePercent === null
              ? tell('rota.no')
              : m.morePercent < 0.01
                ? '='
                : `+${figure(m.morePercent, 1, true)}`
          }}
        </text>
      </g>
      <g
        v-for="(b, i) in blocks"
        :key="b.round.key"
        class="block"
        :class="{ chosen: chosen?.key === b.round.key }"
        :tabindex="i === stop ? 0 : -1"
        role="button"
        :aria-label="label(b.round)"
        :aria-pressed="chosen?.key === b.round.key"
        @pointerdown="take(b.round, $event)"
        @click="emit('choose', b.round)"
        @keydown.enter.prevent="chosen?.key === b.round.key && over ? emit('drop') : emit('choose', b.round)"
        @focus="stopKey = b.round.key"
        @keydown.up.prevent="goOn(-1)"
        @keydown.down.prevent="goOn(1)"
        @keydown.left.prevent="shift(b.round, -1)"
        @keydown.right.prevent="shift(b.round, 1)"
      >
        <rect :x="b.x" :y="b.y" :width="b.w" :height="row - 10" class="ground" />
        <rect :x="b.x" :y="b.y" :width="b.w" :height="row - 10" :fill="`url(#hatch-${b.round.hatch})`" />
        <g v-if="b.w >= 20" class="words" aria-hidden="true">
          <rect
            :x="b.x + 2"
            :y="b.y + (b.w >= 46 ? 2 : 6)"
            :width="b.w - 4"
            :height="b.w >= 46 ? row - 14 : row - 22"
            class="plate"
          />
          <text v-if="b.w >= 46" :x="b.x + b.w / 2" :y="b.y + 13">{{ b.round.groupName.split(' ')[0] }}</text>
          <text :x="b.x + b.w / 2" :y="b.y + (b.w >= 46 ? 26 : 20)">
            {{ b.round.kind === 'protect' ? tell('rota.cover') : `${b.round.round}/${b.round.rounds}` }}
          </text>
        </g>
        <circle v-if="b.round.pinId" :cx="b.x + b.w - 5" :cy="b.y + 5" r="4" class="pin" />
      </g>
      <g v-for="m in marks" :key="m.kind + m.placeId + m.on" class="look" aria-hidden="true">
        <circle v-if="m.kind === 'walk'" :cx="m.x" :cy="m.y" :r="m.r" />
        <path v-else :d="`M${m.x - 4} ${m.y + m.r + 2}v${-2 * m.r - 4}l9 4-9 4`" />
      </g>
    </svg>
  </div>
</template>

<style scoped>
.box {
  overflow-x: auto;
}

svg {
  display: block;
  touch-action: pan-y;
}

.day {
  fill: var(--surface);
  stroke: var(--line);
}

.day.today {
  fill: var(--mauve-soft);
}

.day.closed {
  fill: var(--paper);
}

.day.over {
  fill: var(--mauve-line);
}

.rule {
  stroke: var(--line);
}

text {
  font: 0.85rem var(--text);
  fill: var(--ink);
}

.place {
  font-weight: 600;
}

.weekday,
.date,
.cost {
  text-anchor: middle;
}

.weekday,
.cost {
  fill: var(--ink-soft);
  font-size: 0.75rem;
}

.block {
  cursor: grab;
}

.block:focus-visible {
  outline: none;
}

.ground {
  fill: var(--surface);
  stroke: var(--mauve-deep);
  stroke-width: 1.5;
}

.block:focus-visible .ground,
.block.chosen .ground {
  stroke-width: 4;
}

.plate {
  fill: var(--surface);
  opacity: 0.86;
}

.words text {
  font-size: 0.75rem;
  text-anchor: middle;
}

.words text:first-of-type:not(:only-of-type) {
  font-weight: 700;
}

.figure {
  fill: var(--ink-soft);
  font-size: 0.75rem;
  text-anchor: middle;
}

.figure.good {
  fill: var(--leaf-ink);
  font-weight: 600;
}

.sky text:not(.figure),
.work text:not(.figure) {
  fill: var(--ink-soft);
  font-size: 0.8rem;
}

.warm {
  fill: none;
  stroke: var(--brick);
  stroke-width: 1.5;
}

.rain {
  fill: var(--rain);
}

.work rect {
  fill: var(--mauve-line);
}

.rule.strong {
  stroke: var(--ink);
}

/* Over the blocks, so that a look is seen where something is sprayed too; a press goes through it. */
.look {
  pointer-events: none;
}

.look circle,
.look path {
  fill: var(--surface);
  stroke: var(--brick);
  stroke-width: 1.5;
}

.look path {
  stroke: var(--amber);
}

.pin {
  fill: var(--ink);
  stroke: var(--surface);
  stroke-width: 1.5;
}
</style>
