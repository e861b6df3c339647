<script setup lang="ts">
import { tell } from '@/language'
import ToldAround from '@/kit/ToldAround.vue'
import Button from 'primevue/button'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { answer, api } from '@/api/client'
import { useGarden, useGardenQuery } from '@/garden/useGarden'
import { placeKindWords, stanceWords } from '@/garden/words'
import AsyncState from '@/kit/AsyncState.vue'
import { dayAndClock, inSentence, percent } from '@/kit/format'
import StanceChoice from '../decide/StanceChoice.vue'
import PickDays from './PickDays.vue'
import ReadingsCard from './ReadingsCard.vue'
import TroubleCard from './TroubleCard.vue'

const props = defineProps<{ placeId: string }>()
const router = useRouter()
const { garden } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const { data, isPending, error, refetch } = useGardenQuery(
  computed(() => ['place', props.placeId]),
  (gardenId) =>
    answer(
      api.GET('/api/gardens/{gardenId}/places/{placeId}/outlook', {
        params: { path: { gardenId, placeId: props.placeId } },
      }),
    ),
)
/** What was found, planting by planting; then what is likely, once for all its crops, by today's pressure. */
const troubles = computed(() => {
  const all = data.value?.troubles ?? []
  const found = all.filter((t) => t.foundOn !== null)
  const likely = all.filter((t) => !found.some((f) => f.target === t.target))
  const once = likely
    .filter((t, i) => likely.findIndex((x) => x.target === t.target) === i)
    .map((t) => ({
      ...t,
      cropName: likely
        .filter((x) => x.target === t.target)
        .map((x) => x.cropName)
        .join(', '),
    }))
  return [...found, ...once].sort(
    (a, b) =>
      Number(b.foundOn !== null) - Number(a.foundOn !== null) || today(b.pressure) - today(a.pressure),
  )
})
const today = (days: { day: string; value: number }[]) =>
  days.find((d) => d.day === data.value?.today)?.value ?? 0
</script>

<template>
  <div class="page">
    <AsyncState v-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <template v-else>
      <div class="page-head">
        <h1>{{ data.place.name }}</h1>
        <p class="soft">
          {{ placeKindWords[data.place.kind] }},
          {{
            data.place.plantings.map((p) => inSentence(p.cropName)).join(', ') ||
            tell('board.nothingPlanted')
          }},
          {{ inSentence(stanceWords[data.place.stance]) }}
        </p>
      </div>
      <div class="actions">
        <Button
          :label="tell('place.countHere')"
          :disabled="data.place.plantings.length === 0"
          @click="router.push({ name: 'walk', query: { planting: data.place.plantings.map((p) => p.id) } })"
        />
        <Button
          :label="tell('board.decide')"
          variant="outlined"
          :disabled="data.place.plantings.length === 0"
          @click="router.push({ name: 'decide' })"
        />
        <Button
          :label="tell('place.itsStory')"
          variant="outlined"
          @click="router.push({ name: 'story', params: { placeId } })"
        />
        <Button
          :label="tell('place.goodHours')"
          variant="outlined"
          :disabled="data.place.plantings.length === 0"
          @click="router.push({ name: 'hours', query: { planting: data.place.plantings.map((p) => p.id) } })"
        />
      </div>
      <p class="soft">
        {{ tell('place.cover', { coverNow: percent(data.coverNow) })
        }}<template v-if="data.coverFloor > 0"
          >,
          {{
            data.coverNow < data.coverFloor
              ? tell('place.underTheThatYouKeepUp', { coverFloor: percent(data.coverFloor) })
              : data.lapsesOn
                ? tell('place.lapsesUnder', {
                    coverFloor: percent(data.coverFloor),
                    dayAndClock: dayAndClock(data.lapsesOn, zone),
                  })
                : tell('place.holdsForAllThatIsKnown')
          }}</template
        >.
      </p>
      <details class="card">
        <summary>
          {{ tell('place.whenYouSprayHere', { stanceWords: inSentence(stanceWords[data.place.stance]) }) }}
        </summary>
        <StanceChoice what="stance" :place-id="data.place.id" :own="data.place.ownStance" />
      </details>
      <PickDays v-if="data.place.plantings.length" :plantings="data.place.plantings" :today="data.today" />
      <ReadingsCard :place-id="data.place.id" />
      <p v-if="troubles.length === 0" class="note">
        {{ tell('place.nothingGrowsHereNow') }}
        <ToldAround :sentence="(it) => tell('place.plantSomethingAndItIsWatched', { it })"
          ><RouterLink :to="{ name: 'garden' }">{{ tell('board.plantSomething') }}</RouterLink></ToldAround
        >
      </p>
      <div v-else class="troubles">
        <TroubleCard v-for="t in troubles" :key="t.plantingId + t.target" :trouble="t" :today="data.today" />
      </div>
    </template>
  </div>
</template>

<style scoped>
summary {
  min-height: 32px;
  font-weight: 600;
}

.troubles {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 420px), 1fr));
  gap: 12px;
}
</style>
