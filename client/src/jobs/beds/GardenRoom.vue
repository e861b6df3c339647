<script setup lang="ts">
import { positionTold } from '@/kit/format'
import { tell } from '@/language'
import { useGarden } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import TabRow from '@/kit/TabRow.vue'

/** One of the four rooms of the garden, with the way to the others and its name above; what is in it shows once the garden is known. */
const { garden, query } = useGarden()
const rooms = [
  { name: 'garden', label: tell('beds.placesAndPlantings') },
  { name: 'garden-ways', label: tell('beds.howWeGarden') },
  { name: 'garden-household', label: tell('beds.householdAndTools') },
  { name: 'garden-app', label: tell('beds.thisMauvaise') },
]
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
      <TabRow :label="tell('beds.roomsOfTheGarden')" :links="rooms" />
      <div class="page-head">
        <h1>{{ garden.name }}</h1>
        <p class="soft">{{ positionTold(garden.latitude, garden.longitude) }} · {{ garden.timeZoneId }}</p>
      </div>
      <slot :garden="garden" />
    </template>
  </div>
</template>
