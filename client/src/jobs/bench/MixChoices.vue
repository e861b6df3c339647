<script setup lang="ts">
import { tell } from '@/language'
import MultiSelect from 'primevue/multiselect'
import { computed } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenQuery } from '@/garden/useGarden'
import { useGardenSettings } from '@/garden/useGardenSettings'
import { formWords, kitchenWords, options } from '@/garden/words'
import { dayAndClock, inSentence, trim } from '@/kit/format'
import SelectField from '@/kit/SelectField.vue'
import type { BenchAsk } from './useBench'
import NumberField from '@/kit/NumberField.vue'

/** What is not the usual: another recipe, something added, a dose or a bottle of one's own, another hour. */
const props = defineProps<{ bench: Schemas['BenchAnswer']; ask: BenchAsk }>()
const emit = defineEmits<{ change: [more: Partial<BenchAsk>] }>()
const { garden } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const settings = useGardenSettings()

const recipes = computed(() =>
  props.bench.recipes.map((r) => ({
    id: r.id,
    label: r.form === 'spray' ? r.name : `${r.name} (${formWords[r.form]})`,
  })),
)
const { data: windows } = useGardenQuery(
  computed(() => ['windows', props.ask.planting, props.bench.material, 'bench']),
  (gardenId) =>
    answer(
      api.GET('/api/gardens/{gardenId}/windows', {
        params: {
          path: { gardenId },
          query: { planting: props.ask.planting, material: props.bench.material, hours: 72 },
        },
      }),
    ),
  computed(() => props.ask.planting.length > 0),
)
const next = 'next'
const hours = computed(() => {
  const best = (windows.value?.best ?? []).map((w) => ({
    id: w.start,
    label: dayAndClock(w.start, zone.value),
  }))
  const now = garden.value
    ? [
        {
          id: garden.value.now,
          label: tell('bench.now', { dayAndClock: dayAndClock(garden.value.now, zone.value) }),
        },
      ]
    : []
  const chosen =
    props.ask.at && !best.some((h) => h.id === props.ask.at)
      ? [{ id: props.ask.at, label: dayAndClock(props.ask.at, zone.value) }]
      : []
  return [
    { id: next, label: tell('bench.theNextGoodHour') },
    ...chosen,
    ...best,
    ...now.filter((n) => n.id !== props.ask.at),
  ]
})
const touched = computed(
  () =>
    props.ask.add.length > 0 ||
    props.ask.dose !== undefined ||
    props.ask.bottle !== undefined ||
    !!props.ask.at,
)
</script>

<template>
  <details class="card" :open="touched || undefined">
    <summary>
      <strong>{{ tell('bench.anotherRecipeHourDoseBottle') }}</strong>{{ ' ' }}
      <span v-if="bench.added.length" class="soft">{{
        tell('bench.with', { added: bench.added.map((a) => inSentence(a.name)).join(', ') })
      }}</span>
    </summary>
    <div class="grid">
      <SelectField
        :model-value="bench.recipe"
        :options="recipes"
        :label="tell('bench.recipe')"
        take="id"
        filter
        @update:model-value="
          emit('change', { recipe: $event, add: [], dose: undefined, bottle: undefined, size: undefined })
        "
      />
      <SelectField
        v-if="ask.planting.length"
        :model-value="ask.at ?? next"
        :options="hours"
        :label="tell('bench.forWhichHour')"
        take="id"
        @update:model-value="emit('change', { at: $event === next ? undefined : $event })"
      />
      <div v-if="bench.sizeUnit === 'l'" class="field">
        <label for="add">{{ tell('bench.putInAsWell') }}</label>
        <MultiSelect
          input-id="add"
          :model-value="ask.add"
          :options="[...bench.added, ...bench.canAdd]"
          option-label="name"
          option-value="id"
          :placeholder="tell('bench.nothingMore')"
          filter
          fluid
          @update:model-value="emit('change', { add: $event })"
        />
      </div>
      <div class="field">
        <label for="own-dose"
          >{{ bench.materialName }}, {{ bench.dose.unit }}
          {{ bench.sizeUnit === 'l' ? tell('garden.aLitre') : tell('bench.each') }}</label
        >
        <NumberField
          input-id="own-dose"
          :model-value="bench.dose.amount"
          :min="0.01"
          :max="999"
          :max-fraction-digits="2"
          fluid
          @update:model-value="emit('change', { dose: $event ?? undefined })"
        />
        <span class="soft small">{{
          tell('bench.gentleUsualStrongAtMost2', {
            gentle: trim(bench.dose.gentle, 2),
            usual: trim(bench.dose.usual, 2),
            strong: trim(bench.dose.strong, 2),
            ceiling: trim(bench.dose.ceiling, 2),
          })
        }}</span>
      </div>
      <SelectField
        v-if="garden"
        :model-value="garden.kitchen"
        :options="options(kitchenWords)"
        :label="tell('bench.spoonsAndUnits')"
        @update:model-value="settings.mutate({ kitchen: $event })"
      />
      <div v-if="bench.bottlePercent !== null" class="field">
        <label for="bottle">{{ tell('bench.theBottlesStrength') }}</label>
        <NumberField
          input-id="bottle"
          :model-value="bench.bottlePercent"
          :min="0.1"
          :max="100"
          :max-fraction-digits="1"
          fluid
          @update:model-value="emit('change', { bottle: $event ?? undefined })"
        />
      </div>
    </div>
  </details>
</template>

<style scoped>
summary {
  min-height: 32px;
}

.grid {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  gap: 12px;
  align-items: start;
  padding-top: 10px;
}
</style>
