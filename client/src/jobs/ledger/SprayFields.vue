<script setup lang="ts">
import { tell } from '@/language'
import MultiSelect from 'primevue/multiselect'
import SelectButton from 'primevue/selectbutton'
import Textarea from 'primevue/textarea'
import { computed } from 'vue'
import { type Problem, type Schemas } from '@/api/client'
import { useGarden } from '@/garden/useGarden'
import { useTargets } from '@/garden/useTargets'
import { options, wettedPartWords } from '@/garden/words'
import FieldError from '@/kit/FieldError.vue'
import SelectField from '@/kit/SelectField.vue'
import NumberField from '@/kit/NumberField.vue'

/** The fields of a spray that can be said after the fact: when, where, how much, what was wetted, against what, by whom. */
export interface SprayDraft {
  /** Local time in the garden, as "2026-07-16T18:30". */
  at: string
  plantingIds: string[]
  /** In the unit of the mix: litres, or what it goes on where it is no liquid. */
  litres: number | null
  wettedPercent: number
  parts: Schemas['WettedPart'][]
  /** "none" for nothing in particular: an empty value would show as nothing chosen. */
  target: string
  doneBy: string
  note: string
}
const draft = defineModel<SprayDraft>({ required: true })
const props = defineProps<{
  problem: Problem | null
  /** Name of the litres field in the request. */
  litresField: string
  /** What it is measured in: "l", "m²", "plants" or "stations"; null where there is nothing to measure, as with a dust that is on the books. */
  sizeUnit: string | null
  /** Plantings beside those that grow now, as a record of another year has them. */
  more?: { id: string; label: string }[]
}>()
const { plantingOptions, garden } = useGarden()
const where = computed(() => [
  ...plantingOptions.value,
  ...(props.more ?? []).filter((m) => !plantingOptions.value.some((n) => n.id === m.id)),
])
const targets = useTargets()
const against = computed(() => [
  { value: 'none', label: tell('ledger.nothingInParticular') },
  ...targets.value,
])
const sizeWords: Record<string, string> = {
  l: tell('ledger.howMuchSpray'),
  'm²': tell('ledger.howMuchGround'),
  plants: tell('garden.plants'),
  stations: tell('ledger.stations'),
}
const people = computed(() => (garden.value?.members ?? []).map((m) => ({ value: m.id, label: m.name })))
</script>

<template>
  <div class="fields">
    <div class="field">
      <label for="spray-at">{{ tell('almanac.when') }}</label>
      <input id="spray-at" v-model="draft.at" class="p-inputtext" type="datetime-local" />
      <FieldError :problem="problem" field="at" />
    </div>
    <div class="field wide">
      <label for="spray-where">{{ tell('bench.where') }}</label>
      <MultiSelect
        v-model="draft.plantingIds"
        input-id="spray-where"
        :options="where"
        option-label="label"
        option-value="id"
        :placeholder="tell('bench.chooseOnePlantingOrMore')"
        filter
        fluid
      />
      <FieldError :problem="problem" field="plantingIds" />
    </div>
    <div v-if="sizeUnit" class="field">
      <label for="spray-litres">{{ sizeWords[sizeUnit] ?? sizeUnit }}</label>
      <NumberField
        v-model="draft.litres"
        input-id="spray-litres"
        :min="0"
        :max="sizeUnit === 'l' ? 50 : 1000"
        :max-fraction-digits="2"
        :quantity="sizeUnit === 'l' ? 'volume' : sizeUnit === 'm²' ? 'area' : undefined"
        fluid
      />
      <FieldError :problem="problem" :field="litresField" />
    </div>
    <SelectField v-model="draft.target" :label="tell('almanac.against')" :options="against" filter>
      <FieldError :problem="problem" field="target" />
    </SelectField>
    <SelectField v-model="draft.doneBy" :label="tell('ledger.whoDid')" :options="people" />
    <div class="field">
      <label for="spray-wetted">{{
        sizeUnit === 'l' ? tell('ledger.leavesWetted') : tell('ledger.leavesReached')
      }}</label>
      <NumberField v-model="draft.wettedPercent" input-id="spray-wetted" :min="1" :max="100" fluid />
      <FieldError :problem="problem" field="shareWetted" />
    </div>
    <div class="field wide">
      <span id="spray-parts" class="label">{{
        sizeUnit === 'l' ? tell('ledger.whatWasWetted') : tell('ledger.whereItWent')
      }}</span>
      <SelectButton
        v-model="draft.parts"
        multiple
        :options="options(wettedPartWords)"
        option-label="label"
        option-value="value"
        aria-labelledby="spray-parts"
      />
    </div>
    <div class="field wide">
      <label for="spray-note">{{ tell('ledger.note') }}</label>
      <Textarea id="spray-note" v-model="draft.note" rows="2" auto-resize fluid />
      <FieldError :problem="problem" field="note" />
    </div>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
  gap: 14px;
}

.wide {
  grid-column: 1 / -1;
}
</style>
