<script setup lang="ts">
import { generalLine } from './generalLine'
</script>

<template>
  <p class="note caution small">{{ generalLine }}</p>
</template>
