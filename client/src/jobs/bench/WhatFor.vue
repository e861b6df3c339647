<script setup lang="ts">
import { tell } from '@/language'
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
    {{ tell('bench.nothingGrowsYet') }}
    <RouterLink :to="{ name: 'garden' }">{{ tell('board.plantSomething') }}</RouterLink>
  </p>
  <div v-if="shown" class="for">
    <div class="field">
      <label for="where">{{ tell('bench.where') }}</label>
      <MultiSelect
        input-id="where"
        :model-value="plantings"
        :options="where"
        option-label="label"
        option-value="id"
        :placeholder="tell('bench.chooseOnePlantingOrMore')"
        filter
        fluid
        @update:model-value="$emit('change', { planting: $event, size: undefined })"
      />
    </div>
    <SelectField
      :model-value="target"
      :options="against"
      :placeholder="tell('bench.chooseAPestOrDisease')"
      filter
      :label="tell('almanac.against')"
      @update:model-value="$emit('change', { target: $event, recipe: undefined, add: [], dose: undefined })"
    />
  </div>
  <div v-else>
    <Button
      :label="tell('bench.otherBedsOrAnotherTrouble')"
      variant="text"
      size="small"
      @click="changing = true"
    />
  </div>
</template>

<style scoped>
.for {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  gap: 12px;
}

/* A long word of another language is cut, and does not widen the field. */
.for > * {
  min-width: 0;
}
</style>
