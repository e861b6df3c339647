<script setup lang="ts">
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
    <h2 id="station">A station in the garden</h2>
    <p class="soft">
      A station sends its readings to this app with a key of its own. Where it has spoken it outranks the
      service and files.
    </p>
    <div v-if="making.data.value" class="note" role="status">
      <p>Put this into the station. The key is shown only now.</p>
      <p>
        <code>POST {{ here }}{{ making.data.value.address }}</code>
      </p>
      <p>
        <code>X-Station-Key: {{ making.data.value.key }}</code>
      </p>
      <p class="small soft">
        Body: {"readings": [{"at": "2026-07-16T15:00:00Z", "temperatureC": 24.1, "rainMm": 0}]}
      </p>
    </div>
    <Button
      :label="has ? 'Make a new key; the old one ends' : 'Make a key'"
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
