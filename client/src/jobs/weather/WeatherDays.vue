<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import { reactive, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import { sourceWords } from '@/garden/words'
import FieldError from '@/kit/FieldError.vue'
import { civilDay } from '@/kit/format'
import { told, toldRange } from '@/kit/household'
import NumberField from '@/kit/NumberField.vue'

/** The last days as the garden knows them, and what a gauge or a thermometer says instead. */
defineProps<{ days: Schemas['WeatherDayAnswer'][] }>()
const { memberId } = useGarden()
const open = ref<string>()
const values = reactive<{ rainMm: number | null; minC: number | null; maxC: number | null }>({
  rainMm: null,
  minC: null,
  maxC: null,
})
const saving = useGardenWrite((gardenId, date: string) =>
  answer(
    api.PUT('/api/gardens/{gardenId}/weather/hand/{date}', {
      params: { path: { gardenId, date } },
      body: { ...values, memberId: memberId.value },
    }),
  ),
)
const dropping = useGardenWrite((gardenId, date: string) =>
  answer(
    api.DELETE('/api/gardens/{gardenId}/weather/hand/{date}', {
      params: { path: { gardenId, date }, query: { memberId: memberId.value ?? undefined } },
    }),
  ),
)
function edit(date: string) {
  Object.assign(values, { rainMm: null, minC: null, maxC: null })
  saving.reset()
  open.value = open.value === date ? undefined : date
}
async function save(date: string) {
  const saved = await saving.mutateAsync(date).then(
    () => true,
    () => false,
  )
  if (saved) open.value = undefined
}
const fields = [
  { key: 'rainMm', label: tell('weather.rainInTheGauge'), quantity: 'rain' },
  { key: 'minC', label: tell('weather.lowest'), quantity: 'temperature' },
  { key: 'maxC', label: tell('weather.highest'), quantity: 'temperature' },
] as const
</script>

<template>
  <ol class="days">
    <li v-for="d in days" :key="d.date">
      <div class="row">
        <strong>{{ civilDay(d.date) }}</strong>
        <span v-if="d.knownHours > 0"
          >{{ toldRange('temperature', d.minC ?? 0, d.maxC ?? 0) }},
          {{ d.rainMm === null ? tell('weather.rainNotKnown2') : told('rain', d.rainMm) }}</span
        >
        <span v-else class="soft">{{ tell('board.notKnown') }}</span>
        <span class="soft small">{{ d.sources.map((s) => sourceWords[s]).join(', ') }}</span>
        <Button
          :label="open === d.date ? tell('archive.close') : tell('weather.enter')"
          size="small"
          variant="text"
          :aria-label="tell('weather.enterTheWeather', { date: civilDay(d.date) })"
          @click="edit(d.date)"
        />
      </div>
      <form v-if="open === d.date" novalidate @submit.prevent="save(d.date)">
        <div v-for="f in fields" :key="f.key" class="field">
          <label :for="`w-${f.key}`">{{ f.label }}</label>
          <NumberField
            v-model="values[f.key]"
            :input-id="`w-${f.key}`"
            :quantity="f.quantity"
            :invalid="!!saving.error.value?.fields[f.key]"
          />
          <FieldError :problem="saving.error.value" :field="f.key" />
        </div>
        <FieldError :problem="saving.error.value" :shown="['rainMm', 'minC', 'maxC']" />
        <Button type="submit" :label="tell('weather.saveThisDay')" :loading="saving.isPending.value" />
        <Button
          v-if="d.byHand"
          :label="tell('weather.dropWhatWasEntered')"
          variant="outlined"
          @click="dropping.mutate(d.date)"
        />
      </form>
    </li>
  </ol>
</template>

<style scoped>
li {
  border-top: 1px solid var(--line);
}

.row {
  display: grid;
  grid-template-columns: 7em 1fr 1fr auto;
  gap: 10px;
  align-items: center;
  min-height: 44px;
}

form {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: end;
  padding: 8px 0 14px;
}

@media (max-width: 640px) {
  .row {
    grid-template-columns: 6em 1fr auto;
  }

  .row .small {
    display: none;
  }
}
</style>
