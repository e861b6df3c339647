<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import { onBeforeUnmount, ref, useId } from 'vue'
import { answer, api } from '@/api/client'
import { useGarden, useGardenWrite, type Planting } from '@/garden/useGarden'
import FieldError from '@/kit/FieldError.vue'
import SelectField from '@/kit/SelectField.vue'

/** A planting is carried to another place with all that was written about it, or kept apart where it stands. */
const props = defineProps<{ planting: Planting; placeId: string }>()
const emit = defineEmits<{ done: [] }>()
const { garden, memberId, today } = useGarden()
const placeId = ref(props.placeId)
const on = ref(today.value)
const apartUntil = ref(props.planting.apartUntil ?? '')
const id = useId()
const carrying = useGardenWrite((gardenId) =>
  answer(
    api.PUT('/api/gardens/{gardenId}/plantings/{plantingId}/place', {
      params: { path: { gardenId, plantingId: props.planting.id } },
      body: {
        placeId: placeId.value,
        on: on.value || null,
        apartUntil: apartUntil.value || null,
        memberId: memberId.value,
      },
    }),
  ),
)
// Carried elsewhere, it goes from under this form before the write has come back.
onBeforeUnmount(() => emit('done'))
</script>

<template>
  <form
    class="entry"
    novalidate
    :aria-label="tell('beds.carry3', { cropName: planting.cropName })"
    @submit.prevent="carrying.mutate(undefined, { onSuccess: () => emit('done') })"
  >
    <SelectField
      v-model="placeId"
      :options="garden?.places ?? []"
      :label="tell('beds.itStandsIn')"
      show="name"
      take="id"
      ><FieldError :problem="carrying.error.value" field="placeId"
    /></SelectField>
    <div class="field">
      <label :for="`${id}-on`">{{ tell('beds.carriedOn') }}</label>
      <input :id="`${id}-on`" v-model="on" class="p-inputtext" type="date" :max="today" />
      <FieldError :problem="carrying.error.value" field="on" />
    </div>
    <div class="field">
      <label :for="`${id}-apart`">{{ tell('beds.keptApartUntil') }}</label>
      <input :id="`${id}-apart`" v-model="apartUntil" class="p-inputtext" type="date" :min="today" />
      <FieldError :problem="carrying.error.value" field="apartUntil" />
    </div>
    <FieldError :problem="carrying.error.value" :shown="['placeId', 'on', 'apartUntil']" />
    <div class="actions">
      <Button type="submit" :label="tell('beds.save')" :loading="carrying.isPending.value" />
      <Button type="button" :label="tell('beds.leaveIt')" variant="text" @click="emit('done')" />
    </div>
  </form>
</template>
