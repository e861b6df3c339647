<script setup lang="ts">
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
    <h2 id="service">Weather service</h2>
    <template v-if="data.hasService">
      <p role="status">
        <template v-if="service?.trouble">{{ service.trouble }} What is known stays.</template>
        <template v-else-if="service?.lastHeard">
          It answered on {{ dayAndClock(service.lastHeard, garden.timeZoneId) }}.
        </template>
        <template v-else>It has not answered yet.</template>
        It is asked every half hour.
      </p>
      <Button
        label="Ask it now"
        variant="outlined"
        :loading="asking.isPending.value"
        @click="asking.mutate()"
      />
    </template>
    <p v-else>
      None was named. Start Mauvaise with <code>./mauvaise serve --weather ADDRESS</code>; until then a
      station, a file or a rain gauge tells what the sky did.
    </p>
    <FieldError :problem="asking.error.value" />
    <RouterLink v-if="$route.name !== 'weather'" :to="{ name: 'weather' }"
      >All that is known of it</RouterLink
    >
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 10px;
  justify-items: start;
}
</style>
