<script setup lang="ts">
import { inSentence } from '@/kit/format'
import { tell } from '@/language'
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { answer, api, type Problem, type Schemas } from '@/api/client'
import { readAnew } from '@/garden/readAnew'
import { keys } from '@/garden/useGarden'
import PlaceFields from '@/garden/PlaceFields.vue'
import { emptyPlace, placeFieldNames } from '@/garden/newPlace'
import { kitchenWords, options, stanceWords } from '@/garden/words'
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
const step = ref(0)
/** Where it lies as a town says it; numbers only for who wants them. */
const town = ref<Town | string>()
const countries = useQuery({
  queryKey: keys.catalogue('countries'),
  queryFn: () => answer(api.GET('/api/catalogue/countries')),
  staleTime: Infinity,
})
const country = ref<string>()
/** What a country's households mostly read; each can be changed later. */
function chooseCountry(code: string) {
  const chosen = countries.data.value?.find((c) => c.code === code)
  country.value = chosen?.code ?? 'ZZ'
  const last = countries.data.value?.at(-1)
  draft.value.kitchen = (chosen ?? last)?.kitchen ?? 'metric'
  draft.value.units = (chosen ?? last)?.units ?? null
}
function chooseTown(chosen: Town) {
  draft.value.latitude = chosen.latitude
  draft.value.longitude = chosen.longitude
  draft.value.timeZoneId = chosen.timeZoneId
  draft.value.climate = chosen.climate
  chooseCountry(chosen.country)
}
const titles = [tell('setup.whereItLies'), tell('setup.howYouGarden'), tell('setup.theFirstBed')]

type Draft = Omit<Schemas['NewGarden'], 'latitude' | 'longitude'> & {
  latitude: number | null
  longitude: number | null
}

/** Kept on the device until it is sent. */
const draft = useKept<Draft>('mauvaise-set-up', {
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
})
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

/** Fields of each step, so that an answer about a field opens its step. */
const fields = [
  ['name', 'latitude', 'longitude', 'timeZoneId', 'climate'],
  ['memberName'],
  placeFieldNames.map((f) => `firstPlace.${f}`),
]
const saving = useMutation<unknown, Problem>({
  mutationFn: () =>
    answer(
      api.POST('/api/gardens', {
        // A missing number is sent as one out of range, so that the answer stands beside its field.
        body: {
          ...draft.value,
          latitude: draft.value.latitude ?? 999,
          longitude: draft.value.longitude ?? 999,
        },
      }),
    ),
  onSuccess: async () => {
    draft.value = null as unknown as Draft
    await readAnew(client)
    await router.replace('/')
  },
  onError: (problem) => {
    const at = fields.findIndex((names) => names.some((f) => f in problem.fields))
    if (at >= 0) step.value = at
  },
})
/** Opened where an answer is about what lies in it. */
const numbersOpen = computed(() =>
  ['latitude', 'longitude', 'timeZoneId', 'climate'].some((f) => f in (saving.error.value?.fields ?? {})),
)
const next = () => (step.value < 2 ? step.value++ : saving.mutate())
</script>

<template>
  <div v-if="draft" class="page narrow">
    <p class="brand">mauvaise<i aria-hidden="true">.</i></p>
    <h1>{{ tell('setup.setUpYourGarden') }}</h1>
    <p class="soft">{{ tell('setup.stepOf3', { step: step + 1, titles: titles[step] }) }}</p>
    <form class="card" novalidate @submit.prevent="next">
      <template v-if="step === 0">
        <LanguageField />
        <div class="field">
          <label for="name">{{ tell('setup.nameOfTheGarden') }}</label>
          <InputText
            id="name"
            v-model="draft.name"
            maxlength="80"
            :invalid="!!saving.error.value?.fields.name"
          />
          <FieldError :problem="saving.error.value" field="name" />
        </div>
        <TownField v-model="town" @chosen="chooseTown" />
        <p v-if="draft.latitude !== null" class="soft" role="status">
          {{ draft.latitude }}, {{ draft.longitude }}; {{ draft.timeZoneId }};
          {{ inSentence(climates.data.value?.find((c) => c.id === draft?.climate)?.name ?? '') }}.
        </p>
        <SelectField
          :model-value="country"
          :options="countries.data.value ?? []"
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
                  :invalid="!!saving.error.value?.fields.latitude"
                />
                <FieldError :problem="saving.error.value" field="latitude" />
              </div>
              <div class="field">
                <label for="longitude">{{ tell('beds.longitudeEastPositive') }}</label>
                <NumberField
                  v-model="draft.longitude"
                  input-id="longitude"
                  :max-fraction-digits="4"
                  :invalid="!!saving.error.value?.fields.longitude"
                />
                <FieldError :problem="saving.error.value" field="longitude" />
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
              ><FieldError :problem="saving.error.value" field="timeZoneId"
            /></SelectField>
            <SelectField
              v-model="draft.climate"
              :options="climates.data.value ?? []"
              :label="tell('setup.climateNearestToYours')"
              show="name"
              take="id"
              ><FieldError :problem="saving.error.value" field="climate"
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
            :invalid="!!saving.error.value?.fields.memberName"
          />
          <FieldError :problem="saving.error.value" field="memberName" />
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
        <PlaceFields v-model="draft.firstPlace" :problem="saving.error.value" prefix="firstPlace." />
      </template>
      <FieldError :problem="saving.error.value" :shown="fields.flat()" />
      <div class="actions">
        <Button
          v-if="step > 0"
          type="button"
          :label="tell('setup.back')"
          variant="outlined"
          @click="step--"
        />
        <Button
          type="submit"
          :label="step < 2 ? tell('setup.next') : tell('setup.startTheGarden')"
          size="large"
          :loading="saving.isPending.value"
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
