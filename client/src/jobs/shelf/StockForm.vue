<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, reactive, watch } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenEdit, useGardenWrite } from '@/garden/useGarden'
import FieldError from '@/kit/FieldError.vue'
import { currencySign } from '@/kit/format'
import SelectField from '@/kit/SelectField.vue'
import NumberField from '@/kit/NumberField.vue'
import WriteOver from '@/kit/WriteOver.vue'

/** A bottle or bag as it stands: put up, changed, or taken off. */
const props = defineProps<{ materials: Schemas['ShelfMaterial'][]; stock?: Schemas['StockAnswer'] }>()
const emit = defineEmits<{ done: [] }>()
const { memberId } = useGarden()
const id = props.stock?.id ?? crypto.randomUUID()
const form = reactive({
  material: props.stock?.material ?? '',
  name: props.stock?.name ?? '',
  amount: props.stock?.amount ?? null,
  left: props.stock?.left ?? null,
  openedOn: props.stock?.openedOn ?? '',
  bestBefore: props.stock?.bestBefore ?? '',
  strengthPercent: props.stock?.strengthPercent ?? null,
  cost: props.stock?.cost ?? null,
  lowAt: props.stock?.lowAt ?? null,
})
const material = computed(() => props.materials.find((m) => m.id === form.material))
watch(material, (now, before) => {
  if (form.name === '' || form.name === before?.name) form.name = now?.name ?? ''
  form.strengthPercent = now?.usualStrengthPercent ?? null
})
const saving = useGardenEdit((gardenId, headers) =>
  answer(
    api.PUT('/api/gardens/{gardenId}/shelf/{stockId}', {
      params: { path: { gardenId, stockId: id } },
      headers,
      body: {
        material: form.material,
        name: form.name,
        amount: form.amount ?? 0,
        left: form.left ?? form.amount ?? 0,
        openedOn: form.openedOn || null,
        bestBefore: form.bestBefore || null,
        strengthPercent: form.strengthPercent,
        cost: form.cost,
        lowAt: form.lowAt,
        memberId: memberId.value,
      },
    }),
  ),
)
const removing = useGardenWrite((gardenId) =>
  answer(
    api.DELETE('/api/gardens/{gardenId}/shelf/{stockId}', {
      params: { path: { gardenId, stockId: id }, query: { memberId: memberId.value ?? undefined } },
    }),
  ),
)
const closed = [() => emit('done'), () => undefined] as const
const remove = () => removing.mutateAsync().then(...closed)
const fields = ['material', 'name', 'amount', 'left', 'strengthPercent', 'cost', 'lowAt', 'openedOn']
</script>

<template>
  <form class="card" novalidate @submit.prevent="saving.save().then(...closed)">
    <div class="grid">
      <SelectField
        v-model="form.material"
        :options="materials"
        :label="tell('beds.whatIt')"
        show="name"
        take="id"
        filter
      >
        <FieldError :problem="saving.error.value" field="material" />
      </SelectField>
      <div class="field">
        <label :for="`name-${id}`">{{ tell('shelf.nameOnTheBottle') }}</label>
        <InputText :id="`name-${id}`" v-model="form.name" maxlength="80" fluid />
        <FieldError :problem="saving.error.value" field="name" />
      </div>
      <div class="field">
        <label :for="`amount-${id}`">{{
          tell('shelf.full', { unit: material?.unit ?? tell('shelf.mlOrG') })
        }}</label>
        <NumberField
          v-model="form.amount"
          :input-id="`amount-${id}`"
          :min="0"
          :max-fraction-digits="1"
          fluid
        />
        <FieldError :problem="saving.error.value" field="amount" />
      </div>
      <div class="field">
        <label :for="`left-${id}`">{{
          tell('shelf.left2', { unit: material?.unit ?? tell('shelf.mlOrG') })
        }}</label>
        <NumberField
          v-model="form.left"
          :input-id="`left-${id}`"
          :min="0"
          :max-fraction-digits="1"
          fluid
          :placeholder="tell('shelf.asItWasBought')"
        />
        <FieldError :problem="saving.error.value" field="left" />
      </div>
      <div v-if="material?.usualStrengthPercent" class="field">
        <label :for="`strength-${id}`">{{ tell('shelf.strength') }}</label>
        <NumberField
          v-model="form.strengthPercent"
          :input-id="`strength-${id}`"
          :min="0"
          :max-fraction-digits="1"
          fluid
        />
        <FieldError :problem="saving.error.value" field="strengthPercent" />
      </div>
      <div class="field">
        <label :for="`opened-${id}`">{{ tell('shelf.openedOn') }}</label>
        <input :id="`opened-${id}`" v-model="form.openedOn" class="p-inputtext" type="date" />
        <FieldError :problem="saving.error.value" field="openedOn" />
      </div>
      <div class="field">
        <label :for="`before-${id}`">{{ tell('shelf.bestBefore') }}</label>
        <input :id="`before-${id}`" v-model="form.bestBefore" class="p-inputtext" type="date" />
      </div>
      <div class="field">
        <label :for="`cost-${id}`">{{ tell('shelf.costOfTheFullOne') }}</label>
        <NumberField
          v-model="form.cost"
          :input-id="`cost-${id}`"
          :min="0"
          :max-fraction-digits="2"
          :suffix="currencySign()"
          fluid
        />
        <FieldError :problem="saving.error.value" field="cost" />
      </div>
      <div class="field">
        <label :for="`low-${id}`">{{
          tell('shelf.lowAt', { unit: material?.unit ?? tell('shelf.mlOrG') })
        }}</label>
        <NumberField
          v-model="form.lowAt"
          :input-id="`low-${id}`"
          :min="0"
          :max-fraction-digits="1"
          fluid
          :placeholder="tell('shelf.aFifth')"
        />
        <FieldError :problem="saving.error.value" field="lowAt" />
      </div>
    </div>
    <FieldError :problem="saving.error.value" :shown="fields" />
    <WriteOver :problem="saving.error.value" @over="saving.insist().then(...closed)" @keep="emit('done')" />
    <FieldError :problem="removing.error.value" />
    <div class="actions">
      <Button
        type="submit"
        :label="stock ? tell('shelf.keepTheChange') : tell('shelf.putItUp')"
        :loading="saving.isPending.value"
      />
      <Button :label="tell('ledger.leaveIt')" variant="text" @click="emit('done')" />
      <Button v-if="stock" :label="tell('shelf.takeItOffTheShelf')" variant="outlined" @click="remove" />
    </div>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
}

li form {
  padding: 0;
  border: 0;
}

.grid {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 12px;
}
</style>
