<script setup lang="ts">
import { household, measureAs } from '@/kit/household'
import { inSentence, positionTold } from '@/kit/format'
import { toLocal } from '@/kit/localTime'
import { tell } from '@/language'
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, nextTick, onBeforeUnmount, ref, shallowRef, useTemplateRef, watchEffect } from 'vue'
import { useRouter } from 'vue-router'
import { answer, api, Problem, type Schemas } from '@/api/client'
import { readAnew } from '@/garden/readAnew'
import { keys, useGarden } from '@/garden/useGarden'
import PlaceFields from '@/garden/PlaceFields.vue'
import PlantingFields from '@/garden/PlantingFields.vue'
import { useCountries } from '@/garden/useCountries'
import { emptyPlace, placeFieldNames } from '@/garden/newPlace'
import { kitchenWords, options, stageWords, stanceWords } from '@/garden/words'
import GeneralCaution from '@/kit/GeneralCaution.vue'
import FieldError from '@/kit/FieldError.vue'
import LanguageField from '@/kit/LanguageField.vue'
import SelectField from '@/kit/SelectField.vue'
import TownField from './TownField.vue'
import { type Town } from './useTowns'
import WholeGarden from '../archive/WholeGarden.vue'
import NumberField from '@/kit/NumberField.vue'
import { useKept } from '@/kit/useKept'

const router = useRouter()
const client = useQueryClient()
const { open } = useGarden()
const step = ref(0)
const titles = [tell('setup.whereItLies'), tell('setup.howYouGarden'), tell('setup.theFirstBed')]

type Unplaced = Omit<Schemas['NewGarden'], 'latitude' | 'longitude' | 'firstPlanting'> & {
  latitude: number | null
  longitude: number | null
}
/** All that is filled in. */
interface Filled {
  garden: Unplaced
  /** Where it lies as a town says it; numbers only for who wants them. */
  town: Town | string | null
  country: string | null
  planting: {
    id: string
    crop: string
    variety: string
    from: string
    count: number | null
    stage: Schemas['GrowthStage']
  }
}

/** Kept on the device until it is sent. */
const filled = useKept<Filled>('mauvaise-setting-up', {
  garden: {
    id: crypto.randomUUID(),
    name: '',
    latitude: null,
    longitude: null,
    timeZoneId: Intl.DateTimeFormat().resolvedOptions().timeZone,
    climate: 'oceanic',
    kitchen: 'metric',
    stance: 'watchAndTreat',
    memberName: '',
    firstPlace: emptyPlace(),
    units: null,
  },
  town: null,
  country: null,
  planting: { id: crypto.randomUUID(), crop: '', variety: '', from: '', count: null, stage: 'young' },
})
const draft = computed(() => filled.value.garden)
const today = computed(() => toLocal(Date.now(), draft.value.timeZoneId).slice(0, 10))

const { countries, countryOf } = useCountries()
/** What a country's households mostly read; each can be changed later. */
function chooseCountry(code: string) {
  const country = countryOf(code)
  if (!country) return
  filled.value.country = country.code
  draft.value.kitchen = country.kitchen
  draft.value.units = country.units
}
// The first bed is measured in it; who leaves before the garden stands goes on as before.
const asBefore = household.value
watchEffect(() => {
  const chosen = filled.value?.country ? countryOf(filled.value.country) : undefined
  if (chosen) measureAs(chosen)
})
onBeforeUnmount(() => {
  if (filled.value) household.value = asBefore
})
function chooseTown(chosen: Town) {
  draft.value.latitude = chosen.latitude
  draft.value.longitude = chosen.longitude
  draft.value.timeZoneId = chosen.timeZoneId
  draft.value.climate = chosen.climate
  chooseCountry(chosen.country)
}
const zones = Intl.supportedValuesOf('timeZone')
const climates = useQuery({
  queryKey: keys.catalogue('climates'),
  queryFn: () => answer(api.GET('/api/catalogue/climates')),
  staleTime: Infinity,
})
const locating = ref('')
const located = computed(() => 'geolocation' in navigator)
function locate() {
  locating.value = tell('setup.askingThisDevice')
  navigator.geolocation.getCurrentPosition(
    ({ coords }) => {
      draft.value.latitude = Math.round(coords.latitude * 100) / 100
      draft.value.longitude = Math.round(coords.longitude * 100) / 100
      locating.value = ''
    },
    () => (locating.value = tell('setup.thisDeviceDoesNotSayWhere')),
  )
}

const position = ['latitude', 'longitude']
/** Fields of each step, so that an answer about a field opens its step. */
const fields = [
  ['name', 'town', ...position, 'timeZoneId', 'climate'],
  ['memberName'],
  [
    ...placeFieldNames.map((f) => `firstPlace.${f}`),
    ...['crop', 'variety', 'from', 'count'].map((f) => `firstPlanting.${f}`),
  ],
]
const unplaced = computed(() => draft.value.latitude === null && draft.value.longitude === null)
const body = (): Schemas['NewGarden'] => {
  const { crop, from, ...planting } = filled.value.planting
  return {
    ...draft.value,
    // A missing number is sent as one out of range, so that the answer stands beside its field.
    latitude: draft.value.latitude ?? 999,
    longitude: draft.value.longitude ?? 999,
    firstPlanting: crop
      ? {
          ...planting,
          crop,
          from: from || today.value,
          placeId: draft.value.firstPlace.id,
          inFlower: false,
        }
      : null,
  }
}
const isLast = computed(() => step.value === titles.length - 1)
const problem = shallowRef<Problem | null>(null)
/** Each step is looked at when it is left, and what is asked for later is not wrong yet. */
const going = useMutation<unknown, Problem>({
  mutationFn: () =>
    answer(
      isLast.value
        ? api.POST('/api/gardens', { body: body() })
        : api.POST('/api/gardens/check', { body: body() }),
    ),
  onMutate: () => (problem.value = null),
  onSuccess: async () => {
    if (!isLast.value) return show(step.value + 1)
    open(draft.value.id)
    filled.value = null as unknown as Filled
    await readAnew(client)
    await router.replace('/')
  },
  onError: (wrong) => {
    const at = fields.findIndex((names) => names.some((f) => f in wrong.fields))
    if (at > step.value) return show(step.value + 1)
    problem.value =
      unplaced.value && position.some((f) => f in wrong.fields)
        ? new Problem(wrong.code, wrong.message, {
            ...Object.fromEntries(Object.entries(wrong.fields).filter(([f]) => !position.includes(f))),
            town: tell('setup.chooseTheTownNearby'),
          })
        : wrong
    return show(Math.max(at, 0))
  },
})
const form = useTemplateRef('form')
/** Opens a step at the field that is wrong, or at its first. */
async function show(at: number) {
  step.value = at
  if (isLast.value) filled.value.planting.from ||= today.value
  await nextTick()
  const wanted = ['[aria-invalid=true]', 'input'].map((s) => form.value?.querySelector<HTMLElement>(s))
  wanted.find((field) => field)?.focus()
}
/** Opened where an answer is about what lies in it. */
const numbersOpen = computed(() =>
  [...position, 'timeZoneId', 'climate'].some((f) => f in (problem.value?.fields ?? {})),
)
</script>

<template>
  <div v-if="filled" class="page narrow">
    <p class="brand">mauvaise<i aria-hidden="true">.</i></p>
    <h1>{{ tell('setup.setUpYourGarden') }}</h1>
    <p class="soft">{{ tell('setup.stepOf3', { step: step + 1, titles: titles[step] }) }}</p>
    <form ref="form" class="card" novalidate @submit.prevent="going.mutate()">
      <template v-if="step === 0">
        <LanguageField />
        <div class="field">
          <label for="name">{{ tell('setup.nameOfTheGarden') }}</label>
          <InputText id="name" v-model="draft.name" maxlength="80" :invalid="!!problem?.fields.name" />
          <FieldError :problem="problem" field="name" />
        </div>
        <TownField v-model="filled.town" :problem="problem" @chosen="chooseTown" />
        <p v-if="draft.latitude !== null" class="soft" role="status">
          {{ positionTold(draft.latitude, draft.longitude ?? 0) }}; {{ draft.timeZoneId }};
          {{ inSentence(climates.data.value?.find((c) => c.id === draft?.climate)?.name ?? '') }}.
        </p>
        <SelectField
          :model-value="filled.country"
          :options="countries"
          :label="tell('setup.countryWhatYouMeasure')"
          show="name"
          take="code"
          @update:model-value="chooseCountry"
        />
        <details :open="numbersOpen">
          <summary>{{ tell('setup.byNumbersOrAnotherTimeZone') }}</summary>
          <div class="numbers">
            <div class="two">
              <div class="field">
                <label for="latitude">{{ tell('beds.latitudeNorthPositive') }}</label>
                <NumberField
                  v-model="draft.latitude"
                  input-id="latitude"
                  :max-fraction-digits="4"
                  :invalid="!!problem?.fields.latitude"
                />
                <FieldError :problem="problem" field="latitude" />
              </div>
              <div class="field">
                <label for="longitude">{{ tell('beds.longitudeEastPositive') }}</label>
                <NumberField
                  v-model="draft.longitude"
                  input-id="longitude"
                  :max-fraction-digits="4"
                  :invalid="!!problem?.fields.longitude"
                />
                <FieldError :problem="problem" field="longitude" />
              </div>
            </div>
            <div v-if="located" class="actions">
              <Button
                type="button"
                :label="tell('setup.whereThisDevice')"
                variant="outlined"
                @click="locate"
              />
              <span class="soft" role="status">{{ locating }}</span>
            </div>
            <SelectField
              v-model="draft.timeZoneId"
              :options="zones"
              filter
              :label="tell('beds.timeZone')"
              :show="null"
              :take="null"
              ><FieldError :problem="problem" field="timeZoneId"
            /></SelectField>
            <SelectField
              v-model="draft.climate"
              :options="climates.data.value ?? []"
              :label="tell('setup.climateNearestToYours')"
              show="name"
              take="id"
              ><FieldError :problem="problem" field="climate"
            /></SelectField>
          </div>
        </details>
      </template>
      <template v-else-if="step === 1">
        <div class="field">
          <label for="member">{{ tell('home.yourName') }}</label>
          <InputText
            id="member"
            v-model="draft.memberName"
            maxlength="80"
            :invalid="!!problem?.fields.memberName"
          />
          <FieldError :problem="problem" field="memberName" />
        </div>
        <SelectField
          v-model="draft.kitchen"
          :options="options(kitchenWords)"
          :label="tell('beds.spoonsAndCups')"
        />
        <SelectField
          v-model="draft.stance"
          :options="options(stanceWords)"
          :label="tell('setup.whenDoYouSprayAtAll')"
          ><p class="soft">
            {{ tell('setup.lastResortOnlyToSave') }}
          </p></SelectField
        >
        <GeneralCaution />
      </template>
      <template v-else>
        <PlaceFields v-model="draft.firstPlace" :problem="problem" prefix="firstPlace." />
        <h2>{{ tell('setup.whatGrowsThere') }}</h2>
        <p class="soft">{{ tell('setup.leaveItEmptyWhereNothing') }}</p>
        <div class="two">
          <PlantingFields
            v-model="filled.planting"
            :problem="problem"
            :today="today"
            prefix="firstPlanting."
            brief
          />
          <SelectField
            v-model="filled.planting.stage"
            :options="options(stageWords)"
            :label="tell('beds.stage')"
          />
        </div>
      </template>
      <FieldError :problem="problem" :shown="fields.flat()" />
      <div class="actions">
        <Button
          v-if="step > 0"
          type="button"
          :label="tell('setup.back')"
          variant="outlined"
          @click="show(step - 1)"
        />
        <Button
          type="submit"
          :label="isLast ? tell('setup.startTheGarden') : tell('setup.next')"
          size="large"
          :loading="going.isPending.value"
        />
      </div>
    </form>
    <details v-if="step === 0" class="card">
      <summary>
        <strong>{{ tell('setup.orBringInAGarden') }}</strong>
      </summary>
      <WholeGarden @taken="router.push('/')" />
    </details>
  </div>
</template>

<style scoped>
.brand {
  font: 700 1.45rem var(--heading);
  letter-spacing: -0.02em;
}

.brand i {
  color: var(--mauve);
  font-style: normal;
}

form {
  display: grid;
  gap: 16px;
}

.numbers {
  display: grid;
  gap: 16px;
  padding-top: 12px;
}

.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 14px;
}
</style>
