<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useGarden } from '@/garden/useGarden'
import { sourceWords } from '@/garden/words'
import AsyncState from '@/kit/AsyncState.vue'
import { civilDay, dayAndClock } from '@/kit/format'
import StationCard from './StationCard.vue'
import TableImport from './TableImport.vue'
import { useWeather } from './useWeather'
import WeatherChart from './WeatherChart.vue'
import WeatherDays from './WeatherDays.vue'
import WeatherService from './WeatherService.vue'

const { garden, today } = useGarden()
const { data, isPending, error, refetch } = useWeather()
/** Two weeks are what a gauge is read for; the rest opens. */
const all = ref(false)
const listed = computed(() =>
  (data.value?.days ?? []).filter((d) => d.date <= today.value).slice(0, all.value ? undefined : 14),
)
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>Weather</h1>
      <p class="soft">
        What is known, and by whom. By hand outranks the station, the station a file, a file the service.
      </p>
    </div>
    <AsyncState v-if="!data || !garden" :pending="isPending" :error="error" :retry="refetch" />
    <template v-else>
      <section class="card" aria-labelledby="chart">
        <h2 id="chart">Thirty days back, ten ahead</h2>
        <WeatherChart :days="data.days" :sentence="data.sentence" :today="today" />
      </section>
      <section class="card" aria-labelledby="sources">
        <h2 id="sources">Sources</h2>
        <p v-if="data.sources.length === 0" class="soft">
          Nothing is known yet. A weather service, a station, a file or a rain gauge will do.
        </p>
        <ul class="sources">
          <li v-for="s in data.sources" :key="s.source">
            <strong>{{ sourceWords[s.source] }}</strong>
            {{ s.days === 1 ? '1 day' : `${s.days} days` }}, {{ civilDay(s.first) }}
            {{ s.first.slice(0, 4) }} to {{ civilDay(s.last) }}
            <span v-if="s.lastHeard" class="soft"
              >heard {{ dayAndClock(s.lastHeard, garden.timeZoneId) }}</span
            >
            <span v-if="s.trouble" class="trouble">{{ s.trouble }}</span>
          </li>
        </ul>
        <p v-if="data.sources.length > 0 && data.gaps.length === 0" class="soft">
          No gaps in the last weeks.
        </p>
        <template v-if="data.gaps.length > 0">
          <h3>Gaps</h3>
          <ul class="sources">
            <li v-for="g in data.gaps" :key="g.from">
              {{ dayAndClock(g.from, garden.timeZoneId) }} to {{ dayAndClock(g.to, garden.timeZoneId) }}:
              {{ g.hours }} {{ g.hours === 1 ? 'hour' : 'hours' }} that nobody knows
            </li>
          </ul>
        </template>
      </section>
      <section class="card" aria-labelledby="days">
        <h2 id="days">Day by day</h2>
        <WeatherDays :days="listed" />
        <Button v-if="!all" label="All thirty days" size="small" variant="text" @click="all = true" />
      </section>
      <WeatherService />
      <TableImport />
      <StationCard :has="data.hasStation" />
    </template>
  </div>
</template>

<style scoped>
.sources {
  display: grid;
  gap: 4px;
}

.trouble {
  color: var(--amber-ink);
  background: var(--amber-soft);
}
</style>
