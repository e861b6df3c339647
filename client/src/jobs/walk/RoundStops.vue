<script setup lang="ts">
import { tell } from '@/language'
import LeafDrawing from '@/drawings/LeafDrawing.vue'
import { sentences } from '@/garden/words'
import { day, inSentence, percent } from '@/kit/format'
import type { PlaceStop, PlantingStop } from './useWalk'

/** The places of the round in their order, each planting a link to its count. */
const props = defineProps<{
  stops: PlaceStop[]
  seen: ReadonlySet<string>
  skipped: ReadonlySet<string>
  /** Plantings that a link from elsewhere asked for. */
  wanted: ReadonlySet<string>
  zone: string
  /** The place whose reasons stand above the list already. */
  told: string | undefined
}>()

const state = (stop: PlaceStop, p: PlantingStop) => {
  if (props.seen.has(p.plantingId)) return 'seen'
  if (props.skipped.has(stop.placeId)) return 'skipped'
  if (!p.lastSeen) return tell('walk.notLookedAtYet')
  const last = p.lastAffected > 0 ? percent(p.lastAffected / p.lastLooked) : tell('trials.clean')
  return tell('walk.on', { last, day: day(p.lastSeen, props.zone) })
}
</script>

<template>
  <ol class="list">
    <li v-for="stop in stops" :key="stop.placeId">
      <p class="why soft small">
        <strong>{{ stop.place }}</strong>{{ ' '
        }}<template v-if="stop.placeId !== told">{{ sentences(stop.why, ' · ') }}</template>
      </p>
      <RouterLink
        v-for="p in stop.plantings"
        :key="p.plantingId"
        :to="{ name: 'count', params: { plantingId: p.plantingId } }"
        :class="{
          wanted: wanted.has(p.plantingId),
          done: seen.has(p.plantingId) || skipped.has(stop.placeId),
        }"
      >
        <LeafDrawing :leaf="p.leaf" :size="34" />
        <span>
          <strong>{{ stop.place }}: {{ inSentence(p.cropName) }}</strong>
          <span class="soft">{{ p.watch[0]?.lookFirst }}</span>
        </span>
        <span class="soft small state">{{ state(stop, p) }}</span>
      </RouterLink>
    </li>
  </ol>
</template>

<style scoped>
.list {
  display: grid;
  gap: 14px;
}

.why {
  padding-bottom: 4px;
}

a {
  display: grid;
  grid-template-columns: 40px 1fr auto;
  gap: 12px;
  align-items: center;
  min-height: 60px;
  padding: 8px 12px;
  color: var(--ink);
  text-decoration: none;
  background: var(--surface);
  border: 1px solid var(--line);
}

a + a {
  border-top: 0;
}

a:hover {
  background: var(--mauve-soft);
}

a.wanted {
  border-left: 4px solid var(--mauve);
}

a.done {
  background: var(--paper);
}

a > span {
  display: grid;
}

@media (max-width: 640px) {
  a {
    grid-template-columns: 40px 1fr;
  }

  .state {
    grid-column: 2;
  }
}
</style>
