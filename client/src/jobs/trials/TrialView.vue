<script setup lang="ts">
import { inSentence } from '@/kit/format'
import { tell, remarked } from '@/language'
import Button from 'primevue/button'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import HatchPatterns from '@/drawings/HatchPatterns.vue'
import { trialUnitWords } from '@/garden/words'
import AsyncState from '@/kit/AsyncState.vue'
import FieldError from '@/kit/FieldError.vue'
import TrialCounting from './TrialCounting.vue'
import TrialSides from './TrialSides.vue'
import TrialTreating from './TrialTreating.vue'
import { useTrial, useTrialWrites } from './useTrials'

/** A trial: how its sides came out, what comes next, and the counting itself. */
const props = defineProps<{ trialId: string }>()
const router = useRouter()
const { data, isPending, error, refetch } = useTrial(() => props.trialId)
const { close } = useTrialWrites(() => props.trialId)
/** What came of it stands first; until then what is to be done does. */
const told = computed(() => data.value?.closedAt != null || data.value?.sides.some((s) => s.verdict !== null))
</script>

<template>
  <div class="page paper">
    <HatchPatterns />
    <AsyncState v-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <template v-else>
      <div class="page-head">
        <h1>{{ data.name }}</h1>
        <p class="soft">
          {{
            remarked(
              tell('trials.unitsLot', {
                targetName: data.targetName,
                trialUnitWords: inSentence(trialUnitWords[data.unit]),
                units: data.units.length,
                seed: data.seed,
              }),
              data.blind && tell('trials.countedBlind'),
            )
          }}
        </p>
      </div>
      <p class="note" role="status">{{ data.next }}</p>
      <div class="actions no-print">
        <Button
          :label="tell('trials.labelsAndWhoGetsWhat')"
          variant="outlined"
          @click="router.push({ name: 'trial-labels', params: { trialId } })"
        />
        <Button
          v-if="!data.closedAt && data.treatedAt && data.countRounds > 0"
          :label="tell('trials.closeTheTrial')"
          variant="outlined"
          :loading="close.isPending.value"
          @click="close.mutate()"
        />
      </div>
      <FieldError :problem="close.error.value" />
      <TrialSides v-if="told" :trial="data" />
      <template v-if="!data.closedAt">
        <TrialTreating v-if="!data.treatedAt && data.countRounds > 0" :trial="data" />
        <details v-else-if="data.treatedAt" class="no-print">
          <summary>{{ tell('trials.treatThemAgain') }}</summary>
          <TrialTreating :key="data.treatedTimes" :trial="data" />
        </details>
        <TrialCounting :trial="data" />
      </template>
      <TrialSides v-if="!told" :trial="data" />
    </template>
  </div>
</template>
