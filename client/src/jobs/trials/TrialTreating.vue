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
    .filter((s) => s.recipe)
    .map((s) => ({
      number: s.number,
      letter: s.letter,
      name: s.name,
      litres: 0.2,
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
    <h2 id="treat">{{ tell('trials.treatTheSides') }}</h2>
    <p class="soft">
      {{ tell('trials.allOnTheSameEveningEach') }}
    </p>
    <div v-for="s in sides" :key="s.number" class="side">
      <label :for="`litres-${s.number}`">{{
        tell('trials.howMuch', { letter: s.letter, it: s.name })
      }}</label>
      <NumberField
        v-model="s.litres"
        :input-id="`litres-${s.number}`"
        :min="0.05"
        :max="50"
        quantity="volume"
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
