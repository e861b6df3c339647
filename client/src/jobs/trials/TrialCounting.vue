<script setup lang="ts">
import { tell, remarked } from '@/language'
import Button from 'primevue/button'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import FieldError from '@/kit/FieldError.vue'
import { injuryWords, options } from '@/garden/words'
import { inSentence } from '@/kit/format'
import { useKept } from '@/kit/useKept'
import { useTrialWrites } from './useTrials'

/** All units counted in one go, by number; kept on the device until it is sent. */
const props = defineProps<{ trial: Schemas['TrialAnswer'] }>()
const { count } = useTrialWrites(() => props.trial.id)
interface Entry {
  id: string
  affected: number
  severity: number | null
  alive?: number | null
  injury?: Schemas['Injury']
}
const entries = useKept<Record<number, Entry>>(`mauvaise-trial-${props.trial.id}`, {})
const leaf = computed(() => props.trial.unit === 'leaf')
const done = computed(() => Object.keys(entries.value).length)
function set(unit: number, affected: number | null) {
  const rest = Object.fromEntries(Object.entries(entries.value).filter(([n]) => Number(n) !== unit))
  entries.value =
    affected === null
      ? rest
      : {
          ...rest,
          [unit]: {
            id: entries.value[unit]?.id ?? crypto.randomUUID(),
            affected: Math.max(0, Math.min(props.trial.leavesPerUnit, affected)),
            severity: entries.value[unit]?.severity ?? null,
            alive: entries.value[unit]?.alive ?? null,
            injury: entries.value[unit]?.injury ?? 'unsaid',
          },
        }
}
function note(unit: number, more: Partial<Entry>) {
  const entry = entries.value[unit]
  if (entry) entries.value = { ...entries.value, [unit]: { ...entry, ...more } }
}
const numberIn = (event: Event) => {
  const { value } = event.target as HTMLInputElement
  return value === '' ? null : Number(value)
}
/** What the treatment did, and what lives, is asked once the sides were treated. */
const treated = computed(() => props.trial.treatedAt !== null)
async function send() {
  const counts = Object.entries(entries.value).map(([unit, e]) => ({
    id: e.id,
    unit: Number(unit),
    leavesLooked: props.trial.leavesPerUnit,
    leavesAffected: e.affected,
    severityPercent: e.affected > 0 ? e.severity : null,
    alive: e.alive ?? null,
    injury: e.injury ?? 'unsaid',
  }))
  if (await count.mutateAsync(counts).catch(() => null)) entries.value = {}
}
</script>

<template>
  <section class="card stack" aria-labelledby="counting">
    <h2 id="counting">{{ tell('trials.count') }}</h2>
    <p class="soft">
      {{
        leaf
          ? tell('trials.eachMarkedLeafAffectedOrClean')
          : tell('trials.ofLeavesOnEachHowMany', { leavesPerUnit: trial.leavesPerUnit })
      }}
    </p>
    <ol>
      <li v-for="u in trial.units" :key="u.number">
        <span class="number">{{ u.number }}</span>
        <span class="soft where">{{
          remarked(u.where, u.side && tell('trials.side', { it: 'ABCDE'[u.side - 1] }))
        }}</span>
        <span v-if="leaf" role="group" :aria-label="tell('trials.unit', { number: u.number })" class="choose">
          <button
            type="button"
            :aria-pressed="entries[u.number]?.affected === 0"
            @click="set(u.number, entries[u.number]?.affected === 0 ? null : 0)"
          >
            {{ tell('trials.clean') }}
          </button>
          <button
            type="button"
            class="hit"
            :aria-pressed="entries[u.number]?.affected === 1"
            @click="set(u.number, entries[u.number]?.affected === 1 ? null : 1)"
          >
            {{ tell('trials.affected') }}
          </button>
        </span>
        <span v-else class="choose">
          <input
            type="number"
            min="0"
            :max="trial.leavesPerUnit"
            :aria-label="
              tell('trials.unitLeavesAffected', { number: u.number, leavesPerUnit: trial.leavesPerUnit })
            "
            :value="entries[u.number]?.affected ?? ''"
            @input="set(u.number, numberIn($event))"
          />
          <input
            v-if="trial.isDisease && (entries[u.number]?.affected ?? 0) > 0"
            type="number"
            min="0"
            max="100"
            :aria-label="tell('trials.unitPerCentOfSuch', { number: u.number })"
            :placeholder="tell('trials.covered')"
            :value="entries[u.number]?.severity ?? ''"
            @input="note(u.number, { severity: numberIn($event) })"
          />
        </span>
        <span v-if="treated && entries[u.number]" class="more">
          <input
            v-if="trial.isInsect"
            type="number"
            min="0"
            :aria-label="tell('trials.unitAlive', { number: u.number })"
            :placeholder="tell('trials.alive')"
            :value="entries[u.number]?.alive ?? ''"
            @input="note(u.number, { alive: numberIn($event) })"
          />
          <select
            :aria-label="tell('trials.unitHurt', { number: u.number })"
            :value="entries[u.number]?.injury ?? 'unsaid'"
            @change="
              note(u.number, { injury: ($event.target as HTMLSelectElement).value as Schemas['Injury'] })
            "
          >
            <option v-for="o in options(injuryWords)" :key="o.value" :value="o.value">
              {{ tell('trials.hurt', { how: inSentence(o.label) }) }}
            </option>
          </select>
        </span>
      </li>
    </ol>
    <FieldError :problem="count.error.value" />
    <div class="actions bar">
      <Button
        :label="tell('trials.saveThisCount', { done, units: trial.units.length })"
        :disabled="done === 0"
        :loading="count.isPending.value"
        @click="send"
      />
    </div>
  </section>
</template>

<style scoped>
.stack {
  display: grid;
  gap: 10px;
}

ol {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 330px), 1fr));
  gap: 0 24px;
}

li {
  display: grid;
  grid-template-columns: 34px 1fr auto;
  gap: 8px;
  align-items: center;
  min-height: 52px;
  border-bottom: 1px solid var(--line);
}

.number {
  font: 700 1.15rem var(--heading);
}

.choose {
  display: grid;
  grid-template-columns: repeat(2, 82px);
  gap: 6px;
}

button {
  min-height: 44px;
  border: 1px solid var(--ink-soft);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  cursor: pointer;
}

button[aria-pressed='true'] {
  border-color: var(--leaf-line);
  box-shadow: inset 0 0 0 1px var(--leaf-line);
  background: var(--leaf-soft);
  color: var(--leaf-ink);
  font-weight: 600;
}

button.hit[aria-pressed='true'] {
  border-color: var(--brick);
  box-shadow: inset 0 0 0 1px var(--brick);
  background: var(--brick-soft);
  color: var(--brick-ink);
}

.more {
  grid-column: 2 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  justify-content: end;
  padding-bottom: 6px;
}

/* Its words are read whole; the number beside it takes what is left. */
select {
  flex: none;
  width: auto;
}

.more input {
  flex: 1 1 92px;
  max-width: 160px;
}

input,
select {
  min-width: 92px;
  min-height: 44px;
  padding: 0 8px;
  font: inherit;
  color: var(--ink);
  background: var(--surface);
  border: 1px solid var(--ink-soft);
  border-radius: var(--radius);
}
</style>
