<script setup lang="ts">
import { civilDay, inSentence } from '@/kit/format'
import { tell } from '@/language'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenWrite, type Planting } from '@/garden/useGarden'
import { options, placeKindWords, stageWords, stanceWords } from '@/garden/words'
import FieldError from '@/kit/FieldError.vue'
import ChangePlace from './ChangePlace.vue'
import CarryPlanting from './CarryPlanting.vue'
import ChangePlanting from './ChangePlanting.vue'
import GardenRoom from './GardenRoom.vue'
import NewPlace from './NewPlace.vue'
import NewPlanting from './NewPlanting.vue'
import PlanOfBeds from './PlanOfBeds.vue'
import { told } from '@/kit/household'

const { garden, memberId } = useGarden()
const addingPlace = ref(false)
const plantingIn = ref<string>()
const changing = ref<string>()
/** Which planting is put right or carried, and where: once it stands elsewhere the form is done. */
const puttingRight = ref<string>()
const carrying = ref<string>()
const at = (placeId: string, planting: Planting) => `${placeId}/${planting.id}`
function close(placeId: string, planting: Planting) {
  for (const open of [puttingRight, carrying])
    if (open.value === at(placeId, planting)) open.value = undefined
}

/** For bees, as a decoy, as a side of a trial: nothing is proposed for it. */
const leave = useGardenWrite(async (gardenId, planting: Planting) => {
  if (planting.leftAlone)
    await answer(
      api.DELETE('/api/gardens/{gardenId}/plan/choices/{choiceId}', {
        params: {
          path: { gardenId, choiceId: planting.leftAlone },
          query: { member: memberId.value ?? undefined },
        },
      }),
    )
  else
    await answer(
      api.POST('/api/gardens/{gardenId}/plan/choices', {
        params: { path: { gardenId } },
        body: {
          id: crypto.randomUUID(),
          word: 'leaveAlone',
          plantingId: planting.id,
          memberId: memberId.value,
        },
      }),
    )
})

/** From so many places on they are looked for by a word. */
const manyPlaces = 8
const wanted = ref('')
const shown = computed(() => {
  const word = wanted.value.trim().toLowerCase()
  return (garden.value?.places ?? []).filter((place) =>
    [place.name, placeKindWords[place.kind], ...place.plantings.flatMap((p) => [p.cropName, p.variety ?? ''])]
      .join(' ')
      .toLowerCase()
      .includes(word),
  )
})

const change = useGardenWrite(
  (gardenId, { planting, ...now }: { planting: Planting } & Partial<Schemas['PlantingChange']>) =>
    answer(
      api.PUT('/api/gardens/{gardenId}/plantings/{plantingId}', {
        params: { path: { gardenId, plantingId: planting.id } },
        body: {
          stage: planting.stage,
          inFlower: planting.inFlower,
          ended: false,
          memberId: memberId.value,
          ...now,
        },
      }),
    ),
)
</script>

<template>
  <GardenRoom v-slot="{ garden: known }">
    <div class="page-head">
      <h2>{{ tell('beds.places') }}</h2>
      <label v-if="known.places.length > manyPlaces" class="find"
        >{{ tell('beds.find') }} <InputText v-model="wanted" :placeholder="tell('beds.aPlaceOrACrop')"
      /></label>
      <Button
        v-if="!addingPlace"
        :label="tell('beds.addAPlace')"
        variant="outlined"
        @click="addingPlace = true"
      />
    </div>
    <NewPlace v-if="addingPlace" @done="addingPlace = false" />
    <PlanOfBeds />
    <FieldError :problem="change.error.value" />
    <p v-if="known.places.length === 0" class="note">
      {{ tell('beds.noPlaceYetAddTheFirst') }}
    </p>
    <p v-else-if="shown.length === 0" class="note" role="status">
      {{ tell('beds.noPlaceAndNoCrop') }}
      <Button :label="tell('beds.showAll')" size="small" variant="text" @click="wanted = ''" />
    </p>
    <ol class="places">
      <li v-for="place in shown" :key="place.id" class="card">
        <div class="place">
          <h3>
            <RouterLink :to="{ name: 'place', params: { placeId: place.id } }">{{ place.name }}</RouterLink>
          </h3>
          <p class="soft">
            {{
              tell('beds.hOfSun', {
                placeKindWords: placeKindWords[place.kind],
                areaM2: told('area', place.areaM2),
                sunHours: place.sunHours,
                stanceWords: inSentence(stanceWords[place.stance]),
              })
            }}
          </p>
          <Button
            v-if="changing !== place.id"
            :label="tell('beds.change')"
            variant="text"
            size="small"
            :aria-label="tell('beds.change2', { name: place.name })"
            @click="changing = place.id"
          />
          <Button
            v-if="plantingIn !== place.id"
            :label="tell('board.plantSomething')"
            variant="text"
            size="small"
            :aria-label="tell('beds.plantSomething', { place: place.name })"
            @click="plantingIn = place.id"
          />
        </div>
        <ChangePlace v-if="changing === place.id" :place="place" @done="changing = undefined" />
        <ul>
          <li v-for="p in place.plantings" :key="p.id" class="planting">
            <span class="crop"
              >{{ p.cropName }} <span class="soft">{{ p.variety }}</span><span
                v-if="p.leftAlone"
                class="alone"
                >{{ tell('beds.leftAloneOnPurpose') }}</span
              ><span v-if="p.apartUntil" class="alone">{{
                tell('beds.apartUntil', { date: civilDay(p.apartUntil) })
              }}</span></span
            >
            <Select
              :model-value="p.stage"
              :options="options(stageWords)"
              option-label="label"
              option-value="value"
              :aria-label="tell('beds.stageOf', { cropName: p.cropName })"
              @update:model-value="change.mutate({ planting: p, stage: $event })"
            />
            <label class="flower"
              ><input
                type="checkbox"
                :checked="p.inFlower"
                @change="change.mutate({ planting: p, inFlower: !p.inFlower })"
              />
              {{ tell('beds.inFlower') }}</label
            >
            <Button
              :label="tell('garden.cleared')"
              variant="text"
              :aria-label="tell('beds.isCleared', { cropName: p.cropName })"
              @click="change.mutate({ planting: p, ended: true })"
            />
            <Button
              :label="p.leftAlone ? tell('beds.tendItAgain') : tell('beds.leaveAlone')"
              variant="text"
              :aria-label="
                p.leftAlone
                  ? tell('beds.tendItAgain2', { cropName: p.cropName, place: place.name })
                  : tell('beds.leaveItAloneOnPurpose', { cropName: p.cropName, place: place.name })
              "
              @click="leave.mutate(p)"
            />
            <Button
              v-if="carrying !== at(place.id, p)"
              :label="tell('beds.carry')"
              variant="text"
              :aria-label="tell('beds.carry2', { cropName: p.cropName, place: place.name })"
              @click="carrying = at(place.id, p)"
            />
            <Button
              v-if="puttingRight !== at(place.id, p)"
              :label="tell('beds.putRight2')"
              variant="text"
              :aria-label="tell('beds.putRight3', { cropName: p.cropName, place: place.name })"
              @click="puttingRight = at(place.id, p)"
            />
            <ChangePlanting v-else :planting="p" :place-id="place.id" @done="close(place.id, p)" />
            <CarryPlanting
              v-if="carrying === at(place.id, p)"
              :planting="p"
              :place-id="place.id"
              @done="close(place.id, p)"
            />
          </li>
        </ul>
        <NewPlanting v-if="plantingIn === place.id" :place-id="place.id" @done="plantingIn = undefined" />
      </li>
    </ol>
  </GardenRoom>
</template>

<style scoped>
.find {
  display: flex;
  align-items: center;
  gap: 8px;
}

.places {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}

.place {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  align-items: baseline;
}

.place p {
  flex: 1 1 260px;
}

.places > li {
  content-visibility: auto;
  contain-intrinsic-size: auto 160px;
}

.planting {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: center;
  padding: 6px 0;
  border-top: 1px solid var(--line);
}

.crop {
  flex: 1 1 160px;
}

.alone {
  margin-left: 8px;
  padding: 0 8px;
  border: 1px solid var(--leaf-line);
  border-radius: var(--radius);
  background: var(--leaf-soft);
  color: var(--leaf-ink);
  font-size: 0.9rem;
}

.flower {
  display: flex;
  align-items: center;
  gap: 6px;
  min-height: 44px;
}

.flower input {
  width: 20px;
  height: 20px;
  accent-color: var(--mauve);
}
</style>
