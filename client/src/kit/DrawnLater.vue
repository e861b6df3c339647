<script setup lang="ts">
import { useLater } from './useLater'
import { usePrinting } from './usePrinting'

/** Draws what it holds once the browser is idle: what stands further down must not hold up the answer above it. */
const there = useLater()
const printing = usePrinting()
</script>

<template>
  <slot v-if="there || printing" />
</template>
