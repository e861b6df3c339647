<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import { computed } from 'vue'
import { answer, api } from '@/api/client'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import FieldError from '@/kit/FieldError.vue'
import { dayAndClock } from '@/kit/format'
import { useWeather } from './useWeather'

/** The weather service: whether it answers, and asking it again. */
const { garden } = useGarden()
const { data } = useWeather()
const service = computed(() => data.value?.sources.find((s) => s.source === 'service'))
const asking = useGardenWrite((gardenId) =>
  answer(api.POST('/api/gardens/{gardenId}/weather/ask', { params: { path: { gardenId } } })),
)
</script>

<template>
  <section v-if="data && garden" class="card" aria-labelledby="service">
    <h2 id="service">{{ tell('weather.weatherService') }}</h2>
    <template v-if="data.hasService">
      <p role="status">
        <template v-if="service?.trouble">{{
          tell('weather.whatIsKnownStays', { trouble: service.trouble })
        }}</template>
        <template v-else-if="service?.lastHeard">
          {{ tell('weather.itAnswered', { dayAndClock: dayAndClock(service.lastHeard, garden.timeZoneId) }) }}
        </template>
        <template v-else>{{ tell('weather.itHasNotAnsweredYet') }}</template>
        {{ tell('weather.itIsAskedEveryHalfHour') }}
      </p>
      <Button
        :label="tell('weather.askItNow')"
        variant="outlined"
        :loading="asking.isPending.value"
        @click="asking.mutate()"
      />
    </template>
    <p v-else>
      {{ tell('weather.noneWasNamedStartMauvaise', { command: './mauvaise serve --weather ADDRESS' }) }}
    </p>
    <FieldError :problem="asking.error.value" />
    <RouterLink v-if="$route.name !== 'weather'" :to="{ name: 'weather' }">{{
      tell('weather.allThatIsKnown')
    }}</RouterLink>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 10px;
  justify-items: start;
}
</style>
