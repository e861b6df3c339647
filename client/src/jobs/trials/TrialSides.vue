<script setup lang="ts">
import { tell, remarked } from '@/language'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import RangeBar from '@/drawings/RangeBar.vue'
import { useGarden } from '@/garden/useGarden'
import { dayAndClock, percent, trim } from '@/kit/format'

/** The sides of a trial and how they came out, held against the one left alone. */
const props = defineProps<{ trial: Schemas['TrialAnswer'] }>()
const { garden } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const tone = { works: 'good', doesLittle: 'caution', makesItWorse: 'stop', tooFewToTell: '' } as const
const controls = computed(() =>
  props.trial.sides
    .filter((s) => s.controlPercent !== null)
    .map((s) => ({
      name: tell('trials.side2', { letter: s.letter }),
      value: s.controlPercent ?? 0,
      low: s.controlLow ?? undefined,
      high: s.controlHigh ?? undefined,
      tone: 'now' as const,
    })),
)
const lowest = computed(() => Math.max(-100, Math.min(0, ...controls.value.map((c) => c.low ?? 0))))
</script>

<template>
  <section class="card sides" aria-labelledby="sides">
    <h2 id="sides">{{ tell('trials.sides') }}</h2>
    <RangeBar
      v-if="controls.length"
      :estimates="controls"
      :from="lowest"
      :to="100"
      :mark="0"
      :mark-name="tell('trials.nothingHeldBack')"
    />
    <ul>
      <li v-for="s in trial.sides" :key="s.number">
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
            <span class="soft">{{
              remarked(
                tell('trials.units', { units: s.units }),
                s.affectedBefore !== null &&
                  tell('trials.affectedBefore', { affectedBefore: percent(s.affectedBefore) }),
                s.affected !== null && tell('trials.after', { affected: percent(s.affected) }),
                s.hurt !== null && s.hurt > 0 && tell('trials.hurtOfUnits', { share: percent(s.hurt) }),
                s.aliveALeaf !== null && tell('trials.aliveALeaf', { number: trim(s.aliveALeaf, 2) }),
                s.areaUnderCurve !== null &&
                  tell('trials.areaUnderTheCurve', { areaUnderCurve: Math.round(s.areaUnderCurve) }),
              )
            }}</span>
          </p>
          <p :class="['verdict', s.verdict ? tone[s.verdict] : '']">
            {{ s.sentence }}
            <span v-if="s.method" class="soft small">{{
              tell('trials.methodBy', { method: s.method })
            }}</span>
          </p>
        </div>
      </li>
    </ul>
    <template v-if="trial.pairs.length">
      <h3>{{ tell('trials.againstEachOther') }}</h3>
      <p v-for="p in trial.pairs" :key="p.first + p.second" :class="{ soft: !p.differs }">{{ p.sentence }}</p>
    </template>
    <p class="soft">{{ trial.power }}</p>
    <p v-if="trial.treatedAt" class="soft small">
      {{ tell('trials.treated', { dayAndClock: dayAndClock(trial.treatedAt, zone) }) }}
      <template v-if="trial.treatedTimes > 1">{{
        tell('trials.treatedTimes', { n: trial.treatedTimes })
      }}</template>
    </p>
  </section>
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
