<script setup lang="ts">
import { tell, writing } from '@/language'
import { dateFormat } from '@/language/formatters'
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api } from '@/api/client'
import { timeScale } from '@/board/timeScale'
import PlaceRow from '@/board/PlaceRow.vue'
import HatchPatterns from '@/drawings/HatchPatterns.vue'
import { useGarden, useGardenQuery } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import SelectField from '@/kit/SelectField.vue'
import { day } from '@/kit/format'

/** The season of a place: the Board's row over its whole length, and under it what was found, done and came of it. */
const props = defineProps<{ placeId: string }>()
const route = useRoute()
const router = useRouter()
const { gardenId, garden } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const year = computed(() => (route.query.year ? Number(route.query.year) : undefined))
const { data, isPending, error, refetch } = useGardenQuery(
  computed(() => ['story', props.placeId, year.value]),
  (id) =>
    answer(
      api.GET('/api/gardens/{gardenId}/places/{placeId}/story', {
        params: { path: { gardenId: id, placeId: props.placeId }, query: { year: year.value } },
      }),
    ),
)
const plot = ref<HTMLElement>()
const { width } = useElementSize(plot)
const x = computed(() =>
  timeScale(
    { from: Date.parse(data.value?.start ?? ''), to: Date.parse(data.value?.end ?? '') },
    Math.max(1, width.value),
  ),
)
const now = computed(() => Date.parse(data.value?.now ?? ''))
const month = (at: string) =>
  dateFormat(writing(), { timeZone: zone.value, month: 'short' }).format(new Date(at))
/** The months that have room for their name. */
const named = computed(() => {
  let last = -Infinity
  return (data.value?.days ?? []).filter((d) => {
    const at = x.value(Date.parse(d))
    if (at - last < 44 || at > width.value - 30) return false
    last = at
    return true
  })
})
const seasons = computed(() =>
  (data.value?.seasons ?? []).map((s) => ({ value: String(s.year), label: s.name })),
)
const photo = (id: string) => `/api/gardens/${gardenId.value}/photos/${id}`
</script>

<template>
  <div class="page paper">
    <HatchPatterns />
    <AsyncState v-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <template v-else>
      <div class="page-head">
        <h1>{{ data.name }}, {{ data.season.name }}</h1>
        <RouterLink class="no-print" :to="{ name: 'place', params: { placeId } }">{{
          tell('story.whatMayComeNextHere')
        }}</RouterLink>
        <SelectField
          v-if="seasons.length > 1"
          class="season no-print"
          :label="tell('almanac.season')"
          :model-value="String(data.season.year)"
          :options="seasons"
          @update:model-value="router.replace({ query: { year: $event } })"
        />
      </div>
      <section class="card drawn" :aria-label="tell('story.coverCountsAndCheckBacksOver')">
        <div ref="plot">
          <PlaceRow :row="data.row" :days="data.days" :x="x" :width="width" :now="now" :time-zone="zone" />
          <svg class="months" :width="width" height="18" aria-hidden="true">
            <text v-for="d in named" :key="d" :x="x(Date.parse(d)) + 3" y="13">{{ month(d) }}</text>
            <line class="now" :x1="x(now)" :x2="x(now)" y1="0" y2="18" />
          </svg>
        </div>
      </section>
      <p v-if="data.chapters.length === 0" class="note">{{ tell('story.nothingGrewHereInThisSeason') }}</p>
      <article v-for="c in data.chapters" :key="c.plantingId + (c.target ?? '')" class="card">
        <h2>{{ c.title }}</h2>
        <ol>
          <li v-for="(l, i) in c.lines" :key="i" :class="l.kind">
            <time :datetime="l.at">{{ day(l.at, zone) }}</time>
            <span class="mark" aria-hidden="true" />
            <div>
              <RouterLink
                v-if="l.kind === 'done' && c.target"
                class="plain"
                :to="{ name: 'ledger', query: { place: placeId, target: c.target } }"
                >{{ l.sentence }}</RouterLink><template v-else>{{ l.sentence }}</template>
              <span v-if="l.photoIds.length" class="photos">
                <a v-for="id in l.photoIds" :key="id" :href="photo(id)" target="_blank" rel="noopener"
                  ><img :src="`${photo(id)}/small`" :alt="tell('story.photoOpenItLarge')" loading="lazy"
                /></a>
              </span>
            </div>
          </li>
        </ol>
        <p class="ending">{{ c.ending }}</p>
      </article>
    </template>
  </div>
</template>

<style scoped>
.season {
  margin-left: auto;
  min-width: 120px;
}

.drawn {
  padding: 10px 0;
}

.months {
  display: block;
}

.months text {
  fill: var(--ink-soft);
  font-size: 0.8rem;
}

.now {
  stroke: var(--mauve);
  stroke-width: 2;
}

article {
  display: grid;
  gap: 10px;
}

li {
  display: grid;
  grid-template-columns: 92px 14px minmax(0, 1fr);
  gap: 0 10px;
  padding: 3px 0;
}

time {
  color: var(--ink-soft);
  text-align: right;
}

.mark {
  position: relative;
  width: 2px;
  margin: 0 auto -6px;
  background: var(--line);
}

.mark::before {
  content: '';
  position: absolute;
  top: 5px;
  left: -5px;
  width: 12px;
  height: 12px;
  box-sizing: border-box;
  background: var(--surface);
  border: 2px solid var(--ink-soft);
}

.found .mark::before {
  border-color: var(--brick);
  border-radius: 50%;
}

.clean .mark::before {
  border-color: var(--leaf-line);
  border-radius: 50%;
}

.done .mark::before {
  border-color: var(--mauve);
  background: var(--mauve);
}

.judged .mark::before {
  border-color: var(--amber-line);
  transform: rotate(45deg);
}

.plain {
  color: inherit;
  text-decoration-color: var(--line);
}

.photos {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 6px 0;
}

.photos img {
  height: 76px;
  border-radius: var(--radius);
}

.ending {
  font-weight: 600;
}

@media (max-width: 640px) {
  li {
    grid-template-columns: 76px 14px minmax(0, 1fr);
    gap: 0 6px;
  }
}
</style>
