<script setup lang="ts">
import { chance } from '@/kit/format'

/** A name, how likely it is as a bar, and in figures: three cells of a row. */
defineProps<{ name: string; probability: number }>()
</script>

<template>
  <span class="name">{{ name }}</span>
  <span class="bar" aria-hidden="true"><i :style="{ width: `${probability * 100}%` }" /></span>
  <span class="share">{{ chance(probability) }}</span>
</template>

<style scoped>
.bar {
  height: 10px;
  background: var(--paper);
}

.bar i {
  display: block;
  height: 100%;
  min-width: 2px;
  background: var(--mauve);
}

.share {
  text-align: right;
}
</style>
