<script setup lang="ts">
import { tell, remarked } from '@/language'
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import FieldError from '@/kit/FieldError.vue'
import NumberField from '@/kit/NumberField.vue'
import SelectField from '@/kit/SelectField.vue'
import { day } from '@/kit/format'

/** A planting: whether it may be picked, what it gave, and a form for what is picked now. */
const props = defineProps<{ planting: Schemas['PickableAnswer']; usual: Schemas['HarvestUnit'] }>()
const { garden, memberId } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const open = ref(false)
const amount = ref<number | null>(null)
const unit = ref<Schemas['HarvestUnit']>(props.usual)
const washed = ref(false)
const units: { value: Schemas['HarvestUnit']; label: string }[] = [
  { value: 'kilograms', label: 'kg' },
  { value: 'grams', label: 'g' },
  { value: 'pounds', label: 'lb' },
  { value: 'ounces', label: 'oz' },
  { value: 'pieces', label: tell('picking.pieces') },
]
// One id for one picking: pressing twice logs one.
const id = ref(crypto.randomUUID())
const logging = useGardenWrite((gardenId, pickedAlready: boolean) =>
  answer(
    api.POST('/api/gardens/{gardenId}/harvests', {
      params: { path: { gardenId } },
      body: {
        id: id.value,
        plantingId: props.planting.plantingId,
        amount: amount.value ?? 0,
        unit: unit.value,
        // What nobody said is not known.
        washed: washed.value || null,
        at: null,
        pickedAlready,
        memberId: memberId.value,
      },
    }),
  ),
)
const inWait = computed(() => logging.error.value?.code === 'pick-wait')
const log = (pickedAlready: boolean) =>
  logging.mutate(pickedAlready, {
    onSuccess: () => {
      id.value = crypto.randomUUID()
      amount.value = null
      open.value = false
    },
  })
const striking = useGardenWrite((gardenId, harvestId: string) =>
  answer(
    api.DELETE('/api/gardens/{gardenId}/harvests/{harvestId}', {
      params: { path: { gardenId, harvestId }, query: { memberId: memberId.value ?? undefined } },
    }),
  ),
)
</script>

<template>
  <li class="card">
    <div class="head">
      <div>
        <h2>{{ planting.where }}</h2>
        <p :class="planting.from ? 'wait' : 'soft'">{{ planting.sentence }}</p>
      </div>
      <Button
        :label="open ? tell('beds.notNow') : tell('picking.pick')"
        :variant="open ? 'text' : planting.from ? 'outlined' : undefined"
        :aria-expanded="open"
        :aria-label="
          open
            ? tell('picking.notNow', { where: planting.where })
            : tell('picking.pick2', { where: planting.where })
        "
        @click="open = !open"
      />
    </div>
    <form v-if="open" novalidate @submit.prevent="log(false)">
      <div class="field">
        <label :for="`amount-${planting.plantingId}`">{{ tell('picking.howMuch') }}</label>
        <NumberField
          v-model="amount"
          :input-id="`amount-${planting.plantingId}`"
          :max-fraction-digits="3"
          :invalid="!!logging.error.value && !inWait"
        />
        <FieldError :problem="logging.error.value" field="amount" />
      </div>
      <SelectField v-model="unit" :label="tell('beds.in')" :options="units" />
      <div class="check">
        <Checkbox v-model="washed" :input-id="`washed-${planting.plantingId}`" binary />
        <label :for="`washed-${planting.plantingId}`">{{ tell('picking.washed') }}</label>
      </div>
      <Button type="submit" :label="tell('picking.logIt')" :loading="logging.isPending.value" />
      <div v-if="inWait" class="wide">
        <FieldError :problem="logging.error.value" :shown="['amount']" />
        <Button :label="tell('picking.itIsPickedAlreadyLog')" variant="outlined" @click="log(true)" />
      </div>
      <FieldError v-else class="wide" :problem="logging.error.value" :shown="['amount']" />
    </form>
    <details v-if="planting.given">
      <summary>{{ tell('picking.thisSeason', { given: planting.given }) }}</summary>
      <ul>
        <li v-for="h in planting.harvests" :key="h.id">
          {{ remarked(day(h.at, zone), h.amount, h.washed && tell('picking.washed2')) }}
          <Button
            :label="tell('picking.strike')"
            variant="text"
            size="small"
            :aria-label="
              tell('picking.strikeOf', { amount: h.amount, where: planting.where, at: day(h.at, zone) })
            "
            @click="striking.mutate(h.id)"
          />
        </li>
      </ul>
    </details>
  </li>
</template>

<style scoped>
.card {
  display: grid;
  gap: 10px;
  margin-bottom: 12px;
}

.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
}

.wait {
  color: var(--stop-ink, var(--ink));
  font-weight: 600;
}

form {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(130px, 1fr));
  gap: 12px;
  align-items: end;
}

.check {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 44px;
}

.wide {
  grid-column: 1 / -1;
}

summary {
  color: var(--mauve-deep);
}
</style>
