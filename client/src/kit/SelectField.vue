<script setup lang="ts" generic="T extends string">
import Select from 'primevue/select'
import { useId } from 'vue'

/** A choice from a list, named by its label, with room for what is wrong below it. */
withDefaults(
  defineProps<{
    modelValue: T | null | undefined
    label: string
    options: readonly object[] | readonly string[]
    /** Field of an option to show and to take; null when options are plain words. */
    show?: string | null
    take?: string | null
    filter?: boolean
    /** Fields that are searched besides what is shown, as other names. */
    also?: string[]
    placeholder?: string
  }>(),
  { show: 'label', take: 'value', filter: false, also: () => [], placeholder: undefined },
)
defineEmits<{ 'update:modelValue': [value: T] }>()
const id = useId()
</script>

<template>
  <div class="field">
    <span :id="id" class="label">{{ label }}</span>
    <Select
      :model-value="modelValue"
      :options="[...options]"
      :option-label="show ?? undefined"
      :option-value="take ?? undefined"
      :aria-labelledby="id"
      :filter="filter"
      :filter-fields="show ? [show, ...also] : undefined"
      :placeholder="placeholder"
      fluid
      @update:model-value="$emit('update:modelValue', $event)"
    />
    <slot />
  </div>
</template>
