<script setup lang="ts">
import { tell } from '@/language'
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import MultiSelect from 'primevue/multiselect'
import { computed, reactive, watch } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenEdit } from '@/garden/useGarden'
import { useTargets } from '@/garden/useTargets'
import { formWords, options, perWords } from '@/garden/words'
import FieldError from '@/kit/FieldError.vue'
import SelectField from '@/kit/SelectField.vue'
import NumberField from '@/kit/NumberField.vue'
import WriteOver from '@/kit/WriteOver.vue'

const props = defineProps<{ materials: Schemas['ShelfMaterial'][]; product?: Schemas['ProductAnswer'] }>()
const emit = defineEmits<{ done: [] }>()
const { memberId } = useGarden()
const id = props.product?.id ?? crypto.randomUUID()
const somethingElse = 'none'
const form = reactive({
  name: props.product?.name ?? '',
  like: props.product ? (props.product.like ?? somethingElse) : '',
  worksOn: [...(props.product?.worksOn ?? [])],
  unit: props.product?.unit ?? 'ml',
  doseLow: props.product?.doseLow ?? null,
  doseHigh: props.product?.doseHigh ?? null,
  addTo: props.product?.addTo ?? false,
  maxTimes: props.product?.maxTimes ?? null,
  daysBetween: props.product?.daysBetween ?? null,
  daysToWait: props.product?.daysToWait ?? null,
  crops: [...(props.product?.crops ?? [])],
  runHours: props.product?.runHours ?? null,
  freshWaterDays: props.product?.freshWaterDays ?? null,
  form: props.product?.form ?? ('spray' as Schemas['Form']),
  per: props.product?.per ?? ('litre' as Schemas['DosedPer']),
})
const forms = options(formWords).filter((f) => f.value !== 'wipe')
/** What is mixed is dosed by the litre; what is dry is not. */
const dry = computed(() => ['dust', 'bait', 'feed'].includes(form.form))
const pers = options(perWords).filter((p) => p.value !== 'litre')
watch(dry, (now) => {
  form.per = now ? 'squareMetre' : 'litre'
  form.unit = now ? 'g' : form.unit
  form.addTo &&= !now
})
const likes = computed(() => [
  ...props.materials.filter((m) => !m.id.startsWith('own-')).map((m) => ({ id: m.id, name: m.name })),
  { id: somethingElse, name: tell('shelf.somethingElse') },
])
const { data: crops } = useQuery({
  queryKey: ['crops'],
  queryFn: () => answer(api.GET('/api/catalogue/crops')),
  staleTime: Infinity,
})
const targets = useTargets()
const troubles = computed(() => targets.value.filter((t) => !t.noSpray))
const saving = useGardenEdit((gardenId, headers) =>
  answer(
    api.PUT('/api/gardens/{gardenId}/products/{productId}', {
      params: { path: { gardenId, productId: id } },
      headers,
      body: {
        ...form,
        like: form.like === somethingElse || form.like === '' ? null : form.like,
        worksOn: form.like === somethingElse ? form.worksOn : [],
        runHours: form.form === 'drench' ? form.runHours : null,
        freshWaterDays: form.form === 'drench' ? form.freshWaterDays : null,
        doseLow: form.doseLow ?? 0,
        doseHigh: form.doseHigh ?? form.doseLow ?? 0,
        retired: props.product?.retired ?? false,
        memberId: memberId.value,
      },
    }),
  ),
)
const closed = [() => emit('done'), () => undefined] as const
/** What a dose is typed in; of a plant or a station it is plain millilitres or grams. */
const quantities: Partial<Record<Schemas['DosedPer'], Record<string, keyof typeof asTheLabelSays>>> = {
  litre: { ml: 'doseMl', g: 'doseG' },
  squareMetre: { ml: 'areaDoseMl', g: 'areaDoseG' },
}
const quantity = computed(() => quantities[form.per]?.[form.unit])
const asTheLabelSays = {
  doseMl: tell('shelf.asTheLabelSaysMl'),
  doseG: tell('shelf.asTheLabelSaysG'),
  areaDoseMl: tell('shelf.asTheLabelSaysByArea'),
  areaDoseG: tell('shelf.asTheLabelSaysByArea'),
}
const numbers = computed(() => {
  const dose = {
    digits: 2,
    quantity: quantity.value,
    suffix: quantity.value ? undefined : tell('shelf.doseFor', { unit: form.unit, per: perWords[form.per] }),
  }
  return [
    { field: 'doseLow', label: tell('shelf.lowestDose'), ...dose },
    { field: 'doseHigh', label: tell('shelf.highestDose'), ...dose },
    { field: 'maxTimes', label: tell('shelf.timesASeasonAtMost'), digits: 0 },
    { field: 'daysBetween', label: tell('shelf.daysBetweenTwo'), digits: 0 },
    { field: 'daysToWait', label: tell('shelf.daysBeforePicking'), digits: 0 },
    ...(form.form === 'drench'
      ? ([
          { field: 'runHours', label: tell('shelf.hoursThePumpRuns'), digits: 0 },
          { field: 'freshWaterDays', label: tell('shelf.daysToFreshWater'), digits: 0 },
        ] as const)
      : []),
  ] as const
})
</script>

<template>
  <form novalidate @submit.prevent="saving.save().then(...closed)">
    <div class="grid">
      <div class="field">
        <label :for="`product-${id}`">{{ tell('shelf.nameOnTheLabel') }}</label>
        <InputText :id="`product-${id}`" v-model="form.name" maxlength="80" fluid />
        <FieldError :problem="saving.error.value" field="name" />
      </div>
      <SelectField
        v-model="form.like"
        :options="likes"
        :label="tell('beds.whatIt')"
        show="name"
        take="id"
        filter
      >
        <FieldError :problem="saving.error.value" field="like" />
      </SelectField>
      <div v-if="form.like === somethingElse" class="field">
        <label :for="`for-${id}`">{{ tell('shelf.itsLabel') }}</label>
        <MultiSelect
          v-model="form.worksOn"
          :input-id="`for-${id}`"
          :options="troubles"
          option-label="label"
          option-value="value"
          filter
          fluid
          :selection-limit="8"
        />
      </div>
      <SelectField v-model="form.form" :options="forms" :label="tell('shelf.howItIsGiven')" />
      <SelectField v-if="dry" v-model="form.per" :options="pers" :label="tell('shelf.itsDoseIsFor')">
        <FieldError :problem="saving.error.value" field="per" />
      </SelectField>
      <SelectField
        v-model="form.unit"
        :options="['ml', 'g']"
        :label="tell('shelf.measuredIn')"
        :show="null"
        :take="null"
      />
      <div v-for="n in numbers" :key="n.field" class="field">
        <label :for="`${n.field}-${id}`">{{ n.label }}</label>
        <NumberField
          v-model="form[n.field]"
          :input-id="`${n.field}-${id}`"
          :min="0"
          :max-fraction-digits="n.digits"
          :quantity="'quantity' in n ? n.quantity : undefined"
          :suffix="'suffix' in n ? n.suffix : undefined"
          fluid
        />
        <FieldError :problem="saving.error.value" :field="n.field" />
      </div>
    </div>
    <p v-if="quantity" class="soft">{{ asTheLabelSays[quantity] }}</p>
    <div class="field">
      <label :for="`crops-${id}`">{{ tell('shelf.cropsOnTheLabel') }}</label>
      <MultiSelect
        v-model="form.crops"
        :input-id="`crops-${id}`"
        :options="crops ?? []"
        option-label="name"
        option-value="id"
        filter
        fluid
      />
      <FieldError :problem="saving.error.value" field="crops" />
    </div>
    <FieldError :problem="saving.error.value" field="worksOn" />
    <label v-if="!dry" class="tick"
      ><input v-model="form.addTo" type="checkbox" /> {{ tell('shelf.theLabelAdds') }}</label
    >
    <FieldError
      :problem="saving.error.value"
      :shown="['name', 'like', 'worksOn', 'per', 'crops', ...numbers.map((n) => n.field)]"
    />
    <WriteOver :problem="saving.error.value" @over="saving.insist().then(...closed)" @keep="emit('done')" />
    <div class="actions">
      <Button type="submit" :label="tell('shelf.keepTheLabel')" :loading="saving.isPending.value" />
      <Button :label="tell('ledger.leaveIt')" variant="text" @click="emit('done')" />
    </div>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
  padding: 8px 0;
}

.grid {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
  gap: 12px;
}

.tick {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 44px;
}

.tick input {
  flex: none;
  width: 22px;
  height: 22px;
  accent-color: var(--mauve);
}
</style>
