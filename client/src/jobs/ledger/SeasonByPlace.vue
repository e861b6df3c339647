<script setup lang="ts">
import { tell, writing } from '@/language'
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { civilDay } from '@/kit/format'

/** The season as a picture: a line for each place, on it what was sprayed, done by hand and counted. */
const props = defineProps<{ picture: Schemas['LedgerPicture'] }>()
defineEmits<{ place: [id: string] }>()

const rowHeight = 34
const box = ref<HTMLElement>()
const { width } = useElementSize(box)
const dayNumber = (iso: string) => Date.parse(`${iso}T00:00Z`) / 86_400_000
const first = computed(() => dayNumber(props.picture.from))
const span = computed(() => Math.max(27, dayNumber(props.picture.to) - first.value))
const x = (iso: string) => 8 + ((dayNumber(iso) - first.value) / span.value) * Math.max(0, width.value - 16)
const months = computed(() => {
  const result: { iso: string; name: string }[] = []
  const end = dayNumber(props.picture.to)
  for (let at = new Date(`${props.picture.from}T00:00Z`); at.getTime() / 86_400_000 <= end;) {
    result.push({
      iso: at.toISOString().slice(0, 10),
      name: at.toLocaleDateString(writing(), { month: 'short', timeZone: 'UTC' }),
    })
    at = new Date(Date.UTC(at.getUTCFullYear(), at.getUTCMonth() + 1, 1))
  }
  return result
})
</script>

<template>
  <section class="card season" aria-labelledby="season-head">
    <header>
      <h2 id="season-head">{{ tell('ledger.theSeasonByPlace') }}</h2>
      <p class="soft small key" aria-hidden="true">
        <svg width="12" height="18"><rect x="1" y="1" width="10" height="16" class="spray-key" /></svg>
        {{ tell('ledger.sprayed') }}
        <svg width="12" height="12"><rect x="1" y="1" width="10" height="10" class="task" /></svg>
        {{ tell('garden.byHand') }}
        <svg width="14" height="14"><circle cx="7" cy="7" r="5" class="hit" /></svg>
        {{ tell('ledger.countedTheLargerTheMore') }}
      </p>
    </header>
    <div class="rows">
      <ul class="names">
        <li v-for="row in picture.rows" :key="row.placeId">
          <button type="button" :title="row.words" @click="$emit('place', row.placeId)">
            {{ row.place }}<span class="visually-hidden">: {{ row.words }}</span>
          </button>
        </li>
      </ul>
      <div ref="box" class="box">
        <svg v-if="width" :width="width" :height="picture.rows.length * rowHeight + 20" aria-hidden="true">
          <g v-for="m in months" :key="m.iso">
            <path :d="`M${x(m.iso)} 0V${picture.rows.length * rowHeight}`" class="month" />
            <text :x="x(m.iso) + 3" :y="picture.rows.length * rowHeight + 15">{{ m.name }}</text>
          </g>
          <g
            v-for="(row, i) in picture.rows"
            :key="row.placeId"
            :transform="`translate(0 ${i * rowHeight + rowHeight / 2})`"
          >
            <path :d="`M0 ${rowHeight / 2}H${width}`" class="line" />
            <template v-for="(m, k) in row.marks" :key="k">
              <rect
                v-if="m.kind === 'spray'"
                :x="x(m.on) - 6"
                y="-15"
                width="12"
                height="18"
                :fill="`url(#hatch-${m.hatch})`"
                class="spray"
              >
                <title>{{ civilDay(m.on) }}: {{ m.words }}</title>
              </rect>
              <rect v-else-if="m.kind === 'task'" :x="x(m.on) - 4" y="-9" width="8" height="8" class="task">
                <title>{{ civilDay(m.on) }}: {{ m.words }}</title>
              </rect>
              <circle
                v-else
                :cx="x(m.on)"
                cy="9"
                :r="m.share ? 2.5 + 4 * Math.sqrt(m.share) : 1.5"
                :class="m.share ? 'hit' : 'clean'"
              >
                <title>{{ civilDay(m.on) }}: {{ m.words }}</title>
              </circle>
            </template>
          </g>
        </svg>
      </div>
    </div>
  </section>
</template>

<style scoped>
header {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: baseline;
  justify-content: space-between;
}

.key {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
}

.rows {
  display: grid;
  grid-template-columns: minmax(96px, 170px) minmax(0, 1fr);
  margin-top: 8px;
}

.names li {
  height: 34px;
}

.names button {
  width: 100%;
  height: 34px;
  overflow: hidden;
  padding: 0 8px 0 0;
  border: 0;
  background: none;
  color: var(--ink);
  text-align: left;
  text-overflow: ellipsis;
  white-space: nowrap;
  cursor: pointer;
}

.names button:hover {
  text-decoration: underline;
}

.box {
  min-width: 0;
}

text {
  fill: var(--ink-soft);
  font-size: 12px;
}

.month,
.line {
  stroke: var(--line);
}

.spray,
.spray-key {
  stroke: var(--ink-soft);
}

.spray-key {
  fill: var(--surface);
}

.task {
  fill: var(--surface);
  stroke: var(--mauve);
  stroke-width: 2;
}

.hit {
  fill: var(--brick);
  fill-opacity: 0.75;
}

.clean {
  fill: var(--leaf-line);
}
</style>
