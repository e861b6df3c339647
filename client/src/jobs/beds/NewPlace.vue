<script setup lang="ts">
import Button from 'primevue/button'
import InputNumber from 'primevue/inputnumber'
import InputText from 'primevue/inputtext'
import { reactive } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import { options, placeKindWords, wateringWords } from '@/garden/words'
import FieldError from '@/kit/FieldError.vue'
import SelectField from '@/kit/SelectField.vue'

const emit = defineEmits<{ done: [] }>()
const { memberId } = useGarden()
const place = reactive<Schemas['NewPlace']>({
  id: crypto.randomUUID(),
  name: '',
  kind: 'openBed',
  lengthM: 4,
  widthM: 1.2,
  sunHours: 7,
  watering: 'handAtSoil',
})
const saving = useGardenWrite((gardenId) =>
  answer(
    api.POST('/api/gardens/{gardenId}/places', {
      params: { path: { gardenId } },
      body: { ...place, memberId: memberId.value },
    }),
  ),
)
async function add() {
  const saved = await saving.mutateAsync().then(
    () => true,
    () => false,
  )
  if (saved) emit('done')
}
</script>

<template>
  <form class="card" novalidate @submit.prevent="add">
    <div class="field">
      <label for="p-name">Name</label>
      <InputText
        id="p-name"
        v-model="place.name"
        maxlength="80"
        :invalid="!!saving.error.value?.fields.name"
      />
      <FieldError :problem="saving.error.value" field="name" />
    </div>
    <SelectField v-model="place.kind" :options="options(placeKindWords)" label="Kind" />
    <div class="field">
      <label for="p-length">Length, m</label>
      <InputNumber v-model="place.lengthM" input-id="p-length" :max-fraction-digits="2" locale="en-GB" />
      <FieldError :problem="saving.error.value" field="lengthM" />
    </div>
    <div class="field">
      <label for="p-width">Width, m</label>
      <InputNumber v-model="place.widthM" input-id="p-width" :max-fraction-digits="2" locale="en-GB" />
      <FieldError :problem="saving.error.value" field="widthM" />
    </div>
    <div class="field">
      <label for="p-sun">Hours of sun</label>
      <InputNumber v-model="place.sunHours" input-id="p-sun" :max-fraction-digits="1" locale="en-GB" />
      <FieldError :problem="saving.error.value" field="sunHours" />
    </div>
    <SelectField v-model="place.watering" :options="options(wateringWords)" label="Watering" />
    <FieldError :problem="saving.error.value" :shown="['name', 'lengthM', 'widthM', 'sunHours']" />
    <div class="actions">
      <Button type="submit" label="Add this place" :loading="saving.isPending.value" />
      <Button type="button" label="Not now" variant="text" @click="emit('done')" />
    </div>
  </form>
</template>

<style scoped>
form {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 14px;
  align-items: start;
}

.actions {
  align-self: end;
}
</style>
