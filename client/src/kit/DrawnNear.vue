<script setup lang="ts">
import { useIntersectionObserver } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useLater } from './useLater'
import { usePrinting } from './usePrinting'

/**
 * Draws what it holds once the browser is idle and it is nearly in sight, and keeps it: what a phone shows far below is most often never scrolled to.
 */
const idle = useLater()
const printing = usePrinting()
const room = ref<HTMLElement>()
const near = ref(!('IntersectionObserver' in window))
const { stop } = useIntersectionObserver(
  room,
  (entries) => {
    if (!entries.some((e) => e.isIntersecting)) return
    near.value = true
    stop()
  },
  // Half a screen ahead of the thumb.
  { rootMargin: '50% 0px' },
)
const there = computed(() => printing.value || (idle.value && near.value))
</script>

<template>
  <slot v-if="there" />
  <div v-else ref="room" class="room" />
</template>

<style scoped>
.room {
  min-height: 60vh;
}
</style>
