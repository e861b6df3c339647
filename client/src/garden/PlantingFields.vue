<script setup lang="ts">
import { tell } from '@/language'
import { useQuery } from '@tanstack/vue-query'
import InputText from 'primevue/inputtext'
import { computed, useId } from 'vue'
import { answer, api, type Problem } from '@/api/client'
import { keys } from '@/garden/useGarden'
import { useOwnKinds } from '@/garden/useOwnKinds'
import FieldError from '@/kit/FieldError.vue'
import NumberField from '@/kit/NumberField.vue'
import SelectField from '@/kit/SelectField.vue'

/** What was planted and when; which variety and how many, unless that can wait. */
withDefaults(defineProps<{ problem: Problem | null; today: string; prefix?: string; brief?: boolean }>(), {
  prefix: '',
})
const facts = defineModel<{ crop: string; variety: string; from: string; count: number | null }>({
  required: true,
})
const id = useId()
const crops = useQuery({
  queryKey: keys.catalogue('crops'),
  queryFn: () => answer(api.GET('/api/catalogue/crops')),
  staleTime: Infinity,
})
const { crops: own } = useOwnKinds()
const sorted = computed(() =>
  [...(crops.data.value ?? []), ...own.value].sort((a, b) => a.name.localeCompare(b.name)),
)
</script>

<template>
  <SelectField
    v-model="facts.crop"
    :options="sorted"
    filter
    :also="['alsoCalled']"
    :placeholder="tell('beds.chooseACrop')"
    :label="tell('beds.crop')"
    show="name"
    take="id"
    ><FieldError :problem="problem" :field="`${prefix}crop`"
  /></SelectField>
  <div v-if="!brief" class="field">
    <label :for="`${id}-variety`">{{ tell('beds.variety') }}</label>
    <InputText :id="`${id}-variety`" v-model="facts.variety" maxlength="80" />
    <FieldError :problem="problem" :field="`${prefix}variety`" />
  </div>
  <div class="field">
    <label :for="`${id}-from`">{{ tell('beds.plantedOn') }}</label>
    <input :id="`${id}-from`" v-model="facts.from" class="p-inputtext" type="date" :max="today" />
    <FieldError :problem="problem" :field="`${prefix}from`" />
  </div>
  <div v-if="!brief" class="field">
    <label :for="`${id}-count`">{{ tell('garden.plants') }}</label>
    <NumberField
      v-model="facts.count"
      :input-id="`${id}-count`"
      :min="1"
      :max="10000"
      :placeholder="tell('beds.notCounted')"
      fluid
    />
    <FieldError :problem="problem" :field="`${prefix}count`" />
  </div>
</template>
