<script setup lang="ts">
import { tell, remarked } from '@/language'
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import {
  dateOrderWords,
  options,
  rainUnitWords,
  tableFieldWords,
  temperatureUnitWords,
  windUnitWords,
} from '@/garden/words'
import FieldError from '@/kit/FieldError.vue'
import SelectField from '@/kit/SelectField.vue'
import { dayAndClock } from '@/kit/format'

/** A file of hourly or daily weather: looked at first, then imported without its bad lines. */
const { garden, memberId } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const input = ref<HTMLInputElement>()
const text = ref('')
const preview = useGardenWrite((gardenId, columns: Schemas['TableColumns'] | null) =>
  answer(
    api.POST('/api/gardens/{gardenId}/weather/table/preview', {
      params: { path: { gardenId } },
      body: { text: text.value, columns },
    }),
  ),
)
const importing = useGardenWrite((gardenId, seen: Schemas['TablePreview']) =>
  answer(
    api.POST('/api/gardens/{gardenId}/weather/table', {
      params: { path: { gardenId } },
      body: {
        text: text.value,
        columns: seen.columns,
        badLinesSeen: seen.badCount,
        memberId: memberId.value,
      },
    }),
  ),
)
const data = computed(() => (text.value ? preview.data.value : undefined))

async function choose(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  importing.reset()
  text.value = await file.text()
  preview.mutate(null)
}
const change = (columns: Partial<Schemas['TableColumns']>) =>
  data.value && preview.mutate({ ...data.value.columns, ...columns })
const setField = (i: number, field: Schemas['TableField']) =>
  change({ fields: data.value?.columns.fields.map((f, k) => (k === i ? field : f)) ?? [] })
async function go() {
  if (data.value && (await importing.mutateAsync(data.value).catch(() => null))) {
    text.value = ''
    if (input.value) input.value.value = ''
  }
}
</script>

<template>
  <section class="card" aria-labelledby="import">
    <h2 id="import">{{ tell('weather.importAFile') }}</h2>
    <p class="soft">
      {{ tell('weather.aTableOfHourlyOrDaily') }}
    </p>
    <input
      ref="input"
      type="file"
      accept=".csv,.txt,text/csv,text/plain"
      :aria-label="tell('weather.fileOfWeather')"
      @change="choose"
    />
    <FieldError :problem="preview.error.value" />
    <p v-if="importing.data.value" class="note good" role="status">
      {{
        remarked(
          tell('weather.hoursImported', { hours: importing.data.value.hours }),
          importing.data.value.leftOut > 0 &&
            tell('weather.linesLeftOut', { leftOut: importing.data.value.leftOut }),
        )
      }}.
    </p>
    <template v-if="data">
      <div class="choices">
        <SelectField
          :model-value="data.columns.dates"
          :label="tell('weather.dates')"
          :options="options(dateOrderWords)"
          @update:model-value="change({ dates: $event })"
        />
        <SelectField
          :model-value="data.columns.temperature"
          :label="tell('beds.temperature')"
          :options="options(temperatureUnitWords)"
          @update:model-value="change({ temperature: $event })"
        />
        <SelectField
          :model-value="data.columns.wind"
          :label="tell('beds.wind')"
          :options="options(windUnitWords)"
          @update:model-value="change({ wind: $event })"
        />
        <SelectField
          :model-value="data.columns.rain"
          :label="tell('almanac.rain')"
          :options="options(rainUnitWords)"
          @update:model-value="change({ rain: $event })"
        />
        <label class="check">
          <Checkbox
            :model-value="data.columns.decimalComma"
            binary
            @update:model-value="change({ decimalComma: $event })"
          />
          {{ tell('weather.decimalComma') }}
        </label>
        <label class="check">
          <Checkbox :model-value="data.columns.utc" binary @update:model-value="change({ utc: $event })" />
          {{ tell('weather.timesAreUtc') }}
        </label>
      </div>
      <div class="scroll" tabindex="0" role="region" :aria-label="tell('weather.columnsOfTheFile')">
        <table>
          <thead>
            <tr>
              <th v-for="(h, i) in data.header" :key="i" scope="col">
                {{ h }}
                <Select
                  :model-value="data.columns.fields[i]"
                  :options="options(tableFieldWords)"
                  option-label="label"
                  option-value="value"
                  :aria-label="tell('weather.whatColumnHolds', { it: h })"
                  @update:model-value="setField(i, $event)"
                />
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(line, i) in data.sample" :key="i">
              <td v-for="(cell, k) in line" :key="k">{{ cell }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p role="status">
        <strong>{{ tell('weather.hours', { hours: data.hours }) }}</strong>
        {{
          remarked(
            data.daily
              ? tell('weather.fromDays', { lines: data.lines })
              : tell('weather.fromLines', { lines: data.lines }),
            data.from &&
              data.to &&
              tell('weather.dayandclockDayandclock2', {
                dayAndClock: dayAndClock(data.from, zone),
                dayAndClock2: dayAndClock(data.to, zone),
              }),
          )
        }}.
        <template v-if="data.badCount > 0">{{
          tell('weather.linesCanNotBeUsed', { badCount: data.badCount })
        }}</template>
      </p>
      <ul v-if="data.bad.length > 0" class="bad">
        <li v-for="b in data.bad" :key="b.line">
          <strong>{{ tell('weather.line', { line: b.line }) }}</strong> <code>{{ b.text }}</code> {{ b.why }}
        </li>
      </ul>
      <Button
        :label="
          data.badCount > 0
            ? tell('weather.importHoursWithoutTheBadLines', { hours: data.hours })
            : tell('weather.importHours', { hours: data.hours })
        "
        :disabled="data.hours === 0"
        :loading="importing.isPending.value"
        @click="go"
      />
      <FieldError :problem="importing.error.value" />
    </template>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 12px;
  justify-items: start;
  min-width: 0;
}

.choices {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 10px;
  width: 100%;
  align-items: end;
}

.check {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 44px;
}

.scroll {
  overflow-x: auto;
  width: 100%;
}

table {
  border-collapse: collapse;
  font-size: 0.9rem;
}

th,
td {
  padding: 4px 8px;
  border: 1px solid var(--line);
  text-align: left;
  white-space: nowrap;
}

th {
  vertical-align: top;
}

.bad {
  display: grid;
  gap: 4px;
  max-height: 200px;
  overflow-y: auto;
  width: 100%;
  font-size: 0.9rem;
}

.bad code {
  overflow-wrap: anywhere;
}
</style>
