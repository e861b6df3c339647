<script setup lang="ts">
import { useLater } from './useLater'

/** Draws what it holds once the browser is idle: what stands further down must not hold up the answer above it. */
const there = useLater()
</script>

<template>
  <slot v-if="there" />
  <slot v-else name="before" />
</template>
