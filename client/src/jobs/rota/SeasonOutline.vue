<script setup lang="ts">
import { tell } from '@/language'
import { computed } from 'vue'
import { civilDay, inSentence } from '@/kit/format'
import type { Rota } from './useRota'

/** Beyond the fortnight, by weeks: what is expected where, with its group. */
const props = defineProps<{ rota: Rota }>()
const weeks = computed(() =>
  [...new Set(props.rota.outline.map((e) => e.weekOf))].map((week) => ({
    week,
    entries: props.rota.outline
      .filter((e) => e.weekOf === week)
      .map((e) => ({
        ...e,
        place: props.rota.places.find((p) => p.id === e.placeId)?.name ?? '',
      }))
      .filter(
        (e, i, all) => all.findIndex((x) => x.placeId === e.placeId && x.material === e.material) === i,
      ),
  })),
)
</script>

<template>
  <section class="card" aria-labelledby="outline-head">
    <h2 id="outline-head">{{ tell('rota.theSeasonBeyond') }}</h2>
    <p v-if="weeks.length === 0" class="soft">
      {{ tell('rota.nothingIsExpectedYetPlaces') }}
    </p>
    <ol v-else>
      <li v-for="w in weeks" :key="w.week">
        <span class="soft">{{ tell('rota.weekOf', { slice: civilDay(w.week).slice(4) }) }}</span>
        <span>
          {{
            w.entries
              .map((e) =>
                tell('rota.placeAgainst', {
                  place: e.place,
                  material: inSentence(e.material),
                  targetName: inSentence(e.targetName),
                }),
              )
              .join('; ')
          }}
        </span>
      </li>
    </ol>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
}

li {
  display: grid;
  grid-template-columns: 8.5em 1fr;
  gap: 8px;
  padding: 4px 0;
  border-top: 1px solid var(--line);
}
</style>
