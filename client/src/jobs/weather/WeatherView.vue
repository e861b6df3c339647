<script setup lang="ts">
import { tell } from '@/language'
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
      <h1>{{ tell('weather.weather') }}</h1>
      <p class="soft">
        {{ tell('weather.whatIsKnownAndByWhom') }}
      </p>
    </div>
    <AsyncState v-if="!data || !garden" :pending="isPending" :error="error" :retry="refetch" />
    <template v-else>
      <section class="card" aria-labelledby="chart">
        <h2 id="chart">{{ tell('weather.thirtyDaysBackTenAhead') }}</h2>
        <WeatherChart :days="data.days" :sentence="data.sentence" :today="today" />
      </section>
      <section class="card" aria-labelledby="sources">
        <h2 id="sources">{{ tell('weather.sources') }}</h2>
        <p v-if="data.sources.length === 0" class="soft">
          {{ tell('weather.nothingIsKnownYetAWeather') }}
        </p>
        <ul class="sources">
          <li v-for="s in data.sources" :key="s.source">
            <strong>{{ sourceWords[s.source] }}</strong>
            {{
              s.days === 1
                ? tell('weather.1Day', {
                    first: civilDay(s.first),
                    slice: s.first.slice(0, 4),
                    last: civilDay(s.last),
                  })
                : tell('weather.daysTo', {
                    days: s.days,
                    first: civilDay(s.first),
                    slice: s.first.slice(0, 4),
                    last: civilDay(s.last),
                  })
            }}
            <span v-if="s.lastHeard" class="soft">{{
              tell('weather.heard', { dayAndClock: dayAndClock(s.lastHeard, garden.timeZoneId) })
            }}</span>
            <span v-if="s.trouble" class="trouble">{{ s.trouble }}</span>
          </li>
        </ul>
        <p v-if="data.sources.length > 0 && data.gaps.length === 0" class="soft">
          {{ tell('weather.noGapsInTheLastWeeks') }}
        </p>
        <template v-if="data.gaps.length > 0">
          <h3>{{ tell('weather.gaps') }}</h3>
          <ul class="sources">
            <li v-for="g in data.gaps" :key="g.from">
              {{
                g.hours === 1
                  ? tell('weather.toHourThatNobodyKnows', {
                      dayAndClock: dayAndClock(g.from, garden.timeZoneId),
                      dayAndClock2: dayAndClock(g.to, garden.timeZoneId),
                      hours: g.hours,
                    })
                  : tell('weather.toHoursThatNobodyKnows', {
                      dayAndClock: dayAndClock(g.from, garden.timeZoneId),
                      dayAndClock2: dayAndClock(g.to, garden.timeZoneId),
                      hours: g.hours,
                    })
              }}
            </li>
          </ul>
        </template>
      </section>
      <section class="card" aria-labelledby="days">
        <h2 id="days">{{ tell('weather.dayByDay') }}</h2>
        <WeatherDays :days="listed" />
        <Button
          v-if="!all"
          :label="tell('weather.allThirtyDays')"
          size="small"
          variant="text"
          @click="all = true"
        />
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
