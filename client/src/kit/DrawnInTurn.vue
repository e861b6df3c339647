<script setup lang="ts">
import { ref } from 'vue'
import { nextTurn } from './nextTurn'

/** Draws what it holds at once, but by itself: what stands before it is on the screen by then, and a touch between them is answered. */
const there = ref(false)
void nextTurn().then(() => (there.value = true))
</script>

<template>
  <slot v-if="there" />
</template>
