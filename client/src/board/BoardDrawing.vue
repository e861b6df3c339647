<script setup lang="ts">
import { tell } from '@/language'
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import HatchPatterns from '@/drawings/HatchPatterns.vue'
import DrawnLater from '@/kit/DrawnLater.vue'
import { clock, inSentence, percent } from '@/kit/format'
import type { Span } from './axis'
import BoardLegend from './BoardLegend.vue'
import PlaceRow from './PlaceRow.vue'
import SkyRibbon from './SkyRibbon.vue'
import { timeScale } from './timeScale'
import { useHourReading } from './useHourReading'

/** The sky above, and the season of each place below it, against the same hours. */
const props = defineProps<{ board: Schemas['BoardAnswer']; span: Span; timeZone: string }>()
const selected = defineModel<number>('selected', { required: true })
defineEmits<{ open: [index: number] }>()

const plot = ref<HTMLElement>()
const { width } = useElementSize(plot)
const x = computed(() => timeScale(props.span, Math.max(1, width.value)))
const nights = computed(() =>
  props.board.nights.map((n) => ({
    left: x.value(Date.parse(n.from)),
    right: x.value(Date.parse(n.to)),
  })),
)

const { cursor, index, now, onKey, reading } = useHourReading(() => props)
const scrub = (event: PointerEvent) => {
  const box = plot.value?.getBoundingClientRect()
  if (box) cursor.value = x.value.invert(event.clientX - box.left)
}

const shownGroups = computed(() => {
  const used = new Set(props.board.rows.flatMap((r) => r.bands.map((b) => b.group)))
  return props.board.groups.filter((g) => used.has(g.id))
})
</script>

<template>
  <HatchPatterns />
  <div class="grid">
    <div class="sky-labels small soft" aria-hidden="true">
      <span>{{ tell('board.temperatureRain') }}</span>
      <span>{{ tell('board.wetLeaves') }}</span>
      <span>{{ tell('board.wind2') }}</span>
      <span class="good">{{ tell('board.goodHours') }}</span>
    </div>
    <ol class="labels">
      <li v-for="(row, i) in board.rows" :key="row.placeId" :class="{ selected: i === selected }">
        <button @click="$emit('open', i)" @focus="selected = i">
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
      <div class="sky">
        <DrawnLater v-if="width">
          <SkyRibbon :board="board" :x="x" :width="width" :time-zone="timeZone" />
        </DrawnLater>
      </div>
      <div
        v-for="(row, i) in board.rows"
        :key="row.placeId"
        class="strip"
        :class="{ selected: i === selected }"
      >
        <DrawnLater v-if="width">
          <PlaceRow :row="row" :days="board.days" :x="x" :width="width" :now="now" :time-zone="timeZone" />
        </DrawnLater>
      </div>
      <div class="now-line" :style="{ left: `${x(now)}px` }">
        <span>{{ clock(board.now, timeZone) }}</span>
      </div>
      <div
        class="reader"
        role="slider"
        tabindex="0"
        :aria-label="tell('board.readTheHours')"
        aria-valuemin="0"
        :aria-valuemax="board.sky.temperatureC.length - 1"
        :aria-valuenow="index"
        :aria-valuetext="reading ?? tell('board.leftAndRightReadAnHour')"
        @focus="cursor = now"
        @blur="cursor = undefined"
        @keydown="onKey"
      />
      <div v-if="cursor !== undefined" class="cursor" :style="{ left: `${x(cursor)}px` }" />
    </div>
  </div>
  <p class="reading small soft" aria-hidden="true">
    {{ reading ?? tell('board.moveOverTheBoardToRead') }}
  </p>
  <BoardLegend :groups="shownGroups" />
  <ul class="visually-hidden">
    <li v-for="row in board.rows" :key="row.placeId">
      {{ tell('board.cover', { row: row.name, coverNow: percent(row.coverNow) }) }}
    </li>
  </ul>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: 152px minmax(0, 1fr);
}

.sky-labels,
.sky {
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

/* Beside a name of two lines there is no room for its crops: they wrap out of sight. */
.labels button {
  display: flex;
  flex-flow: column wrap;
  align-content: flex-start;
  justify-content: center;
  column-gap: 12px;
  width: 100%;
  height: 100%;
  padding: 3px 6px;
  text-align: left;
  border: 0;
  background: none;
  color: inherit;
  line-height: 1.15;
  cursor: pointer;
  overflow: hidden;
}

.labels strong {
  width: 100%;
  font: 700 1rem/1.2 var(--heading);
}

.labels span {
  width: 100%;
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

/* Where the keys are; the pointer reads what lies below it. */
.reader {
  position: absolute;
  inset: 18px 2px 2px;
  pointer-events: none;
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

@media (max-width: 640px) {
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
