<script setup lang="ts">
import PhonesCard from '../home/PhonesCard.vue'
import GardenNav from './GardenNav.vue'
import HouseholdCard from './HouseholdCard.vue'
import UnitsCard from './UnitsCard.vue'
</script>

<template>
  <GardenNav>
    <HouseholdCard />
    <UnitsCard />
    <PhonesCard />
  </GardenNav>
</template>
