<script setup lang="ts">
import MultiSelect from 'primevue/multiselect'
import { computed, ref } from 'vue'
import Button from 'primevue/button'
import { useGarden } from '@/garden/useGarden'
import { useTargets } from '@/garden/useTargets'
import SelectField from '@/kit/SelectField.vue'
import type { BenchAsk } from './useBench'

/** What the mix is for. Shown in full when something is missing, or when somebody wants to change it. */
const props = defineProps<{ plantings: string[]; target?: string }>()
defineEmits<{ change: [more: Partial<BenchAsk>] }>()
const { plantingOptions: where } = useGarden()
const changing = ref(false)
const shown = computed(() => changing.value || props.plantings.length === 0 || !props.target)
const against = useTargets()
</script>

<template>
  <p v-if="where.length === 0" class="note">
    Nothing grows yet. <RouterLink :to="{ name: 'garden' }">Plant something</RouterLink>, then a mix can be
    made for it.
  </p>
  <div v-if="shown" class="for">
    <div class="field">
      <label for="where">Where</label>
      <MultiSelect
        input-id="where"
        :model-value="plantings"
        :options="where"
        option-label="label"
        option-value="id"
        placeholder="Choose one planting or more"
        filter
        fluid
        @update:model-value="$emit('change', { planting: $event, size: undefined })"
      />
    </div>
    <SelectField
      :model-value="target"
      :options="against"
      placeholder="Choose a pest or disease"
      filter
      label="Against"
      @update:model-value="$emit('change', { target: $event, recipe: undefined, add: [], dose: undefined })"
    />
  </div>
  <div v-else>
    <Button label="Other beds or another trouble" variant="text" size="small" @click="changing = true" />
  </div>
</template>

<style scoped>
.for {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  gap: 12px;
}
</style>
