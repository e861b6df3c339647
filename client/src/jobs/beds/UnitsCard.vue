<script setup lang="ts">
import { inSentence } from '@/kit/format'
import { languages, nameOfLanguage, tell, writing } from '@/language'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { useCountries } from '@/garden/useCountries'
import { useGarden } from '@/garden/useGarden'
import { useGardenSettings } from '@/garden/useGardenSettings'
import {
  dayOrderWords,
  hourWords,
  kitchenWords,
  lengthUnitWords,
  options,
  rainUnitWords,
  temperatureUnitWords,
  weekStartWords,
  windUnitWords,
} from '@/garden/words'
import LanguageField from '@/kit/LanguageField.vue'
import FieldError from '@/kit/FieldError.vue'
import NumberField from '@/kit/NumberField.vue'
import SelectField from '@/kit/SelectField.vue'

/** What the household reads. Records stay as they are, whatever is chosen here. */
const { garden } = useGarden()
const settings = useGardenSettings()
const { countries, countryOf } = useCountries()
const units = computed(() => garden.value?.units)
/** A day that no week begins on anywhere is left as it is, and not shown. */
const weekStart = computed(() => {
  const day = units.value?.weekStart
  return day === 'monday' || day === 'sunday' || day === 'saturday' ? day : undefined
})
/** All that the browser can write, by name; plain figures first. */
const currencies = computed(() => {
  const names = new Intl.DisplayNames([writing()], { type: 'currency' })
  const all = Intl.supportedValuesOf('currency').map((code) => ({
    value: code,
    label: `${code}, ${names.of(code) ?? code}`,
  }))
  return [{ value: '', label: tell('beds.plainFigures') }, ...all]
})
const set = (change: Partial<Schemas['HouseholdUnits']>) =>
  units.value && settings.mutate({ units: { ...units.value, ...change } })
function chooseCountry(code: string) {
  const c = countryOf(code)
  if (c) settings.mutate({ kitchen: c.kitchen, units: c.units })
}
</script>

<template>
  <details v-if="garden && units" class="card fold">
    <summary>
      <strong>{{ tell('beds.whatYouMeasure') }}</strong>
      <span class="soft"
        >{{ garden.scales.temperature.word }}, {{ garden.scales.rain.word }}, {{ garden.scales.wind.word }},
        {{ garden.scales.length.word }}; {{ inSentence(kitchenWords[garden.kitchen]) }}</span
      >
      <span class="change">{{ tell('beds.change') }}</span>
    </summary>
    <div class="fields">
      <SelectField
        :model-value="undefined"
        :options="countries"
        :label="tell('beds.asInACountry')"
        :placeholder="tell('beds.chooseOneToSetThemAll')"
        show="name"
        take="code"
        @update:model-value="chooseCountry"
      />
      <SelectField
        :model-value="garden.kitchen"
        :options="options(kitchenWords)"
        :label="tell('beds.spoonsAndCups')"
        @update:model-value="settings.mutate({ kitchen: $event })"
      />
      <SelectField
        :model-value="units.temperature"
        :options="options(temperatureUnitWords)"
        :label="tell('beds.temperature')"
        @update:model-value="set({ temperature: $event })"
      />
      <SelectField
        :model-value="units.length"
        :options="options(lengthUnitWords)"
        :label="tell('beds.beds')"
        @update:model-value="set({ length: $event })"
      />
      <SelectField
        :model-value="units.rain"
        :options="options(rainUnitWords)"
        :label="tell('almanac.rain')"
        @update:model-value="set({ rain: $event })"
      />
      <SelectField
        :model-value="units.wind"
        :options="options(windUnitWords)"
        :label="tell('beds.wind')"
        @update:model-value="set({ wind: $event })"
      />
      <SelectField
        :model-value="units.hours"
        :options="options(hourWords)"
        :label="tell('beds.hours')"
        @update:model-value="set({ hours: $event })"
      />
      <SelectField
        :model-value="weekStart"
        :options="options(weekStartWords)"
        :label="tell('beds.weeksBegin')"
        @update:model-value="set({ weekStart: $event })"
      />
      <SelectField
        :model-value="units.days"
        :options="options(dayOrderWords)"
        :label="tell('beds.orderOfDays')"
        @update:model-value="set({ days: $event })"
      />
      <SelectField
        :model-value="units.currency ?? ''"
        :options="currencies"
        :label="tell('beds.pricesIn')"
        filter
        @update:model-value="set({ currency: $event })"
      />
      <div class="field">
        <label for="dropper" class="label">{{ tell('beds.dropper') }}</label>
        <NumberField
          :model-value="units.dropsInSpoon"
          input-id="dropper"
          :min="1"
          lazy
          fluid
          @update:model-value="$event && set({ dropsInSpoon: $event })"
        />
        <span class="soft small">{{ tell('beds.dropperWhy') }}</span>
        <FieldError :problem="settings.error.value" field="units.dropsInSpoon" />
      </div>
      <LanguageField />
      <SelectField
        :model-value="garden.language"
        :options="languages.map((code) => ({ value: code, label: nameOfLanguage(code) }))"
        :label="tell('language.ofLetters')"
        @update:model-value="settings.mutate({ language: $event })"
      />
    </div>
    <FieldError :problem="settings.error.value" :shown="['units.dropsInSpoon']" />
  </details>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(270px, 1fr));
  gap: 14px;
  align-items: start;
  padding-top: 10px;
}

.fields > * {
  min-width: 0;
}
</style>
