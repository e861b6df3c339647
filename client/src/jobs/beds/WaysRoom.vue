<script setup lang="ts">
import { tell } from '@/language'
import { options, waterWords } from '@/garden/words'
import { useGardenSettings } from '@/garden/useGardenSettings'
import FieldError from '@/kit/FieldError.vue'
import SelectField from '@/kit/SelectField.vue'
import StanceChoice from '../decide/StanceChoice.vue'
import FreeHours from './FreeHours.vue'
import GardenRoom from './GardenRoom.vue'
import OwnKindsCard from './OwnKindsCard.vue'

const settings = useGardenSettings()
</script>

<template>
  <GardenRoom v-slot="{ garden }">
    <section class="card stack">
      <StanceChoice what="stance" />
      <StanceChoice what="approach" />
    </section>
    <section class="card two">
      <SelectField
        :model-value="garden.water"
        :options="options(waterWords)"
        :label="tell('beds.waterForMixing')"
        @update:model-value="settings.mutate({ water: $event })"
      />
      <label class="tick"
        ><input
          type="checkbox"
          :checked="garden.onlyLabelled"
          @change="settings.mutate({ onlyLabelled: !garden.onlyLabelled })"
        />
        {{ tell('beds.onlyLabelledProductsHereHomeMixes') }}</label
      >
      <FieldError :problem="settings.error.value" />
    </section>
    <FreeHours />
    <OwnKindsCard />
  </GardenRoom>
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
</style>
