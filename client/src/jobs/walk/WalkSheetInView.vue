<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { Problem, type Schemas } from '@/api/client'
import { useGarden } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import FieldError from '@/kit/FieldError.vue'
import NumberField from '@/kit/NumberField.vue'
import SelectField from '@/kit/SelectField.vue'
import { inSentence } from '@/kit/format'
import { fromLocal } from '@/kit/localTime'
import { useOutbox } from '@/outbox/useOutbox'
import { useKept } from '@/kit/useKept'
import { nothingSaid } from './useLook'
import { useWalk } from './useWalk'

/** What was written on the paper sheet: a line for each planting, saved as counts of one round. Lines stay on the device until they are saved. */
interface Line {
  /** Of its count, so that a line that is saved again is not counted twice. */
  id?: string
  looked: number | null
  affected: number | null
  target: string | null
  note: string
  /** The count was taken, and only its name was not: the ledger puts it right from there on. */
  counted?: boolean
}
const { gardenId, garden, memberId } = useGarden()
const outbox = useOutbox()
const walk = useWalk()
const lines = useKept<Record<string, Line>>('mauvaise-walk-sheet', {})
const at = ref('')
const problems = ref<Record<string, Problem>>({})
/** Why no line at all was saved. */
const problem = ref<Problem | null>(null)
const saving = ref(false)
const saved = ref(0)

const plantings = computed(() =>
  walk.all.value.flatMap((stop) => stop.plantings.map((p) => ({ ...p, place: stop.place }))),
)
const empty = (): Line => ({ id: crypto.randomUUID(), looked: null, affected: null, target: null, note: '' })
const line = (id: string): Line => (lines.value[id] ??= empty())
const filled = computed(() =>
  plantings.value.filter((p) => {
    const l = lines.value[p.plantingId]
    return l && (l.looked !== null || l.affected !== null || l.note !== '')
  }),
)
const suspects = (p: { watch: Schemas['WatchAnswer'][] }) =>
  p.watch.map((w) => ({ value: w.target, label: w.name }))

/** Saves line by line: what was taken goes from the sheet, what was refused stays with the reason. */
async function save() {
  saving.value = true
  saved.value = 0
  problems.value = {}
  problem.value = null
  try {
    const walkId = await walk.begin()
    const zone = garden.value?.timeZoneId ?? 'UTC'
    for (const p of filled.value) {
      const l = line(p.plantingId)
      // One that an older version kept has no id yet.
      const id = (l.id ??= crypto.randomUUID())
      try {
        if (!l.counted)
          await outbox.post({
            gardenId: gardenId.value,
            method: 'POST',
            path: `/api/gardens/${gardenId.value}/observations`,
            body: {
              id,
              plantingId: p.plantingId,
              walkId,
              memberId: memberId.value,
              at: at.value ? fromLocal(at.value, zone) : null,
              leavesLooked: l.looked ?? 0,
              leavesAffected: l.affected ?? 0,
              severityPercent: null,
              ...nothingSaid,
              signs: [],
              note: l.note || null,
              also: [],
              plants: null,
            },
            words: tell('walk.aCount'),
            stamp: at.value === '',
          })
        l.counted = true
        if (l.target && (l.affected ?? 0) > 0)
          await outbox.post({
            gardenId: gardenId.value,
            method: 'PUT',
            path: `/api/gardens/${gardenId.value}/observations/${id}/name`,
            body: { target: l.target, memberId: memberId.value, group: false, ownName: null },
            words: tell('walk.aName'),
          })
        walk.saw(walkId, p.plantingId)
        lines.value = Object.fromEntries(Object.entries(lines.value).filter(([of]) => of !== p.plantingId))
        saved.value++
      } catch (error) {
        if (!(error instanceof Problem)) throw error
        problems.value = { ...problems.value, [p.plantingId]: error }
      }
    }
  } catch (error) {
    if (!(error instanceof Problem)) throw error
    problem.value = error
  } finally {
    saving.value = false
  }
}
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>{{ tell('walk.whatStandsOnTheSheet') }}</h1>
      <p class="soft">{{ tell('walk.onlyLinesWithANumber') }}</p>
    </div>
    <AsyncState
      v-if="!walk.round.data.value"
      :pending="walk.round.isPending.value"
      :error="walk.round.error.value"
      :retry="walk.round.refetch"
    />
    <p v-else-if="plantings.length === 0" class="note">{{ tell('walk.nothingIsGrowingYet') }}</p>
    <form v-else novalidate @submit.prevent="save">
      <div class="field when">
        <label for="sheet-at">{{ tell('spray.whenIfNotJustNow') }}</label>
        <input id="sheet-at" v-model="at" class="p-inputtext" type="datetime-local" />
      </div>
      <fieldset v-for="p in plantings" :key="p.plantingId" class="card">
        <legend>{{ p.place }}: {{ inSentence(p.cropName) }}</legend>
        <div class="line">
          <div class="field">
            <label :for="`looked-${p.plantingId}`">{{ tell('walk.turnedOver') }}</label>
            <NumberField
              v-model="line(p.plantingId).looked"
              :input-id="`looked-${p.plantingId}`"
              :min="0"
              :disabled="line(p.plantingId).counted"
              fluid
            />
            <FieldError :problem="problems[p.plantingId] ?? null" field="leavesLooked" />
          </div>
          <div class="field">
            <label :for="`affected-${p.plantingId}`">{{ tell('walk.affected') }}</label>
            <NumberField
              v-model="line(p.plantingId).affected"
              :input-id="`affected-${p.plantingId}`"
              :min="0"
              :disabled="line(p.plantingId).counted"
              fluid
            />
            <FieldError :problem="problems[p.plantingId] ?? null" field="leavesAffected" />
          </div>
          <SelectField
            v-model="line(p.plantingId).target"
            :options="suspects(p)"
            :label="tell('suspects.itIsMostLike')"
          />
          <div class="field">
            <label :for="`note-${p.plantingId}`">{{ tell('ledger.note') }}</label>
            <InputText
              :id="`note-${p.plantingId}`"
              v-model="line(p.plantingId).note"
              :disabled="line(p.plantingId).counted"
              maxlength="2000"
              fluid
            />
          </div>
        </div>
        <FieldError :problem="problems[p.plantingId] ?? null" :shown="['leavesLooked', 'leavesAffected']" />
        <p v-if="line(p.plantingId).counted" class="soft small">{{ tell('walk.countedButNotNamed') }}</p>
      </fieldset>
      <FieldError :problem="problem" />
      <p v-if="saved" class="note good" role="status">{{ tell('walk.linesSaved', { n: saved }) }}</p>
      <div class="actions save">
        <Button
          type="submit"
          size="large"
          :label="tell('walk.saveTheLines', { lines: filled.length })"
          :disabled="filled.length === 0"
          :loading="saving"
        />
        <RouterLink :to="{ name: 'walk' }">{{ tell('walk.backToTheWalk') }}</RouterLink>
      </div>
    </form>
  </div>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
}

.when {
  max-width: 300px;
}

fieldset {
  min-width: 0;
  margin: 0;
}

legend {
  font: 700 1.05rem var(--heading);
}

.line {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(130px, 1fr));
  gap: 12px;
}

.line > * {
  min-width: 0;
}

.save {
  position: sticky;
  bottom: var(--job-bar);
  padding: 10px 0;
  background: var(--paper);
}
</style>
