<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import { onBeforeUnmount, ref } from 'vue'
import { answer, api } from '@/api/client'
import { useGarden, useGardenEdit, useGardenWrite, type Planting } from '@/garden/useGarden'
import FieldError from '@/kit/FieldError.vue'
import SelectField from '@/kit/SelectField.vue'
import WriteOver from '@/kit/WriteOver.vue'
import PlantingFields from '@/garden/PlantingFields.vue'

/** A planting that was written wrong: put right, moved to its place, or taken away when it never was. */
const props = defineProps<{ planting: Planting; placeId: string }>()
const emit = defineEmits<{ done: [] }>()
const { garden, memberId, today } = useGarden()
const placeId = ref(props.placeId)
const facts = ref({
  crop: props.planting.crop,
  variety: props.planting.variety ?? '',
  from: props.planting.from,
  count: props.planting.count ?? null,
})
const path = (gardenId: string) => ({ path: { gardenId, plantingId: props.planting.id } })
const saving = useGardenEdit((gardenId, headers) =>
  answer(
    api.PUT('/api/gardens/{gardenId}/plantings/{plantingId}/facts', {
      params: path(gardenId),
      headers,
      body: {
        placeId: placeId.value,
        crop: facts.value.crop,
        variety: facts.value.variety || null,
        from: facts.value.from,
        until: null,
        count: facts.value.count,
        memberId: memberId.value,
      },
    }),
  ),
)
const taking = useGardenWrite((gardenId) =>
  answer(
    api.DELETE('/api/gardens/{gardenId}/plantings/{plantingId}', {
      params: { ...path(gardenId), query: { memberId: memberId.value ?? undefined } },
    }),
  ),
)
const whenDone = { onSuccess: () => emit('done') }
const closed = [() => emit('done'), () => undefined] as const
// Carried elsewhere, it goes from under this form before the write has come back.
onBeforeUnmount(() => emit('done'))
</script>

<template>
  <form
    class="entry"
    novalidate
    :aria-label="tell('beds.putRight', { cropName: planting.cropName })"
    @submit.prevent="saving.save().then(...closed)"
  >
    <PlantingFields v-model="facts" :problem="saving.error.value" :today="today" />
    <SelectField
      v-model="placeId"
      :options="garden?.places ?? []"
      :label="tell('beds.in')"
      show="name"
      take="id"
    />
    <FieldError :problem="saving.error.value" :shown="['crop', 'variety', 'from', 'count']" />
    <WriteOver :problem="saving.error.value" @over="saving.insist().then(...closed)" @keep="emit('done')" />
    <FieldError :problem="taking.error.value" />
    <div class="actions">
      <Button type="submit" :label="tell('beds.save')" :loading="saving.isPending.value" />
      <Button type="button" :label="tell('beds.leaveIt')" variant="text" @click="emit('done')" />
      <Button
        type="button"
        :label="tell('beds.itNeverWasTakeItAway')"
        variant="text"
        :loading="taking.isPending.value"
        @click="taking.mutate(undefined, whenDone)"
      />
    </div>
  </form>
</template>
