<script setup lang="ts">
import PhonesCard from '../home/PhonesCard.vue'
import LettersCard from '../mail/LettersCard.vue'
import GardenRoom from './GardenRoom.vue'
import HouseholdCard from './HouseholdCard.vue'
import UnitsCard from './UnitsCard.vue'
</script>

<template>
  <GardenRoom>
    <HouseholdCard />
    <UnitsCard />
    <PhonesCard />
    <LettersCard />
  </GardenRoom>
</template>
