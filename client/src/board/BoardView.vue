<script setup lang="ts">
import PlainWords from '@/kit/PlainWords.vue'
import { tell } from '@/language'
import ToldAround from '@/kit/ToldAround.vue'
import { useEventListener, useMediaQuery } from '@vueuse/core'
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { answer, api } from '@/api/client'
import type { Schemas } from '@/api/client'
import { useGarden, useGardenQuery } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import DrawnNear from '@/kit/DrawnNear.vue'
import { useCheckBacks } from '@/jobs/checkback/useCheckBack'
import { isControl, isTyping } from '@/shell/useKeys'
import { clamp, pan, type Span, zoom } from './axis'
import EveningPanel from './EveningPanel.vue'

/** Its drawing is most of what is to be read and made, and stands below or beside the answer. */
const BoardDrawing = defineAsyncComponent(() => import('./BoardDrawing.vue'))

const router = useRouter()
const { garden } = useGarden()
const { data, isPending, error, refetch } = useGardenQuery(['board'], (gardenId) =>
  answer(api.GET('/api/gardens/{gardenId}/board', { params: { path: { gardenId } } })),
)
// What is due is read here, so that it can be judged at the bed without a network.
useCheckBacks()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')

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
const selected = ref(0)

/** So many rows fit a screen. Beyond that, places with nothing to show are folded. */
const screenful = 12
const unfolded = ref(false)
const marked = (r: Schemas['RowAnswer']) => r.bands.length + r.dots.length + r.flags.length > 0
/** The Board with the rows that are shown. */
const shown = computed(() => {
  if (!data.value || unfolded.value) return data.value
  let room = screenful - data.value.rows.filter(marked).length
  return { ...data.value, rows: data.value.rows.filter((r) => marked(r) || room-- > 0) }
})
const rows = computed(() => shown.value?.rows ?? [])
const folded = computed(() => (data.value?.rows.length ?? 0) - rows.value.length)
watch(rows, ({ length }) => (selected.value = Math.max(0, Math.min(length - 1, selected.value))))

function open(index: number) {
  const row = rows.value[index]
  if (row) void router.push({ name: 'place', params: { placeId: row.placeId } })
}

useEventListener(document, 'keydown', (event: KeyboardEvent) => {
  if (!data.value || !span.value || isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey)
    return
  if (event.key === 'ArrowDown') selected.value = Math.min(rows.value.length - 1, selected.value + 1)
  else if (event.key === 'ArrowUp') selected.value = Math.max(0, selected.value - 1)
  else if (event.key === 'ArrowRight') span.value = pan(span.value, bounds.value, 12)
  else if (event.key === 'ArrowLeft') span.value = pan(span.value, bounds.value, -12)
  else if (event.key === '+') span.value = zoom(span.value, bounds.value, 0.6, now.value)
  else if (event.key === '-') span.value = zoom(span.value, bounds.value, 1 / 0.6, now.value)
  else if (event.key === 'Enter' && !isControl(event.target)) open(selected.value)
  else return
  event.preventDefault()
})

const change = (factor: number) =>
  span.value && (span.value = zoom(span.value, bounds.value, factor, now.value))
const move = (hours: number) => span.value && (span.value = pan(span.value, bounds.value, hours))
</script>

<template>
  <div class="board-page">
    <AsyncState v-if="!data" class="wait" :pending="isPending" :error="error" :retry="refetch" />
    <template v-else>
      <section class="board" :aria-label="tell('board.board')">
        <header>
          <h1>{{ data.gardenName }}</h1>
          <p class="soft"><PlainWords :text="data.sentence" /></p>
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
        <DrawnNear v-if="span && shown">
          <BoardDrawing
            v-model:selected="selected"
            :board="shown"
            :span="span"
            :time-zone="zone"
            @open="open"
          />
          <button
            v-if="folded > 0 || unfolded"
            class="fold"
            :aria-expanded="unfolded"
            @click="unfolded = !unfolded"
          >
            {{
              unfolded
                ? tell('board.foldPlacesWithNothing')
                : tell('board.nothingToShowInMore', { n: folded })
            }}
          </button>
        </DrawnNear>
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

.fold {
  min-height: 44px;
  padding: 8px 0;
  border: 0;
  background: none;
  font: inherit;
  color: var(--mauve-deep);
  text-decoration: underline;
  cursor: pointer;
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
}
</style>
