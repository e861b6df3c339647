<script setup lang="ts">
import { tell } from '@/language'
</script>

<template>
  <div class="page narrow">
    <h1>{{ tell('shell.thereIsNothingAtThisAddress') }}</h1>
    <p>
      <RouterLink to="/">{{ tell('checkback.toTheBoard') }}</RouterLink>
    </p>
  </div>
</template>
