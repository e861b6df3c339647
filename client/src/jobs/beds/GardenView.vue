<script setup lang="ts">
import Button from 'primevue/button'
import Select from 'primevue/select'
import { ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenWrite, type Planting } from '@/garden/useGarden'
import { options, placeKindWords, stageWords, stanceWords, waterWords } from '@/garden/words'
import AsyncState from '@/kit/AsyncState.vue'
import FieldError from '@/kit/FieldError.vue'
import SelectField from '@/kit/SelectField.vue'
import { useGardenSettings } from '@/garden/useGardenSettings'
import StanceChoice from '../decide/StanceChoice.vue'
import CopiesCard from '../archive/CopiesCard.vue'
import WholeGarden from '../archive/WholeGarden.vue'
import ChangePlace from './ChangePlace.vue'
import ChangePlanting from './ChangePlanting.vue'
import FreeHours from './FreeHours.vue'
import PhonesCard from '../home/PhonesCard.vue'
import HouseholdCard from './HouseholdCard.vue'
import NewPlace from './NewPlace.vue'
import NewPlanting from './NewPlanting.vue'
import SiteCard from './SiteCard.vue'
import UnitsCard from './UnitsCard.vue'
import { told } from '@/kit/household'

const { garden, query, memberId } = useGarden()
const addingPlace = ref(false)
const plantingIn = ref<string>()
const changing = ref<string>()
const puttingRight = ref<string>()

const settings = useGardenSettings()
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
  <div class="page">
    <AsyncState
      v-if="!garden"
      :pending="query.isPending.value"
      :error="query.error.value"
      :retry="query.refetch"
    />
    <template v-else>
      <div class="page-head">
        <h1>{{ garden.name }}</h1>
        <p class="soft">{{ garden.latitude }}, {{ garden.longitude }} · {{ garden.timeZoneId }}</p>
      </div>
      <section class="card stack">
        <StanceChoice what="stance" />
        <StanceChoice what="approach" />
      </section>
      <section class="card two">
        <SelectField
          :model-value="garden.water"
          :options="options(waterWords)"
          label="Water for mixing"
          @update:model-value="settings.mutate({ water: $event })"
        />
        <label class="tick"
          ><input
            type="checkbox"
            :checked="garden.onlyLabelled"
            @change="settings.mutate({ onlyLabelled: !garden.onlyLabelled })"
          />
          Only labelled products here: home mixes are neither proposed nor mixed</label
        >
        <FieldError :problem="settings.error.value" />
      </section>
      <SiteCard />
      <UnitsCard />
      <FreeHours />
      <HouseholdCard />
      <PhonesCard />
      <div class="page-head">
        <h2>Places</h2>
        <Button v-if="!addingPlace" label="Add a place" variant="outlined" @click="addingPlace = true" />
      </div>
      <NewPlace v-if="addingPlace" @done="addingPlace = false" />
      <FieldError :problem="change.error.value" />
      <ol class="places">
        <li v-for="place in garden.places" :key="place.id" class="card">
          <div class="page-head">
            <h3>
              <RouterLink :to="{ name: 'place', params: { placeId: place.id } }">{{ place.name }}</RouterLink>
            </h3>
            <p class="soft">
              {{ placeKindWords[place.kind] }}, {{ told('area', place.areaM2) }}, {{ place.sunHours }} h of
              sun, {{ stanceWords[place.stance].toLowerCase() }}
            </p>
            <Button
              v-if="changing !== place.id"
              label="Change"
              variant="text"
              size="small"
              :aria-label="`Change ${place.name}`"
              @click="changing = place.id"
            />
          </div>
          <ChangePlace v-if="changing === place.id" :place="place" @done="changing = undefined" />
          <ul>
            <li v-for="p in place.plantings" :key="p.id" class="planting">
              <span class="crop"
                >{{ p.cropName }} <span class="soft">{{ p.variety }}</span></span
              >
              <Select
                :model-value="p.stage"
                :options="options(stageWords)"
                option-label="label"
                option-value="value"
                :aria-label="`Stage of ${p.cropName}`"
                @update:model-value="change.mutate({ planting: p, stage: $event })"
              />
              <label class="flower"
                ><input
                  type="checkbox"
                  :checked="p.inFlower"
                  @change="change.mutate({ planting: p, inFlower: !p.inFlower })"
                />
                in flower</label
              >
              <Button
                label="Cleared"
                variant="text"
                :aria-label="`${p.cropName} is cleared`"
                @click="change.mutate({ planting: p, ended: true })"
              />
              <Button
                v-if="puttingRight !== p.id"
                label="Put right"
                variant="text"
                :aria-label="`Put right: ${p.cropName} in ${place.name}`"
                @click="puttingRight = p.id"
              />
              <ChangePlanting v-else :planting="p" :place-id="place.id" @done="puttingRight = undefined" />
            </li>
          </ul>
          <NewPlanting v-if="plantingIn === place.id" :place-id="place.id" @done="plantingIn = undefined" />
          <Button
            v-else
            label="Plant something"
            variant="text"
            :aria-label="`Plant something in ${place.name}`"
            @click="plantingIn = place.id"
          />
        </li>
      </ol>
      <WholeGarden />
      <CopiesCard />
    </template>
  </div>
</template>

<style scoped>
.stack {
  display: grid;
  gap: 18px;
}

.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
  gap: 14px;
}

.tick {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 44px;
}

.tick input {
  flex: none;
  width: 22px;
  height: 22px;
  accent-color: var(--mauve);
}

.places {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 460px), 1fr));
  gap: 12px;
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
  flex: 1 1 120px;
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
