<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { keys, useGarden, useGardenWrite } from '@/garden/useGarden'
import { options, stageWords } from '@/garden/words'
import FieldError from '@/kit/FieldError.vue'
import SelectField from '@/kit/SelectField.vue'

const props = defineProps<{ placeId: string }>()
const emit = defineEmits<{ done: [] }>()
const { garden, memberId } = useGarden()
const id = crypto.randomUUID()
const crop = ref('')
const variety = ref('')
const stage = ref<Schemas['GrowthStage']>('young')
const today = computed(() => garden.value?.localNow.slice(0, 10) ?? '')
const crops = useQuery({
  queryKey: keys.catalogue('crops'),
  queryFn: () => answer(api.GET('/api/catalogue/crops')),
  staleTime: Infinity,
})
const sorted = computed(() => [...(crops.data.value ?? [])].sort((a, b) => a.name.localeCompare(b.name)))
const saving = useGardenWrite((gardenId) =>
  answer(
    api.POST('/api/gardens/{gardenId}/plantings', {
      params: { path: { gardenId } },
      body: {
        id,
        placeId: props.placeId,
        crop: crop.value,
        variety: variety.value || null,
        from: today.value,
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
  <form novalidate @submit.prevent="add">
    <SelectField
      v-model="crop"
      :options="sorted"
      filter
      placeholder="Choose a crop"
      label="Crop"
      show="name"
      take="id"
      ><FieldError :problem="saving.error.value" field="crop"
    /></SelectField>
    <div class="field">
      <label for="c-variety">Variety</label>
      <InputText id="c-variety" v-model="variety" maxlength="80" />
    </div>
    <SelectField v-model="stage" :options="options(stageWords)" label="Stage" />
    <FieldError :problem="saving.error.value" :shown="['crop']" />
    <div class="actions">
      <Button type="submit" label="Plant it" :loading="saving.isPending.value" />
      <Button type="button" label="Not now" variant="text" @click="emit('done')" />
    </div>
  </form>
</template>

<style scoped>
form {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 12px;
  padding-top: 10px;
  border-top: 1px solid var(--line);
}
</style>
