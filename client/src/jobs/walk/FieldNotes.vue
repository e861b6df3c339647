<script setup lang="ts">
import SelectButton from 'primevue/selectbutton'
import Textarea from 'primevue/textarea'
import NumberStepper from '@/kit/NumberStepper.vue'
import type { CountDraft } from './useCount'

/** Ants, helpers and a note: what is seen beside the leaves. */
const draft = defineModel<CountDraft>({ required: true })
const ants = [
  { value: 'none', label: 'none' },
  { value: 'few', label: 'few' },
  { value: 'many', label: 'many' },
]
</script>

<template>
  <div class="notes">
    <div class="row">
      <span id="ants" class="label">Ants</span>
      <SelectButton
        v-model="draft.ants"
        :options="ants"
        option-label="label"
        option-value="value"
        :allow-empty="false"
        aria-labelledby="ants"
      />
    </div>
    <NumberStepper v-model="draft.helpers" label="Helpers: ladybirds, larvae, lacewings" />
    <NumberStepper v-model="draft.mummies" label="Mummies: tan, round, still" />
    <div class="field">
      <label for="note">Note</label>
      <Textarea id="note" v-model="draft.note" rows="2" auto-resize maxlength="2000" />
    </div>
  </div>
</template>

<style scoped>
.notes {
  display: grid;
  gap: 12px;
}

.row {
  display: flex;
  align-items: center;
  justify-content: space-between;
}

.label {
  font-weight: 600;
}
</style>
