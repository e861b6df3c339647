<script setup lang="ts">
import { tell } from '@/language'
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import SelectButton from 'primevue/selectbutton'
import { computed, reactive, ref } from 'vue'
import { answer, api, Problem, type Schemas } from '@/api/client'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import { options, stockMakingWords } from '@/garden/words'
import FieldError from '@/kit/FieldError.vue'
import NumberField from '@/kit/NumberField.vue'
import SelectField from '@/kit/SelectField.vue'

/** A stock by proportions of one's own, worked out while it is typed. */
const props = defineProps<{ materials: Schemas['ShelfMaterial'][] }>()
const emit = defineEmits<{ done: [] }>()
const { memberId } = useGarden()
const id = crypto.randomUUID()
const name = ref('')
const form = reactive({
  parts: [
    { material: '', parts: 4 as number | null },
    { material: '', parts: 1 as number | null },
  ],
  waterParts: 0 as number | null,
  byWeight: false,
  making: 'shaken' as Schemas['StockMaking'],
  steepHours: 24 as number | null,
})
const choices = computed(() => props.materials.filter((m) => !m.own))
const by = [
  { value: false, label: tell('shelf.byVolume') },
  { value: true, label: tell('shelf.byWeight') },
]
const body = computed<Schemas['StockCalcRequest']>(() => ({
  parts: form.parts
    .filter((p) => p.material !== '')
    .map((p) => ({ material: p.material, parts: p.parts ?? 0 })),
  waterParts: form.waterParts ?? 0,
  byWeight: form.byWeight,
  making: form.making,
  steepHours: form.making === 'steeped' ? (form.steepHours ?? 0) : 0,
}))
const asked = refDebounced(body, 250)
const { data, error } = useQuery({
  queryKey: computed(() => ['stock-calc', asked.value]),
  queryFn: () => answer(api.POST('/api/calc/stock', { body: asked.value })),
  enabled: computed(() => asked.value.parts.length > 0),
  retry: false,
})
const saving = useGardenWrite((gardenId) =>
  answer(
    api.PUT('/api/gardens/{gardenId}/own-stocks/{stockId}', {
      params: { path: { gardenId, stockId: id } },
      body: { name: name.value, ...body.value, memberId: memberId.value },
    }),
  ),
)
</script>

<template>
  <form novalidate class="own" @submit.prevent="saving.mutate(undefined, { onSuccess: () => emit('done') })">
    <fieldset>
      <legend>{{ tell('shelf.partsOfWhat') }}</legend>
      <div v-for="(part, i) in form.parts" :key="i" class="part">
        <div class="field">
          <label :for="`parts-${i}`">{{ tell('shelf.partsOf', { n: i + 1 }) }}</label>
          <NumberField
            v-model="part.parts"
            :input-id="`parts-${i}`"
            :min="0"
            :max="1000"
            :max-fraction-digits="2"
            fluid
          />
        </div>
        <SelectField
          v-model="part.material"
          :options="choices"
          :label="tell('shelf.part', { n: i + 1 })"
          show="name"
          take="id"
          filter
        />
      </div>
      <div class="part">
        <div class="field">
          <label for="parts-water">{{ tell('shelf.partsOfWaterField') }}</label>
          <NumberField
            v-model="form.waterParts"
            input-id="parts-water"
            :min="0"
            :max="1000"
            :max-fraction-digits="2"
            fluid
          />
        </div>
        <span>{{ tell('shelf.water') }}</span>
      </div>
      <Button
        v-if="form.parts.length < 8"
        type="button"
        :label="tell('shelf.oneMorePart')"
        size="small"
        variant="text"
        @click="form.parts.push({ material: '', parts: 1 })"
      />
    </fieldset>
    <div class="row">
      <SelectButton
        v-model="form.byWeight"
        :options="by"
        option-label="label"
        option-value="value"
        :allow-empty="false"
        :aria-label="tell('shelf.partsAreOf')"
      />
      <SelectField
        v-model="form.making"
        :label="tell('shelf.howItIsMade')"
        :options="options(stockMakingWords)"
      />
      <div v-if="form.making === 'steeped'" class="field">
        <label for="steep-hours">{{ tell('shelf.hoursInTheWater') }}</label>
        <NumberField v-model="form.steepHours" input-id="steep-hours" :min="1" :max="96" />
      </div>
    </div>
    <div v-if="data" class="note" :class="data.faults.length ? 'stop' : 'good'" aria-live="polite">
      <template v-if="data.faults.length">
        <p v-for="f in data.faults" :key="f.code">{{ f.sentence }}</p>
      </template>
      <template v-else>
        <p>
          <strong>{{ tell('shelf.inHalfALitre', { amounts: data.amounts.join(', ') }) }}</strong>
        </p>
        <p v-for="d in data.drawn" :key="d">{{ d }}</p>
        <p>{{ tell('shelf.intoALitre', { dose: data.doseText }) }}</p>
        <p>{{ data.keepsText }}</p>
      </template>
    </div>
    <p v-else-if="error instanceof Problem" class="note stop" role="alert">{{ error.message }}</p>
    <div class="field">
      <label for="own-stock-name">{{ tell('bench.keepItUnderTheName') }}</label>
      <InputText id="own-stock-name" v-model="name" maxlength="80" />
      <FieldError :problem="saving.error.value" field="name" />
    </div>
    <FieldError :problem="saving.error.value" :shown="['name']" />
    <div class="actions">
      <Button
        type="submit"
        :label="tell('shelf.keepTheStock')"
        :disabled="!data || data.faults.length > 0"
        :loading="saving.isPending.value"
      />
      <Button type="button" :label="tell('ledger.leaveIt')" variant="text" @click="emit('done')" />
    </div>
  </form>
</template>

<style scoped>
.own {
  display: grid;
  gap: 12px;
  padding: 8px 0;
}

fieldset {
  display: grid;
  gap: 8px;
  margin: 0;
  padding: 0;
  border: 0;
}

.part {
  display: grid;
  grid-template-columns: 130px minmax(0, 1fr);
  gap: 10px;
  align-items: end;
  max-width: 520px;
}

.part > span {
  padding-bottom: 10px;
}

fieldset > :deep(.p-button) {
  justify-self: start;
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: end;
}
</style>
