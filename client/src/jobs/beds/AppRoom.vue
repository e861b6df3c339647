<script setup lang="ts">
import CopiesCard from '../archive/CopiesCard.vue'
import WholeGarden from '../archive/WholeGarden.vue'
import WeatherService from '../weather/WeatherService.vue'
import GardenRoom from './GardenRoom.vue'
import SiteCard from './SiteCard.vue'
</script>

<template>
  <GardenRoom>
    <SiteCard />
    <WeatherService />
    <WholeGarden />
    <CopiesCard />
  </GardenRoom>
</template>
