<script setup lang="ts">
import { tell } from '@/language'
</script>

<!-- What a garden without a planting is told first, and the one deed that comes before all others. -->
<template>
  <p class="soft">
    {{ tell('board.nothingIsPlantedYet') }}
    <RouterLink :to="{ name: 'garden' }">{{ tell('board.plantSomething') }}</RouterLink>
  </p>
</template>
