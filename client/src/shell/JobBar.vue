<script setup lang="ts">
import { tell } from '@/language'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { jobAmong, thumbJobs } from './jobs'
import JobMark from './JobMark.vue'

/** The jobs of a phone, under the thumb. A job that is not among them is under More. */
const route = useRoute()
const current = computed(() => jobAmong(thumbJobs, route.path))
</script>

<template>
  <nav class="jobs no-print" :aria-label="tell('shell.jobsAtHand')">
    <RouterLink
      v-for="job in thumbJobs"
      :key="job.name"
      :to="{ name: job.name }"
      :class="{ current: job.name === current }"
    >
      <JobMark :job="job.name" />{{ job.label }}
    </RouterLink>
  </nav>
</template>

<style scoped>
.jobs {
  display: none;
}

@media (max-width: 640px) {
  .jobs {
    position: fixed;
    inset: auto 0 0;
    z-index: 10;
    display: grid;
    grid-template-columns: repeat(5, 1fr);
    height: var(--job-bar);
    padding-bottom: env(safe-area-inset-bottom);
    border-top: 1px solid var(--line);
    background: var(--surface);
  }

  a {
    display: grid;
    justify-items: center;
    align-content: center;
    gap: 1px;
    color: var(--ink-soft);
    overflow: hidden;
    font-size: 0.875rem;
    text-decoration: none;
    white-space: nowrap;
  }

  a.current {
    color: var(--mauve-deep);
    font-weight: 700;
    box-shadow: inset 0 3px 0 var(--mauve);
  }
}

/* The longest words of all languages stand beside each other. */
@media (max-width: 350px) {
  a {
    font-size: 0.6875rem;
    letter-spacing: -0.01em;
  }
}
</style>
