<script setup lang="ts">
import { tell } from '@/language'
import ToldAround from '@/kit/ToldAround.vue'
import { useElementSize, useEventListener, useMediaQuery } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { answer, api } from '@/api/client'
import HatchPatterns from '@/drawings/HatchPatterns.vue'
import { useGarden, useGardenQuery } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import { clock, dayAndClock, inSentence, percent } from '@/kit/format'
import { useCheckBacks } from '@/jobs/checkback/useCheckBack'
import { isTyping } from '@/shell/useKeys'
import { clamp, pan, type Span, timeScale, zoom } from './axis'
import BoardLegend from './BoardLegend.vue'
import EveningPanel from './EveningPanel.vue'
import PlaceRow from './PlaceRow.vue'
import SkyRibbon from './SkyRibbon.vue'
import { told } from '@/kit/household'

const router = useRouter()
const { garden } = useGarden()
const { data, isPending, error, refetch } = useGardenQuery(['board'], (gardenId) =>
  answer(api.GET('/api/gardens/{gardenId}/board', { params: { path: { gardenId } } })),
)
// What is due is read here, so that it can be judged at the bed without a network.
useCheckBacks()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')

const plot = ref<HTMLElement>()
const { width } = useElementSize(plot)
const phone = useMediaQuery('(max-width: 640px)')
const hour = 3_600_000
const bounds = computed<Span>(() => ({
  from: Date.parse(data.value?.start ?? ''),
  to: Date.parse(data.value?.end ?? ''),
}))
const now = computed(() => Date.parse(data.value?.now ?? ''))
const span = ref<Span>()
watch(
  [() => data.value?.start, phone],
  () => {
    if (!data.value) return
    span.value = clamp(
      phone.value ? { from: now.value - 60 * hour, to: now.value + 84 * hour } : bounds.value,
      bounds.value,
    )
  },
  { immediate: true },
)
const x = computed(() => timeScale(span.value ?? bounds.value, Math.max(1, width.value)))
const nights = computed(() =>
  (data.value?.nights ?? []).map((n) => ({
    left: x.value(Date.parse(n.from)),
    right: x.value(Date.parse(n.to)),
  })),
)

const selected = ref(0)
const cursor = ref<number>()
const scrub = (event: PointerEvent) => {
  const box = plot.value?.getBoundingClientRect()
  if (box) cursor.value = x.value.invert(event.clientX - box.left)
}
const reading = computed(() => {
  if (!data.value || cursor.value === undefined) return null
  const i = Math.floor((cursor.value - Date.parse(data.value.sky.start)) / hour)
  const t = data.value.sky.temperatureC[i]
  if (t === undefined) return null
  const words =
    t === null
      ? [tell('board.notKnown')]
      : [
          told('temperature', t),
          `${data.value.sky.relativeHumidityPercent[i]} %`,
          tell('board.wind', {
            windMetresPerSecond: told('wind', data.value.sky.windMetresPerSecond[i] ?? 0),
          }),
        ]
  const rain = data.value.sky.rainMm[i]
  if (rain) words.push(tell('board.rain', { rain: told('rain', rain) }))
  return `${dayAndClock(cursor.value, zone.value)}: ${words.join(', ')}`
})

function open(index: number) {
  const row = data.value?.rows[index]
  if (row) void router.push({ name: 'place', params: { placeId: row.placeId } })
}

useEventListener(document, 'keydown', (event: KeyboardEvent) => {
  if (!data.value || !span.value || isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey)
    return
  const rows = data.value.rows.length
  if (event.key === 'ArrowDown') selected.value = Math.min(rows - 1, selected.value + 1)
  else if (event.key === 'ArrowUp') selected.value = Math.max(0, selected.value - 1)
  else if (event.key === 'ArrowRight') span.value = pan(span.value, bounds.value, 12)
  else if (event.key === 'ArrowLeft') span.value = pan(span.value, bounds.value, -12)
  else if (event.key === '+') span.value = zoom(span.value, bounds.value, 0.6, now.value)
  else if (event.key === '-') span.value = zoom(span.value, bounds.value, 1 / 0.6, now.value)
  else if (event.key === 'Enter' && event.target === document.body) open(selected.value)
  else return
  event.preventDefault()
})

const change = (factor: number) =>
  span.value && (span.value = zoom(span.value, bounds.value, factor, now.value))
const move = (hours: number) => span.value && (span.value = pan(span.value, bounds.value, hours))
const shownGroups = computed(() => {
  const used = new Set(data.value?.rows.flatMap((r) => r.bands.map((b) => b.group)))
  return data.value?.groups.filter((g) => used.has(g.id)) ?? []
})
</script>

<template>
  <div class="board-page">
    <AsyncState v-if="!data" class="wait" :pending="isPending" :error="error" :retry="refetch" />
    <template v-else>
      <section class="board" :aria-label="tell('board.board')">
        <header>
          <h1>{{ data.gardenName }}</h1>
          <p class="soft">{{ data.sentence }}</p>
          <div class="zoom no-print" role="group" :aria-label="tell('board.timeShown')">
            <button :aria-label="tell('board.earlier')" @click="move(-24)">←</button>
            <button :aria-label="tell('board.zoomOut')" @click="change(1 / 0.6)">−</button>
            <button :aria-label="tell('board.zoomIn')" @click="change(0.6)">+</button>
            <button :aria-label="tell('board.later')" @click="move(24)">→</button>
          </div>
        </header>
        <p v-if="data.rows.length === 0" class="note">
          {{ tell('board.noPlacesYet') }}
          <ToldAround :sentence="(it) => tell('board.addTheFirstBedAndCrop', { it })"
            ><RouterLink :to="{ name: 'garden' }">{{ tell('board.addTheFirstBed') }}</RouterLink></ToldAround
          >
        </p>
        <HatchPatterns />
        <div class="grid">
          <div class="sky-labels small soft" aria-hidden="true">
            <span>{{ tell('board.temperatureRain') }}</span>
            <span>{{ tell('board.wetLeaves') }}</span>
            <span>{{ tell('board.wind2') }}</span>
            <span class="good">{{ tell('board.goodHours') }}</span>
          </div>
          <ol class="labels">
            <li v-for="(row, i) in data.rows" :key="row.placeId" :class="{ selected: i === selected }">
              <button @click="open(i)" @focus="selected = i">
                <strong>{{ row.name }}</strong>
                <span class="soft">{{
                  row.plantings.map((p) => inSentence(p.cropName)).join(', ') || tell('board.nothingPlanted')
                }}</span>
              </button>
            </li>
          </ol>
          <div ref="plot" class="plot" @pointermove="scrub" @pointerleave="cursor = undefined">
            <div
              v-for="n in nights"
              :key="n.left"
              class="night"
              :style="{ left: `${n.left}px`, width: `${Math.max(0, n.right - n.left)}px` }"
            />
            <SkyRibbon :board="data" :x="x" :width="width" :time-zone="zone" />
            <div
              v-for="(row, i) in data.rows"
              :key="row.placeId"
              class="strip"
              :class="{ selected: i === selected }"
            >
              <PlaceRow :row="row" :days="data.days" :x="x" :width="width" :now="now" :time-zone="zone" />
            </div>
            <div class="now-line" :style="{ left: `${x(now)}px` }">
              <span>{{ clock(data.now, zone) }}</span>
            </div>
            <div v-if="cursor !== undefined" class="cursor" :style="{ left: `${x(cursor)}px` }" />
          </div>
        </div>
        <p class="reading small soft" aria-hidden="true">
          {{ reading ?? tell('board.moveOverTheBoardToRead') }}
        </p>
        <BoardLegend :groups="shownGroups" />
        <ul class="visually-hidden">
          <li v-for="row in data.rows" :key="row.placeId">
            {{ tell('board.cover', { row: row.name, coverNow: percent(row.coverNow) }) }}
          </li>
        </ul>
      </section>
      <EveningPanel :evening="data.evening" :time-zone="zone" />
    </template>
  </div>
</template>

<style scoped>
.board-page {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  min-height: calc(100vh - 58px);
}

.wait {
  margin: 24px;
}

.board {
  padding: 14px 12px 80px 18px;
  min-width: 0;
}

header {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 14px;
  margin-bottom: 8px;
}

.zoom {
  margin-left: auto;
  display: flex;
}

.zoom button {
  width: 36px;
  height: 32px;
  border: 1px solid var(--line);
  background: var(--surface);
  color: var(--ink);
  cursor: pointer;
}

.zoom button + button {
  border-left: 0;
}

.grid {
  display: grid;
  grid-template-columns: 152px minmax(0, 1fr);
}

.sky-labels {
  position: relative;
  height: 124px;
}

.sky-labels span {
  position: absolute;
  left: 6px;
}

.sky-labels span:nth-child(1) {
  top: 42px;
}

.sky-labels span:nth-child(2) {
  top: 81px;
}

.sky-labels span:nth-child(3) {
  top: 93px;
  visibility: hidden;
}

.sky-labels .good {
  top: 104px;
  color: var(--leaf-ink);
  font-weight: 600;
}

.labels {
  grid-column: 1;
}

.labels li {
  height: 47px;
  border-top: 1px solid var(--line);
}

.labels button {
  display: grid;
  width: 100%;
  height: 100%;
  padding: 3px 6px;
  align-content: center;
  text-align: left;
  border: 0;
  background: none;
  color: inherit;
  line-height: 1.15;
  cursor: pointer;
  overflow: hidden;
}

.labels strong {
  font: 700 1rem/1.2 var(--heading);
}

.labels span {
  font-size: 0.82rem;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}

.plot {
  grid-column: 2;
  grid-row: 1 / span 2;
  position: relative;
  overflow: hidden;
  border-left: 1px solid var(--line);
  touch-action: pan-y;
}

.strip {
  height: 47px;
  border-top: 1px solid var(--line);
}

.selected {
  background: var(--mauve-soft);
}

.strip.selected {
  background: color-mix(in srgb, var(--mauve-soft) 60%, transparent);
}

.night {
  position: absolute;
  top: 18px;
  bottom: 0;
  background: var(--night);
  pointer-events: none;
}

.now-line,
.cursor {
  position: absolute;
  top: 16px;
  bottom: 0;
  width: 0;
  border-left: 2px solid var(--ink);
  pointer-events: none;
}

.now-line span {
  position: absolute;
  top: 0;
  left: 0;
  transform: translateX(-50%);
  padding: 0 5px;
  background: var(--ink);
  color: var(--paper);
  border-radius: 3px;
  font-size: 0.78rem;
  white-space: nowrap;
}

.cursor {
  border-left: 1px dashed var(--mauve);
}

.reading {
  margin: 6px 0;
  min-height: 1.4em;
}

@media (max-width: 980px) {
  .board-page {
    grid-template-columns: minmax(0, 1fr);
  }

  .board-page > :last-child {
    order: -1;
    padding-bottom: 18px;
    border-left: 0;
    border-bottom: 1px solid var(--line);
  }
}

@media (max-width: 640px) {
  .board {
    padding: 12px 0 90px 8px;
  }

  .grid {
    grid-template-columns: 104px minmax(0, 1fr);
  }

  .sky-labels span {
    left: 2px;
    font-size: 0.8rem;
  }

  .labels button {
    padding: 3px 2px;
  }

  .labels strong {
    font-size: 0.9rem;
  }
}
</style>
