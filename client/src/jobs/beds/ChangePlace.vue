<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import { ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenEdit, useGardenWrite, type Place } from '@/garden/useGarden'
import PlaceFields from '@/garden/PlaceFields.vue'
import { placeFieldNames } from '@/garden/newPlace'
import FieldError from '@/kit/FieldError.vue'
import WriteOver from '@/kit/WriteOver.vue'

/** A place that was measured anew, renamed, or lost its shade. */
const props = defineProps<{ place: Place }>()
const emit = defineEmits<{ done: [] }>()
const { memberId } = useGarden()
const { name, kind, areaM2, sunHours, watering, pondDistanceM } = props.place
const { sunFrom, sunTo, reservoirLitres, lampsFrom, lampsTo } = props.place
const form = ref<Schemas['PlaceChange']>({
  name,
  kind,
  areaM2,
  sunHours,
  watering,
  pondDistanceM,
  sunFrom,
  sunTo,
  reservoirLitres,
  lampsFrom,
  lampsTo,
})
const saving = useGardenEdit((gardenId, headers) =>
  answer(
    api.PUT('/api/gardens/{gardenId}/places/{placeId}', {
      params: { path: { gardenId, placeId: props.place.id } },
      headers,
      body: { ...form.value, memberId: memberId.value },
    }),
  ),
)
const taking = useGardenWrite((gardenId) =>
  answer(
    api.DELETE('/api/gardens/{gardenId}/places/{placeId}', {
      params: {
        path: { gardenId, placeId: props.place.id },
        query: { memberId: memberId.value ?? undefined },
      },
    }),
  ),
)
const closed = [() => emit('done'), () => undefined] as const
</script>

<template>
  <form
    novalidate
    :aria-label="tell('beds.change2', { name: place.name })"
    @submit.prevent="saving.save().then(...closed)"
  >
    <PlaceFields v-model="form" :problem="saving.error.value" />
    <FieldError :problem="saving.error.value" :shown="placeFieldNames" />
    <WriteOver :problem="saving.error.value" @over="saving.insist().then(...closed)" @keep="emit('done')" />
    <FieldError :problem="taking.error.value" />
    <div class="actions">
      <Button type="submit" :label="tell('beds.saveThePlace')" :loading="saving.isPending.value" />
      <Button type="button" :label="tell('beds.leaveIt')" variant="text" @click="emit('done')" />
      <Button
        type="button"
        :label="tell('beds.itNeverWasTakeItAway')"
        variant="text"
        :loading="taking.isPending.value"
        @click="taking.mutate(undefined, { onSuccess: () => emit('done') })"
      />
    </div>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 14px;
  padding: 8px 0;
}
</style>
