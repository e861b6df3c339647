<script setup lang="ts">
import { tell } from '@/language'
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref, watch } from 'vue'
import { answer, api } from '@/api/client'
import { keys, useGarden, useGardenEdit } from '@/garden/useGarden'
import FieldError from '@/kit/FieldError.vue'
import NumberField from '@/kit/NumberField.vue'
import SelectField from '@/kit/SelectField.vue'
import WriteOver from '@/kit/WriteOver.vue'

/** Name, position, zone and climate: what set-up asked, to be put right. */
const { garden, memberId } = useGarden()
const form = ref({
  name: '',
  latitude: null as number | null,
  longitude: null as number | null,
  timeZoneId: '',
  climate: '',
})
const zones = computed(() => {
  const known = Intl.supportedValuesOf('timeZone')
  return known.includes(form.value.timeZoneId) ? known : [form.value.timeZoneId, ...known]
})
const climates = useQuery({
  queryKey: keys.catalogue('climates'),
  queryFn: () => answer(api.GET('/api/catalogue/climates')),
  staleTime: Infinity,
})
const shown = ['name', 'latitude', 'longitude', 'timeZoneId', 'climate']
const saving = useGardenEdit((gardenId, headers) =>
  answer(
    api.PUT('/api/gardens/{gardenId}/site', {
      params: { path: { gardenId } },
      headers,
      body: {
        ...form.value,
        latitude: form.value.latitude ?? 0,
        longitude: form.value.longitude ?? 0,
        memberId: memberId.value,
      },
    }),
  ),
)
function fill() {
  if (!garden.value) return
  const { name, latitude, longitude, timeZoneId, climate } = garden.value
  form.value = { name, latitude, longitude, timeZoneId, climate }
}
function keep() {
  fill()
  saving.opened()
}
/** What somebody else changed meanwhile came in with it. */
const saved = [fill, () => undefined] as const
watch(() => garden.value?.id, keep, { immediate: true })
const ready = computed(() => form.value.latitude !== null && form.value.longitude !== null)
</script>

<template>
  <details class="card">
    <summary>
      <strong>{{ tell('beds.namePositionAndClimate') }}</strong>
      <span class="soft">{{ tell('beds.change') }}</span>
    </summary>
    <form novalidate @submit.prevent="saving.save().then(...saved)">
      <div class="field">
        <label for="site-name">{{ tell('beds.name') }}</label>
        <InputText id="site-name" v-model="form.name" maxlength="80" />
        <FieldError :problem="saving.error.value" field="name" />
      </div>
      <div class="field">
        <label for="site-latitude">{{ tell('beds.latitudeNorthPositive') }}</label>
        <NumberField
          v-model="form.latitude"
          input-id="site-latitude"
          :min="-90"
          :max="90"
          :max-fraction-digits="4"
          fluid
        />
        <FieldError :problem="saving.error.value" field="latitude" />
      </div>
      <div class="field">
        <label for="site-longitude">{{ tell('beds.longitudeEastPositive') }}</label>
        <NumberField
          v-model="form.longitude"
          input-id="site-longitude"
          :min="-180"
          :max="180"
          :max-fraction-digits="4"
          fluid
        />
        <FieldError :problem="saving.error.value" field="longitude" />
      </div>
      <SelectField
        v-model="form.timeZoneId"
        :options="zones"
        :show="null"
        :take="null"
        :label="tell('beds.timeZone')"
        filter
      />
      <SelectField
        v-model="form.climate"
        :options="climates.data.value ?? []"
        :label="tell('beds.climate')"
        show="name"
        take="id"
      />
      <FieldError :problem="saving.error.value" :shown="shown" />
      <WriteOver :problem="saving.error.value" @over="saving.insist().then(...saved)" @keep="keep" />
      <div class="actions">
        <Button
          type="submit"
          :label="tell('beds.save')"
          :disabled="!ready"
          :loading="saving.isPending.value"
        />
        <span v-if="saving.isSuccess.value" role="status" class="soft">{{ tell('beds.saved') }}</span>
      </div>
    </form>
  </details>
</template>

<style scoped>
summary {
  min-height: 32px;
}

form {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(190px, 1fr));
  gap: 12px;
  align-items: end;
  margin-top: 10px;
}

.actions {
  grid-column: 1 / -1;
}
</style>
