<script setup lang="ts">
import { useLocalStorage, usePreferredDark } from '@vueuse/core'
import Select from 'primevue/select'
import { computed, watchEffect } from 'vue'
import { useGarden } from '@/garden/useGarden'
import { stanceWords } from '@/garden/words'
import { dayAndClock } from '@/kit/format'
import DemoClock from './DemoClock.vue'

const { state, garden, memberId, choose } = useGarden()

const prefersDark = usePreferredDark()
const theme = useLocalStorage<'light' | 'dusk' | 'auto'>('mauvaise-theme', 'auto')
const dusk = computed(() => theme.value === 'dusk' || (theme.value === 'auto' && prefersDark.value))
watchEffect(() => document.documentElement.classList.toggle('dusk', dusk.value))

const links = [
  { name: 'board', label: 'Board' },
  { name: 'walk', label: 'Walk' },
  { name: 'decide', label: 'Decide' },
  { name: 'rota', label: 'Rota' },
  { name: 'bench', label: 'Bench' },
  { name: 'shelf', label: 'Shelf' },
  { name: 'hours', label: 'Hours' },
  { name: 'check-backs', label: 'Check back' },
  { name: 'ledger', label: 'Ledger' },
  { name: 'weather', label: 'Weather' },
  { name: 'garden', label: 'Garden' },
]
</script>

<template>
  <header class="bar no-print">
    <RouterLink class="name" to="/" aria-label="Mauvaise, to the Board"
      >mauvaise<i aria-hidden="true">.</i></RouterLink
    >
    <nav aria-label="Jobs">
      <RouterLink v-for="link in links" :key="link.name" :to="{ name: link.name }">{{
        link.label
      }}</RouterLink>
    </nav>
    <div v-if="garden" class="now">
      <span class="time">{{ dayAndClock(garden.now, garden.timeZoneId) }}</span>
      <DemoClock v-if="state.data.value?.demo" />
      <RouterLink class="stance" :to="{ name: 'garden' }">{{ stanceWords[garden.stance] }}</RouterLink>
      <button class="theme" :aria-pressed="dusk" @click="theme = dusk ? 'light' : 'dusk'">
        {{ dusk ? 'Light' : 'Dusk' }}
      </button>
      <Select
        class="who"
        :model-value="memberId"
        :options="garden.members"
        option-label="name"
        option-value="id"
        aria-label="Who is writing"
        @update:model-value="choose"
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
nav a.router-link-active {
  color: var(--frame-ink);
}

nav a.router-link-exact-active {
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

.who {
  align-items: center;
  min-height: 36px;
  background: transparent;
  border-color: var(--frame-line);
}

.who :deep(.p-select-label),
.who :deep(.p-select-dropdown) {
  color: var(--frame-ink);
  padding-block: 4px;
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

@media (max-width: 640px) {
  .bar {
    padding: 2px 10px 0;
    gap: 0 8px;
    font-size: 0.9rem;
  }

  .now {
    display: contents;
  }

  .who {
    order: 1;
    margin-left: auto;
    min-height: 44px;
  }

  nav {
    order: 2;
    width: 100%;
    flex-wrap: nowrap;
    overflow-x: auto;
  }

  nav a {
    white-space: nowrap;
    padding: 11px 9px;
  }

  .time,
  .demo,
  .theme {
    order: 3;
    margin-bottom: 6px;
  }
}
</style>
