<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import HatchPatterns from '@/drawings/HatchPatterns.vue'
import RangeBar from '@/drawings/RangeBar.vue'
import { useGarden } from '@/garden/useGarden'
import { trialUnitWords } from '@/garden/words'
import AsyncState from '@/kit/AsyncState.vue'
import FieldError from '@/kit/FieldError.vue'
import { dayAndClock, percent } from '@/kit/format'
import TrialCounting from './TrialCounting.vue'
import TrialTreating from './TrialTreating.vue'
import { useTrial, useTrialWrites } from './useTrials'

/** A trial: how its sides came out, what comes next, and the counting itself. */
const props = defineProps<{ trialId: string }>()
const router = useRouter()
const { garden } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const { data, isPending, error, refetch } = useTrial(() => props.trialId)
const { close } = useTrialWrites(() => props.trialId)
const tone = { works: 'good', doesLittle: 'caution', makesItWorse: 'stop', tooFewToTell: '' } as const
const controls = computed(() =>
  (data.value?.sides ?? [])
    .filter((s) => s.controlPercent !== null)
    .map((s) => ({
      name: `Side ${s.letter}`,
      value: s.controlPercent ?? 0,
      low: s.controlLow ?? undefined,
      high: s.controlHigh ?? undefined,
      tone: 'now' as const,
    })),
)
const lowest = computed(() => Math.max(-100, Math.min(0, ...controls.value.map((c) => c.low ?? 0))))
</script>

<template>
  <div class="page paper">
    <HatchPatterns />
    <AsyncState v-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <template v-else>
      <div class="page-head">
        <h1>{{ data.name }}</h1>
        <p class="soft">
          {{ data.targetName }}, {{ trialUnitWords[data.unit].toLowerCase() }}, {{ data.units.length }} units;
          lot {{ data.seed }}<template v-if="data.blind">, counted blind</template>
        </p>
      </div>
      <p class="note" role="status">{{ data.next }}</p>
      <div class="actions no-print">
        <Button
          label="Labels and who gets what"
          variant="outlined"
          @click="router.push({ name: 'trial-labels', params: { trialId } })"
        />
        <Button
          v-if="!data.closedAt && data.treatedAt && data.countRounds > 0"
          label="Close the trial"
          variant="outlined"
          :loading="close.isPending.value"
          @click="close.mutate()"
        />
      </div>
      <FieldError :problem="close.error.value" />
      <section class="card sides" aria-labelledby="sides">
        <h2 id="sides">Sides</h2>
        <RangeBar
          v-if="controls.length"
          :estimates="controls"
          :from="lowest"
          :to="100"
          :mark="0"
          mark-name="nothing held back"
        />
        <ul>
          <li v-for="s in data.sides" :key="s.number">
            <svg width="18" height="18" aria-hidden="true">
              <rect
                width="18"
                height="18"
                :fill="s.hatch ? `url(#hatch-${s.hatch})` : 'none'"
                stroke="currentColor"
              />
            </svg>
            <div>
              <p>
                <strong class="side-name">{{ s.letter }}: {{ s.name }}</strong>
                <span class="soft"
                  >{{ s.units }} units<template v-if="s.affectedBefore !== null"
                    >, {{ percent(s.affectedBefore) }} affected before</template
                  ><template v-if="s.affected !== null">, {{ percent(s.affected) }} after</template
                  ><template v-if="s.areaUnderCurve !== null"
                    >, area under the curve {{ Math.round(s.areaUnderCurve) }}</template
                  ></span
                >
              </p>
              <p :class="['verdict', s.verdict ? tone[s.verdict] : '']">
                {{ s.sentence }} <span v-if="s.method" class="soft small">By {{ s.method }}.</span>
              </p>
            </div>
          </li>
        </ul>
        <p class="soft">{{ data.power }}</p>
        <p v-if="data.treatedAt" class="soft small">Treated {{ dayAndClock(data.treatedAt, zone) }}.</p>
      </section>
      <template v-if="!data.closedAt">
        <TrialTreating v-if="!data.treatedAt && data.countRounds > 0" :trial="data" />
        <TrialCounting :trial="data" />
      </template>
    </template>
  </div>
</template>

<style scoped>
.sides {
  display: grid;
  gap: 10px;
}

li {
  display: grid;
  grid-template-columns: 22px 1fr;
  gap: 8px;
  padding: 8px 0;
  border-top: 1px solid var(--line);
}

.side-name {
  margin-right: 10px;
}

.verdict.good {
  color: var(--leaf-ink);
}

.verdict.caution {
  color: var(--amber-ink);
}

.verdict.stop {
  color: var(--brick-ink);
}
</style>
