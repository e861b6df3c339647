<script setup lang="ts">
import { tell } from '@/language'
import InputText from 'primevue/inputtext'
import { computed, useId } from 'vue'
import type { Problem, Schemas } from '@/api/client'
import FieldError from '@/kit/FieldError.vue'
import SelectField from '@/kit/SelectField.vue'
import { options, placeKindWords, wateringWords } from './words'
import NumberField from '@/kit/NumberField.vue'

/** The fields of a place: of a new one by length and width, of one that is there by its area. */
const place = defineModel<Schemas['NewPlace'] | Schemas['PlaceChange']>({ required: true })
withDefaults(defineProps<{ problem: Problem | null; prefix?: string }>(), { prefix: '' })

const id = useId()
const numbers = computed(() => [
  ...('areaM2' in place.value
    ? [{ key: 'areaM2', label: tell('garden.area'), quantity: 'area' as const }]
    : [
        { key: 'lengthM', label: tell('garden.length'), quantity: 'length' as const },
        { key: 'widthM', label: tell('garden.width'), quantity: 'length' as const },
      ]),
  { key: 'sunHours', label: tell('garden.hoursOfSun'), quantity: undefined },
  { key: 'pondDistanceM', label: tell('garden.distanceToAPondEmpty'), quantity: 'length' as const },
  ...(place.value.kind === 'indoorRack'
    ? [{ key: 'reservoirLitres', label: tell('garden.reservoir'), quantity: 'volume' as const }]
    : []),
])
/** The same fields by name, whichever of the two shapes it is. */
const figures = computed(() => place.value as unknown as Record<string, number | null>)
const times = computed(() => [
  { key: 'sunFrom' as const, label: tell('garden.sunReachesItAtEmpty') },
  { key: 'sunTo' as const, label: tell('garden.sunLeaves') },
  // Hours that are kept can be put right, whatever the place has become.
  ...(place.value.kind === 'indoorRack' || place.value.lampsFrom || place.value.lampsTo
    ? [
        { key: 'lampsFrom' as const, label: tell('garden.lampsComeOnEmpty') },
        { key: 'lampsTo' as const, label: tell('garden.lampsGoOff') },
      ]
    : []),
])
/** The API's times have seconds, the browser's field may not. */
const setTime = (key: 'sunFrom' | 'sunTo' | 'lampsFrom' | 'lampsTo', event: Event) => {
  const { value } = event.target as HTMLInputElement
  place.value[key] = value === '' ? null : `${value}:00`
}
</script>

<template>
  <div class="fields">
    <div class="field">
      <label :for="`${id}-name`">{{ tell('garden.nameOfTheBed') }}</label>
      <InputText
        :id="`${id}-name`"
        v-model="place.name"
        maxlength="80"
        :invalid="!!problem?.fields[`${prefix}name`]"
      />
      <FieldError :problem="problem" :field="`${prefix}name`" />
    </div>
    <SelectField v-model="place.kind" :options="options(placeKindWords)" :label="tell('garden.kind')" />
    <SelectField
      v-model="place.watering"
      :options="options(wateringWords)"
      :label="tell('garden.watering')"
    />
    <div v-for="f in numbers" :key="f.key" class="field">
      <label :for="`${id}-${f.key}`">{{ f.label }}</label>
      <NumberField
        v-model="figures[f.key]"
        :input-id="`${id}-${f.key}`"
        :max-fraction-digits="1"
        :quantity="f.quantity"
        :invalid="!!problem?.fields[prefix + f.key]"
      />
      <FieldError :problem="problem" :field="prefix + f.key" />
    </div>
    <div v-for="f in times" :key="f.key" class="field">
      <label :for="`${id}-${f.key}`">{{ f.label }}</label>
      <InputText
        :id="`${id}-${f.key}`"
        type="time"
        :model-value="place[f.key]?.slice(0, 5) ?? ''"
        @change="setTime(f.key, $event)"
      />
      <FieldError :problem="problem" :field="prefix + f.key" />
    </div>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 14px;
  align-items: start;
}
</style>
