<script setup lang="ts">
import { tell } from '@/language'
import { useIntervalFn } from '@vueuse/core'
import Button from 'primevue/button'
import { computed, ref } from 'vue'

/** Counts the minute between two shakes; says so when it is over, also to the hand. */
const everySeconds = 60
const left = ref(everySeconds)
const running = ref(false)
const { pause, resume } = useIntervalFn(
  () => {
    left.value--
    if (left.value > 0) return
    left.value = everySeconds
    navigator.vibrate?.(300)
  },
  1000,
  { immediate: false },
)
function toggle() {
  running.value = !running.value
  if (running.value) resume()
  else pause()
}
const words = computed(() =>
  running.value ? tell('outing.shakeInS', { left: left.value }) : tell('outing.shakeEveryMinute'),
)
</script>

<template>
  <div class="clock">
    <svg viewBox="0 0 40 40" width="40" height="40" aria-hidden="true">
      <circle cx="20" cy="20" r="17" />
      <circle
        cx="20"
        cy="20"
        r="17"
        class="left"
        pathLength="60"
        :stroke-dasharray="`${left} 60`"
        transform="rotate(-90 20 20)"
      />
    </svg>
    <span aria-live="off">{{ words }}</span>
    <Button
      :label="running ? tell('decide.stop') : tell('outing.startTheClock')"
      size="small"
      variant="outlined"
      @click="toggle"
    />
  </div>
</template>

<style scoped>
.clock {
  display: flex;
  gap: 10px;
  align-items: center;
}

circle {
  fill: none;
  stroke: var(--line);
  stroke-width: 4;
}

.left {
  stroke: var(--mauve);
}
</style>
