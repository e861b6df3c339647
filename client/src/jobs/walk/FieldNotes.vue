<script setup lang="ts">
import { tell } from '@/language'
import SelectButton from 'primevue/selectbutton'
import Textarea from 'primevue/textarea'
import { antsWords, bedSideWords, options, plantPartWords, rootCheckWords } from '@/garden/words'
import CreatureDrawing from '@/drawings/CreatureDrawing.vue'
import NumberStepper from '@/kit/NumberStepper.vue'
import SelectField from '@/kit/SelectField.vue'
import type { Look } from './useLook'

/** Ants, helpers, where on the plant and in the bed, roots, and a note: what is seen beside the leaves. */
const draft = defineModel<Look>({ required: true })
const helpers = ['ladybird', 'ladybird-larva', 'lacewing-larva', 'hoverfly-larva', 'predatory-mite']
</script>

<template>
  <div class="notes">
    <div class="row">
      <span id="ants" class="label">{{ tell('walk.ants') }}</span>
      <SelectButton
        :model-value="draft.ants === 'unsaid' ? null : draft.ants"
        :options="options(antsWords).filter((a) => a.value !== 'unsaid')"
        option-label="label"
        option-value="value"
        aria-labelledby="ants"
        @update:model-value="draft.ants = $event ?? 'unsaid'"
      />
    </div>
    <div>
      <NumberStepper v-model="draft.helpers" :label="tell('walk.helpers')" />
      <p class="creatures" aria-hidden="true">
        <CreatureDrawing v-for="h in helpers" :key="h" :creature="h" :size="48" />
      </p>
    </div>
    <div>
      <NumberStepper v-model="draft.mummies" :label="tell('walk.mummiesTanRoundStill')" />
      <p class="creatures" aria-hidden="true"><CreatureDrawing creature="mummy" :size="48" /></p>
    </div>
    <div class="pair">
      <SelectField
        v-model="draft.part"
        :label="tell('walk.mostlyOnThePlants')"
        :options="options(plantPartWords)"
      />
      <SelectField
        v-model="draft.side"
        :label="tell('walk.whereInTheBed')"
        :options="options(bedSideWords)"
      />
      <SelectField v-model="draft.roots" :label="tell('walk.roots')" :options="options(rootCheckWords)" />
    </div>
    <div class="field">
      <label for="note">{{ tell('ledger.note') }}</label>
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

.creatures {
  display: flex;
  gap: 6px;
}

.pair {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(160px, 1fr));
  gap: 12px;
}
</style>
