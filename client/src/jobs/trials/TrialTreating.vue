<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import { ref } from 'vue'
import type { Schemas } from '@/api/client'
import FieldError from '@/kit/FieldError.vue'
import { useTrialWrites } from './useTrials'
import NumberField from '@/kit/NumberField.vue'

/** The sides were treated: how much went on each. */
const props = defineProps<{ trial: Schemas['TrialAnswer'] }>()
const { treat } = useTrialWrites(() => props.trial.id)
const sides = ref(
  props.trial.sides
    .filter((s) => s.recipe !== null || s.byHand !== null)
    .map((s) => ({
      number: s.number,
      letter: s.letter,
      name: s.name,
      unit: s.sizeUnit,
      litres: s.recipe ? (s.sizeUnit === 'l' ? 0.2 : 1) : 0,
      batchId: crypto.randomUUID(),
      applicationId: crypto.randomUUID(),
    })),
)
const save = () =>
  treat.mutate(
    sides.value.map(({ number, batchId, applicationId, litres }) => ({
      number,
      batchId,
      applicationId,
      litres,
    })),
  )
</script>

<template>
  <section class="card stack" aria-labelledby="treat">
    <h2 id="treat">
      {{ trial.treatedAt ? tell('trials.treatThemAgain') : tell('trials.treatTheSides') }}
    </h2>
    <p class="soft">
      {{ tell('trials.allOnTheSameEveningEach') }}
    </p>
    <div v-for="s in sides" :key="s.number" class="side">
      <label v-if="s.unit" :for="`litres-${s.number}`">{{
        tell('trials.howMuch', { letter: s.letter, it: s.name })
      }}</label>
      <span v-else>{{ tell('trials.doneByHand', { letter: s.letter, name: s.name }) }}</span>
      <NumberField
        v-if="s.unit"
        v-model="s.litres"
        :input-id="`litres-${s.number}`"
        :min="0.05"
        :max="s.unit === 'l' ? 50 : 1000"
        v-bind="s.unit === 'l' ? { quantity: 'volume' } : { suffix: ` ${s.unit}` }"
      />
    </div>
    <FieldError :problem="treat.error.value" />
    <div class="actions">
      <Button :label="tell('trials.theyAreTreated')" :loading="treat.isPending.value" @click="save" />
    </div>
  </section>
</template>

<style scoped>
.stack {
  display: grid;
  gap: 10px;
}

.side {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
}
</style>
