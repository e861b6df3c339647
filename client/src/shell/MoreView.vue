<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import Button from 'primevue/button'
import { computed } from 'vue'
import { useGarden } from '@/garden/useGarden'
import { dayAndClock } from '@/kit/format'
import DemoClock from './DemoClock.vue'
import { dailyJobs, otherJobs, thumbJobs } from './jobs'
import { useDusk } from './useDusk'
import { findOpen } from './useKeys'

/** All jobs that are not at hand, and this device's own matters. */
const { state, garden } = useGarden()
const { dusk, turn } = useDusk()
const phone = useMediaQuery('(max-width: 640px)')
const jobs = computed(() => [
  ...(phone.value ? dailyJobs.filter((j) => !thumbJobs.some((t) => t.name === j.name)) : []),
  ...otherJobs,
])
</script>

<template>
  <div class="page narrow">
    <div class="page-head">
      <h1>More</h1>
      <p v-if="garden" class="soft">{{ garden.name }}, {{ dayAndClock(garden.now, garden.timeZoneId) }}</p>
    </div>
    <Button label="Find a place, crop or screen" variant="outlined" size="large" @click="findOpen = true" />
    <ul>
      <li v-for="job in jobs" :key="job.name">
        <RouterLink :to="{ name: job.name }">
          <strong>{{ job.label }}</strong> <span class="soft">{{ job.what }}</span>
        </RouterLink>
      </li>
    </ul>
    <div class="actions">
      <Button :label="dusk ? 'Light' : 'Dusk'" variant="outlined" :aria-pressed="dusk" @click="turn" />
      <span v-if="state.data.value?.demo" class="demo"><DemoClock /></span>
    </div>
  </div>
</template>

<style scoped>
a {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 10px;
  min-height: 56px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
  color: var(--ink);
  text-decoration: none;
}

a:hover strong {
  color: var(--mauve-deep);
}

.demo {
  padding: 4px 8px;
  border-radius: var(--radius);
  background: var(--frame);
}
</style>
