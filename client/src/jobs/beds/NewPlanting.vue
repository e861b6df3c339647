<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import { ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import { options, stageWords } from '@/garden/words'
import FieldError from '@/kit/FieldError.vue'
import SelectField from '@/kit/SelectField.vue'
import PlantingFields from '@/garden/PlantingFields.vue'

const props = defineProps<{ placeId: string }>()
const emit = defineEmits<{ done: [] }>()
const { memberId, today } = useGarden()
const id = crypto.randomUUID()
const stage = ref<Schemas['GrowthStage']>('young')
const facts = ref({ crop: '', variety: '', from: today.value, count: null as number | null })
const saving = useGardenWrite((gardenId) =>
  answer(
    api.POST('/api/gardens/{gardenId}/plantings', {
      params: { path: { gardenId } },
      body: {
        id,
        placeId: props.placeId,
        crop: facts.value.crop,
        variety: facts.value.variety || null,
        from: facts.value.from || today.value,
        count: facts.value.count,
        stage: stage.value,
        inFlower: false,
        memberId: memberId.value,
      },
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
  <form class="entry" novalidate @submit.prevent="add">
    <PlantingFields v-model="facts" :problem="saving.error.value" :today="today" />
    <SelectField v-model="stage" :options="options(stageWords)" :label="tell('beds.stage')" />
    <FieldError :problem="saving.error.value" :shown="['crop', 'variety', 'from', 'count']" />
    <div class="actions">
      <Button type="submit" :label="tell('beds.plantIt')" :loading="saving.isPending.value" />
      <Button type="button" :label="tell('beds.notNow')" variant="text" @click="emit('done')" />
    </div>
  </form>
</template>
