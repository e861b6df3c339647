<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import { answer, api } from '@/api/client'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import FieldError from '@/kit/FieldError.vue'

/** A key with which a station in the garden sends its readings. */
defineProps<{ has: boolean }>()
const { memberId } = useGarden()
const making = useGardenWrite((gardenId) =>
  answer(
    api.POST('/api/gardens/{gardenId}/weather/station-key', {
      params: { path: { gardenId } },
      body: { memberId: memberId.value },
    }),
  ),
)
const here = window.location.origin
</script>

<template>
  <section class="card" aria-labelledby="station">
    <h2 id="station">{{ tell('weather.aStationInTheGarden') }}</h2>
    <p class="soft">
      {{ tell('weather.aStationSendsItsReadings') }}
    </p>
    <div v-if="making.data.value" class="note" role="status">
      <p>{{ tell('weather.putThisIntoTheStation') }}</p>
      <p>
        <code>POST {{ here }}{{ making.data.value.address }}</code>
      </p>
      <p>
        <code>{{ tell('weather.xStationKey', { key: making.data.value.key }) }}</code>
      </p>
      <p class="small soft">
        {{ tell('weather.bodyReadingsAt20260716t15') }}
      </p>
    </div>
    <Button
      :label="has ? tell('weather.makeANewKeyTheOld') : tell('weather.makeAKey')"
      variant="outlined"
      :loading="making.isPending.value"
      @click="making.mutate()"
    />
    <FieldError :problem="making.error.value" />
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 10px;
  justify-items: start;
}

code {
  overflow-wrap: anywhere;
}
</style>
