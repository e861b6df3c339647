<script setup lang="ts">
import { tell } from '@/language'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { clock, day } from '@/kit/format'
import { byDay, reasonMark, ruleWords } from './hours'

/** Ten days by twenty-four hours, one stop for the keys; the one that is chosen says why. */
const props = defineProps<{ hours: Schemas['HourAnswer'][]; timeZone: string }>()
const grid = computed(() => byDay(props.hours, props.timeZone))
const chosen = ref<Schemas['HourAnswer']>()
watch(
  () => props.hours,
  (hours) => (chosen.value = hours.find((h) => h.hour === chosen.value?.hour) ?? hours[0]),
  { immediate: true },
)
const verdictWords = { good: tell('windows.good'), poor: tell('windows.possible'), never: tell('rota.no') }
const title = (h: Schemas['HourAnswer']) =>
  `${day(h.hour, props.timeZone)} ${clock(h.hour, props.timeZone)}: ${verdictWords[h.verdict]}. ${h.rules[0]?.sentence ?? ''}`
const table = useTemplateRef('table')
/** The nearest hour that is there, going by days and hours; undefined where the days end. */
function hourAt(row: number, column: number, down: number, right: number): Schemas['HourAnswer'] | undefined {
  const [day, cell] = [grid.value.days[row], grid.value.days[row]?.cells[column]]
  if (!day || column < 0 || column >= day.cells.length) return undefined
  return cell ?? hourAt(row + down, column + right, down, right)
}
function go(event: KeyboardEvent, row: number, column: number) {
  const cells = grid.value.days[row]?.cells.length ?? 0
  const to = {
    ArrowLeft: () => hourAt(row, column - 1, 0, -1),
    ArrowRight: () => hourAt(row, column + 1, 0, 1),
    ArrowUp: () => hourAt(row - 1, column, -1, 0),
    ArrowDown: () => hourAt(row + 1, column, 1, 0),
    Home: () => hourAt(row, 0, 0, 1),
    End: () => hourAt(row, cells - 1, 0, -1),
  }[event.key]
  if (!to) return
  event.preventDefault()
  chosen.value = to() ?? chosen.value
  void nextTick(() => table.value?.querySelector<HTMLElement>('button.chosen')?.focus())
}
const used = computed(() => [...new Set(props.hours.map(reasonMark))].filter((m) => m))
</script>

<template>
  <div class="map-and-why">
    <section class="card">
      <table ref="table" role="grid" :aria-label="tell('beds.hours')">
        <thead>
          <tr>
            <th scope="col">
              <span class="visually-hidden">{{ tell('place.day') }}</span>
            </th>
            <th v-for="c in grid.columns" :key="`${c.hour}${c.again}`" scope="col">
              {{ c.again ? tell('windows.again') : c.hour % 3 === 0 ? c.hour : '' }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(d, row) in grid.days" :key="d.label">
            <th scope="row">{{ d.label }}</th>
            <td v-for="(cell, i) in d.cells" :key="i">
              <button
                v-if="cell"
                :class="[cell.verdict, { chosen: cell.hour === chosen?.hour }]"
                :aria-label="title(cell)"
                :title="title(cell)"
                :tabindex="cell.hour === chosen?.hour ? 0 : -1"
                @click="chosen = cell"
                @keydown="go($event, row, i)"
              >
                {{ reasonMark(cell) }}
              </button>
            </td>
          </tr>
        </tbody>
      </table>
      <p class="soft small legend">
        <span class="swatch good" /> {{ tell('windows.good') }} <span class="swatch poor" />
        {{ tell('windows.possible') }} <span class="swatch never" />
        {{ tell('rota.no') }}
        <span v-for="m in used" :key="m">{{ m }} {{ ruleWords[m] }}</span>
      </p>
    </section>
    <section v-if="chosen" class="card why" aria-live="polite">
      <h2>
        {{ day(chosen.hour, timeZone) }}, {{ clock(chosen.hour, timeZone) }}:
        {{ verdictWords[chosen.verdict] }}
      </h2>
      <ul>
        <li v-for="r in chosen.rules" :key="r.rule" :class="r.verdict">
          <span class="word">{{ verdictWords[r.verdict] }}</span>
          {{ r.sentence }}
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.map-and-why {
  display: grid;
  grid-template-columns: minmax(0, 2.4fr) minmax(260px, 1fr);
  gap: 18px;
  align-items: start;
}

.card {
  overflow-x: auto;
}

table {
  width: 100%;
  border-collapse: separate;
  border-spacing: 1px 5px;
  table-layout: fixed;
  /* 24 cells of at least 24 px, which a finger can hit. */
  min-width: 700px;
}

th {
  font-weight: 400;
  font-size: 0.82rem;
  color: var(--ink-soft);
  text-align: center;
}

th[scope='row'] {
  text-align: left;
  color: var(--ink);
  white-space: nowrap;
}

thead th:first-child {
  width: 76px;
}

td {
  padding: 0;
}

button {
  display: block;
  width: 100%;
  height: 32px;
  padding: 0;
  border: 0;
  font-size: 0.75rem;
  cursor: pointer;
}

.good {
  background: var(--leaf);
  color: #2f3b00;
}

.poor {
  background: var(--leaf-soft);
  color: var(--leaf-ink);
}

.never {
  background: color-mix(in srgb, var(--line) 60%, var(--surface));
  color: var(--ink-soft);
}

button.chosen {
  outline: 3px solid var(--ink);
  outline-offset: -1px;
}

.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: center;
}

.swatch {
  width: 16px;
  height: 12px;
}

.why li {
  display: grid;
  grid-template-columns: 5.2em 1fr;
  gap: 8px;
  padding: 6px 0;
  border-top: 1px solid var(--line);
  background: none;
  color: var(--ink);
}

.word {
  font-weight: 700;
}

li.never .word {
  color: var(--brick-ink);
}

li.poor .word {
  color: var(--amber-ink);
}

li.good .word {
  color: var(--leaf-ink);
}

@media (max-width: 1100px) {
  .map-and-why {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
