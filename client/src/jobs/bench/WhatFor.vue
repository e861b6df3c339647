<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { answer, api } from '@/api/client'
import { keys, useGarden } from '@/garden/useGarden'
import SelectField from '@/kit/SelectField.vue'

/** What the mix is for. Shown in full only when nothing was chosen on the way here. */
const props = defineProps<{ plantings: string[]; target?: string }>()
const router = useRouter()
const { plantings: growing } = useGarden()
const targets = useQuery({
  queryKey: keys.catalogue('targets'),
  queryFn: () => answer(api.GET('/api/catalogue/targets')),
  staleTime: Infinity,
})
const where = computed(() =>
  growing.value.map((p) => ({ id: p.id, label: `${p.place.name}: ${p.cropName.toLowerCase()}` })),
)
const against = computed(() =>
  (targets.data.value ?? [])
    .filter((t) => t.kind !== 'lookAlike' && !t.noSpray && !t.insteadOfSpray)
    .map((t) => ({ id: t.id, label: t.name }))
    .sort((a, b) => a.label.localeCompare(b.label)),
)
const go = (change: { planting?: string[]; target?: string }) =>
  router.replace({ name: 'bench', query: { planting: props.plantings, target: props.target, ...change } })
</script>

<template>
  <div v-if="plantings.length === 0 || !target" class="for">
    <SelectField
      :model-value="plantings[0]"
      :options="where"
      placeholder="Choose a planting"
      label="Where"
      take="id"
      @update:model-value="go({ planting: [$event] })"
    />
    <SelectField
      :model-value="target"
      :options="against"
      placeholder="Choose a pest or disease"
      filter
      label="Against"
      take="id"
      @update:model-value="go({ target: $event })"
    />
  </div>
</template>

<style scoped>
.for {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  gap: 12px;
}
</style>
