<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import { ref } from 'vue'
import { answer, api } from '@/api/client'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import PlaceFields from '@/garden/PlaceFields.vue'
import { emptyPlace, placeFieldNames } from '@/garden/newPlace'
import FieldError from '@/kit/FieldError.vue'

const emit = defineEmits<{ done: [] }>()
const { memberId } = useGarden()
const place = ref(emptyPlace())
const saving = useGardenWrite((gardenId) =>
  answer(
    api.POST('/api/gardens/{gardenId}/places', {
      params: { path: { gardenId } },
      body: { ...place.value, memberId: memberId.value },
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
    <PlaceFields v-model="place" :problem="saving.error.value" />
    <FieldError :problem="saving.error.value" :shown="placeFieldNames" />
    <div class="actions">
      <Button type="submit" :label="tell('beds.addThisPlace')" :loading="saving.isPending.value" />
      <Button type="button" :label="tell('beds.notNow')" variant="text" @click="emit('done')" />
    </div>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 14px;
}
</style>
