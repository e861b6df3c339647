<script setup lang="ts">
import { remarked, tell } from '@/language'
import Button from 'primevue/button'
import MultiSelect from 'primevue/multiselect'
import SelectButton from 'primevue/selectbutton'
import Textarea from 'primevue/textarea'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenQuery, useGardenWrite } from '@/garden/useGarden'
import { options, stepWords, wettedPartWords } from '@/garden/words'
import AsyncState from '@/kit/AsyncState.vue'
import FieldError from '@/kit/FieldError.vue'
import GeneralCaution from '@/kit/GeneralCaution.vue'
import { civilDay, clock, dayAndClock, inSentence } from '@/kit/format'
import { fromLocal, toLocal } from '@/kit/localTime'
import BottleLabel from './BottleLabel.vue'
import NumberField from '@/kit/NumberField.vue'

const props = defineProps<{ batchId: string }>()
const router = useRouter()
const route = useRoute()
/** Numbers of the plants that the bench mixed for; none for all. */
const plants = computed(() =>
  [route.query.plants ?? []]
    .flat()
    .map(Number)
    .filter((n) => n > 0),
)
const { garden, memberId, plantingOptions: places } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')

const {
  data: batch,
  isPending,
  error,
} = useGardenQuery(
  computed(() => ['batch', props.batchId]),
  (gardenId) =>
    answer(
      api.GET('/api/gardens/{gardenId}/batches/{batchId}', {
        params: { path: { gardenId, batchId: props.batchId } },
      }),
    ),
)
const { data: windows } = useGardenQuery(
  computed(() => ['windows', batch.value?.plantingIds, batch.value?.material, 'now']),
  (gardenId) =>
    answer(
      api.GET('/api/gardens/{gardenId}/windows', {
        params: {
          path: { gardenId },
          query: {
            planting: batch.value?.plantingIds ?? [],
            material: batch.value?.material ?? '',
            hours: 24,
            anyHour: true,
          },
        },
      }),
    ),
  () => batch.value !== undefined,
)
const now = computed(() => windows.value?.hours[0])
const next = computed(() => windows.value?.best[0])

const litres = ref<number>()
/** Nobody said how much of the leaves was wetted: the app reckons with the usual share then. */
const wetted = ref<number | null>(null)
const parts = ref<Schemas['WettedPart'][]>([])
const patch = ref(false)
const anyway = ref(false)
const note = ref('')
/** Said where it went on before now; empty for now. */
const earlier = ref('')
const where = ref<string[]>([])
watch(
  batch,
  (b) => {
    if (!b || litres.value !== undefined) return
    litres.value = b.litresLeft
    where.value = [...b.plantingIds]
    patch.value = b.patchTest
  },
  { immediate: true },
)
const wet = computed(() => (batch.value?.litres ?? 0) > 0)

const applicationId = crypto.randomUUID()
const saving = useGardenWrite((gardenId) => {
  if (!batch.value) throw new Error('no bottle')
  return answer(
    api.POST('/api/gardens/{gardenId}/applications', {
      params: { path: { gardenId } },
      body: {
        id: applicationId,
        batchId: props.batchId,
        plantingIds: where.value,
        litres: wet.value ? (litres.value ?? 0) : 0,
        shareWetted: wetted.value === null ? null : wetted.value / 100,
        parts: wet.value && parts.value.length > 0 ? parts.value : null,
        patchTest: patch.value,
        at: earlier.value ? fromLocal(earlier.value, zone.value) : null,
        anyway: anyway.value,
        note: note.value || null,
        plants: plants.value.length > 0 && where.value.length === 1 ? plants.value : null,
        memberId: memberId.value,
      },
    }),
  )
})
const logged = computed(() => saving.data.value)
</script>

<template>
  <div class="page narrow">
    <AsyncState v-if="!batch" :pending="isPending" :error="error" />
    <template v-else-if="logged">
      <h1>{{ tell('outing.logged') }}</h1>
      <p class="note good">
        {{
          tell('spray.materialWhereDayandclock', {
            material: logged.litres
              ? tell('spray.amountOf', { amount: logged.amount, material: inSentence(logged.material) })
              : inSentence(logged.material),
            where: logged.where.join(', '),
            dayAndClock: dayAndClock(logged.at, zone),
          })
        }}
      </p>
      <dl class="card">
        <dt>{{ tell('checkback.checkBack') }}</dt>
        <dd>
          {{ civilDay(logged.checkBackOn) }}:
          {{ patch ? tell('spray.lookAtTheTwoLeaves') : tell('spray.countTheSameLeavesAgain') }}
        </dd>
        <dt>{{ tell('spray.pickAgain') }}</dt>
        <dd>
          {{
            logged.pickFrom
              ? tell('spray.fromWashed', { pickFrom: civilDay(logged.pickFrom) })
              : tell('spray.whenItsLabelSays')
          }}
        </dd>
      </dl>
      <div class="actions">
        <Button :label="tell('checkback.toTheBoard')" size="large" @click="router.push('/')" />
        <Button
          :label="tell('spray.allCheckBacks')"
          variant="outlined"
          @click="router.push({ name: 'check-backs' })"
        />
      </div>
    </template>
    <template v-else>
      <div class="page-head">
        <h1>{{ tell('ledger.logThisSpray') }}</h1>
        <p class="soft">
          {{
            remarked(
              tell('spray.doseOn', {
                recipeName: batch.recipeName,
                stepWords: stepWords[batch.step],
                for: batch.for.join(', '),
              }),
              plants.length > 0 && tell('bench.theSick', { plants: plants.join(', ') }),
            )
          }}
        </p>
      </div>
      <p
        v-if="now && now.verdict !== 'good'"
        class="note"
        :class="now.verdict === 'never' ? 'stop' : 'caution'"
      >
        <strong>{{ now.verdict === 'never' ? tell('spray.notNow') : tell('spray.notTheBestHour') }}</strong>
        {{ now.rules[0]?.sentence }}
        <template v-if="next">
          {{ tell('spray.best', { dayAndClock: dayAndClock(next.start, zone), end: clock(next.end, zone) })
          }}{{ ' ' }}</template
        >
        <RouterLink :to="{ name: 'hours', query: { planting: batch.plantingIds, material: batch.material } }">
          {{ tell('spray.allHours') }}</RouterLink
        >
      </p>
      <p v-else-if="now" class="note good">
        <strong>{{ tell('spray.aGoodHour') }}</strong> {{ tell('spray.undersidesFirstThenTopsAndStems') }}
      </p>
      <div class="field">
        <label for="where">{{ tell('ledger.whereItWent') }}</label>
        <MultiSelect
          v-model="where"
          input-id="where"
          :options="places"
          option-label="label"
          option-value="id"
          :placeholder="tell('bench.chooseOnePlantingOrMore')"
          filter
          fluid
        />
        <FieldError :problem="saving.error.value" field="plantingIds" />
      </div>
      <div class="form">
        <div v-if="wet" class="field">
          <label for="litres">{{ tell('spray.howMuchWasUsed') }}</label>
          <NumberField
            v-model="litres"
            input-id="litres"
            fluid
            :min="0"
            :max="50"
            quantity="volume"
            :invalid="!!saving.error.value?.fields.litres"
          />
          <FieldError :problem="saving.error.value" field="litres" />
        </div>
        <div class="field">
          <label for="wetted">{{ tell('ledger.leavesWetted') }}</label>
          <NumberField
            v-model="wetted"
            input-id="wetted"
            :placeholder="tell('garden.notSaid')"
            fluid
            :min="1"
            :max="100"
            :invalid="!!saving.error.value?.fields.shareWetted"
          />
          <FieldError :problem="saving.error.value" field="shareWetted" />
        </div>
      </div>
      <div v-if="wet" class="field">
        <span id="parts" class="label">{{ tell('ledger.whatWasWetted') }}</span>
        <SelectButton
          v-model="parts"
          multiple
          :options="options(wettedPartWords)"
          option-label="label"
          option-value="value"
          aria-labelledby="parts"
        />
      </div>
      <label v-if="wet" class="patch"
        ><input v-model="patch" type="checkbox" :disabled="batch.patchTest" />
        {{ tell('spray.onlyTwoLeavesToSeeWhether') }}</label
      >
      <div class="field">
        <label for="spray-at">{{ tell('spray.whenIfNotJustNow') }}</label>
        <input
          id="spray-at"
          v-model="earlier"
          class="p-inputtext"
          type="datetime-local"
          :min="toLocal(batch.madeAt, zone)"
          :max="garden && toLocal(garden.now, zone)"
        />
        <FieldError :problem="saving.error.value" field="at" />
      </div>
      <div class="field">
        <label for="spray-note">{{ tell('ledger.note') }}</label>
        <Textarea id="spray-note" v-model="note" rows="2" auto-resize maxlength="2000" />
      </div>
      <FieldError :problem="saving.error.value" :shown="['litres', 'shareWetted', 'plantingIds', 'at']" />
      <label v-if="saving.error.value?.code.startsWith('use-')" class="patch"
        ><input v-model="anyway" type="checkbox" /> {{ tell('spray.itIsDoneAlreadyLog') }}</label
      >
      <div class="actions">
        <Button
          :label="tell('ledger.logThisSpray')"
          size="large"
          :loading="saving.isPending.value"
          @click="saving.mutate()"
        />
      </div>
      <p v-for="c in batch.cautions" :key="c" class="note caution">{{ c }}</p>
      <GeneralCaution />
      <section class="card bottle">
        <BottleLabel :batch="batch" :zone="zone" />
        <RouterLink :to="{ name: 'label', params: { batchId } }">{{
          tell('spray.printTheLabelAtItsReal')
        }}</RouterLink>
      </section>
    </template>
  </div>
</template>

<style scoped>
.bottle {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
}

.form {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
  gap: 14px;
}

.patch {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 44px;
}

.patch input {
  width: 22px;
  height: 22px;
  accent-color: var(--mauve);
}

dl {
  margin: 0;
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 6px 18px;
}

dt {
  font-weight: 600;
}

dd {
  margin: 0;
}
</style>
