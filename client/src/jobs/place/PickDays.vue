<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import { ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import FieldError from '@/kit/FieldError.vue'
import { civilDay, inSentence } from '@/kit/format'
import SelectField from '@/kit/SelectField.vue'

/** Days on which somebody means to pick: no spray goes inside a material's wait before them. */
const props = defineProps<{ plantings: Schemas['PlantingAnswer'][]; today: string }>()
const { memberId } = useGarden()
const planting = ref(props.plantings[0]?.id)
const on = ref(props.today)
const adding = useGardenWrite((gardenId) =>
  answer(
    api.POST('/api/gardens/{gardenId}/picks', {
      params: { path: { gardenId } },
      body: {
        id: crypto.randomUUID(),
        plantingId: planting.value ?? '',
        on: on.value,
        memberId: memberId.value,
      },
    }),
  ),
)
const removing = useGardenWrite((gardenId, pickId: string) =>
  answer(
    api.DELETE('/api/gardens/{gardenId}/picks/{pickId}', {
      params: { path: { gardenId, pickId }, query: { memberId: memberId.value ?? undefined } },
    }),
  ),
)
</script>

<template>
  <details class="card">
    <summary>
      <strong>{{ tell('picking.picking') }}</strong>
      <span class="soft">{{
        plantings
          .flatMap((p) => p.picks.map((x) => `${inSentence(p.cropName)} ${civilDay(x.on)}`))
          .join(', ') || tell('place.noDaySet')
      }}</span>
    </summary>
    <ul>
      <template v-for="p in plantings" :key="p.id">
        <li v-for="x in p.picks" :key="x.id">
          {{ p.cropName }}, {{ civilDay(x.on) }}
          <Button
            :label="tell('mail.takeOff')"
            variant="text"
            size="small"
            :aria-label="tell('place.takeOffPicking', { cropName: p.cropName, on: civilDay(x.on) })"
            @click="removing.mutate(x.id)"
          />
        </li>
      </template>
    </ul>
    <form novalidate @submit.prevent="adding.mutate()">
      <SelectField
        v-model="planting"
        :options="plantings"
        :label="tell('ledger.what')"
        show="cropName"
        take="id"
      />
      <div class="field">
        <label for="pick-on">{{ tell('place.day') }}</label>
        <input id="pick-on" v-model="on" class="p-inputtext" type="date" :min="today" />
        <FieldError :problem="adding.error.value" field="on" />
      </div>
      <Button type="submit" :label="tell('place.planToPick')" :loading="adding.isPending.value" />
    </form>
    <FieldError :problem="adding.error.value" :shown="['on']" />
  </details>
</template>

<style scoped>
summary {
  min-height: 32px;
}

li {
  display: flex;
  align-items: center;
  gap: 8px;
}

form {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(160px, 1fr));
  gap: 12px;
  align-items: end;
  padding-top: 8px;
}
</style>
