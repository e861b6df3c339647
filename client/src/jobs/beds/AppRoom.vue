<script setup lang="ts">
import CopiesCard from '../archive/CopiesCard.vue'
import WholeGarden from '../archive/WholeGarden.vue'
import WeatherService from '../weather/WeatherService.vue'
import GardenNav from './GardenNav.vue'
import SiteCard from './SiteCard.vue'
</script>

<template>
  <GardenNav>
    <SiteCard />
    <WeatherService />
    <WholeGarden />
    <CopiesCard />
  </GardenNav>
</template>
