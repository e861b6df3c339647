<script setup lang="ts">
import { tell } from '@/language'
import { computed } from 'vue'
import { useGarden } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import PrintButton from '@/kit/PrintButton.vue'
import { day, inSentence } from '@/kit/format'
import { usePaper } from '@/kit/usePaper'
import { useWalk } from './useWalk'

/** The round on paper: where to look, what for, and room to write down what was counted. */
const { garden } = useGarden()
const { round, stops, later } = useWalk()
usePaper('210mm 297mm', '12mm')
const on = computed(() => (garden.value ? day(garden.value.now, garden.value.timeZoneId) : ''))
</script>

<template>
  <div class="page paper">
    <div class="actions no-print">
      <PrintButton size="large" :disabled="stops.length === 0" />
      <RouterLink :to="{ name: 'walk-sheet-in' }">{{ tell('walk.typeInTheSheet') }}</RouterLink>
      <RouterLink :to="{ name: 'walk' }">{{ tell('walk.backToTheWalk') }}</RouterLink>
    </div>
    <header>
      <h1>{{ tell('walk.walkSheet') }}</h1>
      <p class="soft">
        {{ tell('walk.countAffectedLeavesAmongThoseYou', { garden: garden?.name, on }) }}
      </p>
    </header>
    <AsyncState
      v-if="!round.data.value"
      :pending="round.isPending.value"
      :error="round.error.value"
      :retry="round.refetch"
    />
    <p v-else-if="stops.length === 0" class="note">{{ tell('walk.nothingIsGrowingYet') }}</p>
    <table v-else>
      <thead>
        <tr>
          <th scope="col">{{ tell('walk.placeAndCrop') }}</th>
          <th scope="col">{{ tell('walk.lookFirst') }}</th>
          <th scope="col">{{ tell('walk.turnedOver') }}</th>
          <th scope="col">{{ tell('walk.affected') }}</th>
          <th scope="col" class="wide">{{ tell('walk.signsAntsHelpers') }}</th>
        </tr>
      </thead>
      <tbody>
        <template v-for="stop in stops" :key="stop.placeId">
          <tr v-for="p in stop.plantings" :key="p.plantingId">
            <th scope="row">{{ stop.place }}: {{ inSentence(p.cropName) }}</th>
            <td>
              <p v-for="w in p.watch" :key="w.target">{{ w.name }}: {{ w.lookFirst }}</p>
            </td>
            <td />
            <td />
            <td />
          </tr>
        </template>
      </tbody>
    </table>
    <p v-if="later.length" class="soft">
      {{ tell('walk.leftForAnotherDay', { later: later.map((s) => s.place).join(', ') }) }}
    </p>
  </div>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
  background: var(--surface);
}

th,
td {
  padding: 6px 8px;
  border: 1px solid var(--line);
  text-align: left;
  vertical-align: top;
}

tbody tr {
  height: 44px;
  break-inside: avoid;
}

.wide {
  width: 26%;
}

/* A phone shows where to look; room to write is for the paper. */
@media screen and (max-width: 640px) {
  tr > :nth-child(n + 3) {
    display: none;
  }
}
</style>
