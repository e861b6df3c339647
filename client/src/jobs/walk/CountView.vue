<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { answer, api } from '@/api/client'
import { keys, useGarden, useGardenWrite } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import CountPad from '@/kit/CountPad.vue'
import FieldError from '@/kit/FieldError.vue'
import ShareMeter from '@/kit/ShareMeter.vue'
import FieldNotes from './FieldNotes.vue'
import SignPicker from './SignPicker.vue'
import { useCount } from './useCount'
import { useSample } from './useSample'

const props = defineProps<{ plantingId: string }>()
const router = useRouter()
const { garden, query, plantings, memberId } = useGarden()
const planting = computed(() => plantings.value.find((p) => p.id === props.plantingId))
const count = useCount(props.plantingId)
const { draft, looked, affected } = count
const sample = useSample(() => props.plantingId, looked, affected)
const crop = computed(() => planting.value?.crop ?? '')
const signs = useQuery({
  queryKey: computed(() => keys.catalogue('signs', crop.value)),
  queryFn: () =>
    answer(api.GET('/api/catalogue/crops/{cropId}/signs', { params: { path: { cropId: crop.value } } })),
  enabled: computed(() => crop.value !== ''),
  staleTime: Infinity,
})
const saving = useGardenWrite((gardenId) =>
  answer(
    api.POST('/api/gardens/{gardenId}/observations', {
      params: { path: { gardenId } },
      body: count.toObservation(props.plantingId, memberId.value),
    }),
  ),
)
const found = computed(() => affected.value > 0 || draft.value.signs.length > 0)

async function save() {
  const saved = await saving.mutateAsync().catch(() => null)
  if (!saved) return
  const next = found.value ? { name: 'suspects', params: { observationId: saved.id } } : { name: 'walk' }
  count.clear()
  await router.push(next)
}
</script>

<template>
  <div class="page narrow">
    <AsyncState v-if="!garden" :pending="query.isPending.value" :error="query.error.value" />
    <p v-else-if="!planting" class="note">
      This planting is not growing now. <RouterLink to="/walk">Choose another</RouterLink>.
    </p>
    <template v-else>
      <div class="page-head">
        <h1>{{ planting.place.name }}: {{ planting.cropName.toLowerCase() }}</h1>
        <p class="look">{{ planting.lookFirst }}</p>
      </div>
      <CountPad
        :clean="looked - affected"
        :affected="affected"
        :can-undo="looked > 0"
        @count="count.add"
        @back="count.back"
      />
      <FieldError :problem="saving.error.value" field="leavesLooked" />
      <FieldError :problem="saving.error.value" field="leavesAffected" />
      <ShareMeter v-if="looked > 0 && sample.data.value" :sample="sample.data.value" />
      <p v-else class="soft">One tap for each leaf. About twenty leaves say a good deal.</p>
      <h2>What is on them?</h2>
      <SignPicker
        :signs="signs.data.value ?? []"
        :leaf="planting.leaf"
        :chosen="draft.signs"
        @toggle="count.toggleSign"
      />
      <FieldError :problem="saving.error.value" field="signs" />
      <FieldNotes v-model="draft" />
      <FieldError :problem="saving.error.value" :shown="['leavesLooked', 'leavesAffected', 'signs']" />
      <div class="save">
        <Button
          :label="found ? 'Save and name it' : 'Save: all clean'"
          size="large"
          fluid
          :loading="saving.isPending.value"
          @click="save"
        />
      </div>
    </template>
  </div>
</template>

<style scoped>
.look {
  font-weight: 600;
}

.save {
  position: sticky;
  bottom: 0;
  padding: 10px 0;
  background: var(--paper);
}
</style>
