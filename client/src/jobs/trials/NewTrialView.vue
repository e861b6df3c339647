<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import SelectButton from 'primevue/selectbutton'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import { useTargets } from '@/garden/useTargets'
import { options, stepWords, trialUnitWords } from '@/garden/words'
import FieldError from '@/kit/FieldError.vue'
import SelectField from '@/kit/SelectField.vue'
import { useRecipes } from '../ledger/useLedger'
import { useTrialPower } from './useTrials'
import NumberField from '@/kit/NumberField.vue'

/** A trial is set up: what is held against what, on which plants, how many; and what that can show. */
const router = useRouter()
const { plantingOptions: where, memberId } = useGarden()
const id = crypto.randomUUID()
const recipes = useRecipes()
const against = useTargets()
const name = ref('')
const target = ref('')
const unit = ref<Schemas['TrialUnitKind']>('leaf')
const leaves = ref(10)
const blind = ref(false)
const treated = ref([{ what: '', step: 'usual' as Schemas['DoseStep'], words: '' }])
const { data: measures } = useQuery({
  queryKey: ['measures'],
  queryFn: () => answer(api.GET('/api/catalogue/measures')),
  staleTime: Infinity,
})
const somethingElse = 'else'
const byHandRungs = ['helpers', 'hands', 'prune', 'isolate']
/** What a side may be: a mix, something done by hand, or something else in one's own words. */
const choices = computed(() => [
  ...(recipes.data.value ?? []).map((r) => ({ value: `mix:${r.id}`, label: r.name })),
  ...(measures.value ?? [])
    .filter((m) => byHandRungs.includes(m.rung))
    .map((m) => ({ value: `hand:${m.id}`, label: tell('trials.byHand', { name: m.name }) })),
  { value: somethingElse, label: tell('shelf.somethingElse') },
])
const isMixed = (what: string) => what === '' || what.startsWith('mix:')
const sideOf = (t: { what: string; step: Schemas['DoseStep']; words: string }) => ({
  recipe: t.what.startsWith('mix:') ? t.what.slice(4) : null,
  step: t.step,
  byHand: t.what.startsWith('hand:') ? t.what.slice(5) : t.what === somethingElse ? t.words : null,
})
const units = ref<Record<string, number>>({})
const chosen = computed(() =>
  Object.entries(units.value)
    .filter(([, n]) => n > 0)
    .map(([plantingId, n]) => ({ plantingId, units: unit.value === 'place' ? 1 : n })),
)
const leavesPerUnit = computed(() => (unit.value === 'leaf' ? 1 : leaves.value))
const power = useTrialPower(() => ({
  units: chosen.value.reduce((sum, c) => sum + c.units, 0),
  leavesPerUnit: leavesPerUnit.value,
  sides: treated.value.length + 1,
}))
const saving = useGardenWrite((gardenId) =>
  answer(
    api.POST('/api/gardens/{gardenId}/trials', {
      params: { path: { gardenId } },
      body: {
        id,
        name: name.value,
        target: target.value,
        unit: unit.value,
        leavesPerUnit: leavesPerUnit.value,
        blind: blind.value,
        sides: [{ recipe: null, step: 'usual', byHand: null }, ...treated.value.map(sideOf)],
        plantings: chosen.value,
        memberId: memberId.value,
      },
    }),
  ),
)
async function save() {
  if (await saving.mutateAsync().catch(() => null))
    await router.push({ name: 'trial', params: { trialId: id } })
}
</script>

<template>
  <div class="page narrow">
    <div class="page-head">
      <h1>{{ tell('trials.beginATrial') }}</h1>
      <p class="soft">{{ tell('trials.oneSideIsLeftAlone') }}</p>
    </div>
    <section class="card stack">
      <div class="field">
        <label for="trial-name">{{ tell('beds.name') }}</label>
        <InputText id="trial-name" v-model="name" :placeholder="tell('trials.milkOnTheSquash')" fluid />
        <FieldError :problem="saving.error.value" field="name" />
      </div>
      <SelectField
        v-model="target"
        :label="tell('almanac.against')"
        :options="against"
        filter
        :placeholder="tell('bench.chooseAPestOrDisease')"
      >
        <FieldError :problem="saving.error.value" field="target" />
      </SelectField>
    </section>
    <section class="card stack" aria-labelledby="sides">
      <h2 id="sides">{{ tell('trials.sides') }}</h2>
      <p>
        {{ tell('trials.sideAIsLeftAlone') }}
      </p>
      <div v-for="(t, i) in treated" :key="i" class="side">
        <SelectField
          v-model="t.what"
          :label="tell('trials.side2', { letter: 'BCDE'[i] })"
          :options="choices"
          filter
          :placeholder="tell('ledger.chooseAMix')"
        />
        <div v-if="t.what === somethingElse" class="field">
          <label :for="`words-${i}`">{{ tell('trials.whatIsDone') }}</label>
          <InputText :id="`words-${i}`" v-model="t.words" maxlength="60" fluid />
        </div>
        <SelectField
          v-else-if="isMixed(t.what)"
          v-model="t.step"
          :label="tell('trials.doseOfSide', { it: 'BCDE'[i] })"
          :options="options(stepWords)"
        />
        <Button
          v-if="treated.length > 1"
          :label="tell('trials.takeAway')"
          :aria-label="tell('trials.takeSideAway', { it: 'BCDE'[i] })"
          variant="text"
          size="small"
          @click="treated.splice(i, 1)"
        />
      </div>
      <div>
        <Button
          v-if="treated.length < 4"
          :label="tell('trials.oneMoreSide')"
          variant="outlined"
          size="small"
          @click="treated.push({ what: '', step: 'usual', words: '' })"
        />
      </div>
      <FieldError :problem="saving.error.value" field="sides" />
    </section>
    <section class="card stack" aria-labelledby="on-what">
      <h2 id="on-what">{{ tell('trials.onWhat') }}</h2>
      <div class="field">
        <span id="unit" class="label">{{ tell('trials.whatIsTreatedAndCounted') }}</span>
        <SelectButton
          v-model="unit"
          :options="options(trialUnitWords)"
          option-label="label"
          option-value="value"
          :allow-empty="false"
          aria-labelledby="unit"
        />
      </div>
      <div v-if="unit !== 'leaf'" class="field">
        <label for="leaves">{{ tell('trials.leavesToCountOnEach') }}</label>
        <NumberField v-model="leaves" input-id="leaves" :min="1" :max="100" fluid />
        <FieldError :problem="saving.error.value" field="leavesPerUnit" />
      </div>
      <ul>
        <li v-for="p in where" :key="p.id">
          <label :for="`units-${p.id}`">{{ p.label }}</label>
          <input
            v-if="unit === 'place'"
            :id="`units-${p.id}`"
            type="checkbox"
            :checked="(units[p.id] ?? 0) > 0"
            @change="units[p.id] = ($event.target as HTMLInputElement).checked ? 1 : 0"
          />
          <input
            v-else
            :id="`units-${p.id}`"
            type="number"
            min="0"
            max="200"
            :value="units[p.id] ?? 0"
            :aria-label="tell('trials.at', { unit: trialUnitWords[unit], place: p.label })"
            @input="units[p.id] = Number(($event.target as HTMLInputElement).value) || 0"
          />
        </li>
      </ul>
      <p v-if="where.length === 0" class="note">{{ tell('trials.nothingGrowsYetSoThere') }}</p>
      <FieldError :problem="saving.error.value" field="plantings" />
      <p class="note" role="status">
        {{ chosen.length > 0 ? (power.data.value?.sentence ?? '') : tell('trials.sayHowManyLeavesOrPlants') }}
      </p>
      <label class="tick"
        ><input v-model="blind" type="checkbox" /> {{ tell('trials.countBlindWhichSideAUnit') }}</label
      >
    </section>
    <FieldError
      :problem="saving.error.value"
      :shown="['name', 'target', 'sides', 'plantings', 'leavesPerUnit']"
    />
    <div class="actions">
      <Button
        :label="tell('trials.drawTheLot')"
        size="large"
        :loading="saving.isPending.value"
        @click="save"
      />
    </div>
  </div>
</template>

<style scoped>
.stack {
  display: grid;
  gap: 12px;
}

.side {
  display: grid;
  grid-template-columns: 1fr minmax(0, 200px) auto;
  gap: 10px;
  align-items: end;
}

li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  min-height: 44px;
  border-bottom: 1px solid var(--line);
}

li input[type='number'] {
  width: 84px;
  min-height: 40px;
  padding: 0 8px;
  font: inherit;
  text-align: right;
  color: var(--ink);
  background: var(--surface);
  border: 1px solid var(--ink-soft);
  border-radius: var(--radius);
}

input[type='checkbox'] {
  width: 24px;
  height: 24px;
  accent-color: var(--mauve);
}

.tick {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 44px;
}

@media (max-width: 640px) {
  .side {
    grid-template-columns: 1fr;
  }
}
</style>
