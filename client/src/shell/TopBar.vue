<script setup lang="ts">
import { tell } from '@/language'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useGarden } from '@/garden/useGarden'
import { stanceWords } from '@/garden/words'
import { dayAndClock } from '@/kit/format'
import DemoClock from './DemoClock.vue'
import { jobAmong, topJobs } from './jobs'
import { useDusk } from './useDusk'
import WhoWrites from './WhoWrites.vue'

const { state, garden, memberId, standing, choose } = useGarden()
const route = useRoute()
const current = computed(() => jobAmong(topJobs, route.path))

const { dusk, turn } = useDusk()
const writer = computed(() => garden.value?.members.find((m) => m.id === memberId.value)?.name)
</script>

<template>
  <header class="bar no-print">
    <RouterLink class="name" to="/" :aria-label="tell('shell.mauvaiseToTheBoard')"
      >mauvaise<i aria-hidden="true">.</i></RouterLink
    >
    <span class="garden">{{ garden?.name }}</span>
    <nav :aria-label="tell('shell.jobs')">
      <RouterLink
        v-for="job in topJobs"
        :key="job.name"
        :to="{ name: job.name }"
        :class="{ current: job.name === current }"
        >{{ job.label }}</RouterLink
      >
    </nav>
    <div v-if="garden" class="now">
      <span class="time">{{ dayAndClock(garden.now, garden.timeZoneId) }}</span>
      <DemoClock v-if="state.data.value?.demo" />
      <RouterLink class="stance" :to="{ name: 'garden' }">{{ stanceWords[garden.stance] }}</RouterLink>
      <button class="theme" :aria-pressed="dusk" @click="turn">
        {{ dusk ? tell('shell.light') : tell('shell.dusk') }}
      </button>
      <span v-if="standing || garden.members.length < 2" class="time">{{ writer }}</span>
      <WhoWrites
        v-else
        :members="garden.members"
        :model-value="memberId"
        @update:model-value="choose($event!)"
      />
    </div>
  </header>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 10px;
  padding: 4px 14px;
  font-size: 0.95rem;
  background: var(--frame);
  color: var(--frame-ink);
}

.name {
  font: 700 1.45rem var(--heading);
  letter-spacing: -0.02em;
  color: var(--frame-ink);
  text-decoration: none;
}

.name i {
  color: var(--leaf);
  font-style: normal;
}

nav {
  display: flex;
  flex-wrap: wrap;
}

nav a {
  padding: 9px 7px;
  color: var(--frame-soft);
  text-decoration: none;
  border-bottom: 3px solid transparent;
}

nav a:hover,
nav a.current {
  color: var(--frame-ink);
}

nav a.current {
  border-color: var(--leaf);
}

.now {
  margin-left: auto;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 8px;
}

.time {
  white-space: nowrap;
}

.stance,
.theme {
  padding: 6px 10px;
  color: var(--frame-ink);
  background: none;
  border: 1px solid var(--frame-line);
  border-radius: var(--radius);
  text-decoration: none;
  cursor: pointer;
}

.bar :focus-visible {
  outline-color: var(--leaf);
}

/* It stands in the Garden as well. */
@media (max-width: 1480px) {
  .stance {
    display: none;
  }
}

.garden {
  display: none;
}

/* A phone has its jobs under the thumb; clock, theme and demo stand under More. */
@media (max-width: 640px) {
  .bar {
    flex-wrap: nowrap;
    height: 48px;
    padding: 0 12px;
  }

  .garden {
    display: block;
    overflow: hidden;
    font-weight: 700;
    white-space: nowrap;
    text-overflow: ellipsis;
  }

  .name,
  nav,
  .demo,
  .theme {
    display: none;
  }

  .now {
    flex-wrap: nowrap;
  }
}
</style>
