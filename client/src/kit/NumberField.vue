<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed, nextTick, ref, useId, useTemplateRef, watch } from 'vue'
import { decimalSign, readNumber } from './readNumber'

/** A number as people type it: with a comma or a point, a half, a minus. What does not read is said, and never swallowed. */
const props = defineProps<{
  modelValue?: number | null
  inputId?: string
  ariaLabel?: string
  placeholder?: string
  min?: number
  max?: number
  /** None for a whole number. */
  maxFractionDigits?: number
  suffix?: string
  fluid?: boolean
  invalid?: boolean
  /** Told when the field is left, for what is saved at once. */
  lazy?: boolean
}>()
const emit = defineEmits<{ 'update:modelValue': [value: number | null] }>()

const sign = decimalSign()
const hintId = useId()
const box = useTemplateRef<{ $el: HTMLInputElement }>('box')
const shown = (value: number | null | undefined) =>
  value === null || value === undefined
    ? ''
    : value.toLocaleString(sign === ',' ? 'de' : 'en', {
        maximumFractionDigits: props.maxFractionDigits ?? 0,
        useGrouping: false,
      })
const text = ref(shown(props.modelValue))
/** What stood here before somebody typed. */
const before = ref(props.modelValue ?? null)
let told: number | null | undefined = props.modelValue

const typed = computed(() => readNumber(text.value, sign))
const fault = computed(() => {
  const t = typed.value
  if (t.is === 'unclear') return t.why
  if (t.is === 'empty') return ''
  if (props.min !== undefined && t.value < props.min) return `${shown(props.min)} is the least.`
  if (props.max !== undefined && t.value > props.max) return `${shown(props.max)} is the most.`
  return ''
})
/** A slip of the decimal sign makes ten times as much, or a hundred. */
const large = computed(() => {
  const t = typed.value
  return t.is === 'number' && before.value !== null && before.value > 0 && t.value >= 10 * before.value
    ? `${shown(before.value)} stood here before: is ${shown(t.value)} what you mean?`
    : ''
})

// No form is sent with a number that nobody understood.
watch(
  fault,
  async (why) => {
    await nextTick()
    box.value?.$el.setCustomValidity(why)
  },
  { immediate: true },
)
watch(
  () => props.modelValue,
  (value) => {
    if (value === told) return
    told = value
    text.value = shown(value)
    before.value = value ?? null
  },
)

function tell() {
  if (fault.value !== '') return
  const value = typed.value.is === 'number' ? typed.value.value : null
  if (value === told || (value === null && told === undefined)) return
  told = value
  emit('update:modelValue', value)
}

function left() {
  tell()
  if (fault.value === '' && typed.value.is === 'number') text.value = shown(typed.value.value)
}
</script>

<template>
  <span class="number" :class="{ fluid }">
    <span class="box">
      <InputText
        :id="inputId"
        ref="box"
        v-model="text"
        :aria-label="ariaLabel"
        :aria-describedby="fault || large ? hintId : undefined"
        :placeholder="placeholder"
        :invalid="invalid || fault !== ''"
        :inputmode="min !== undefined && min >= 0 ? 'decimal' : 'text'"
        autocomplete="off"
        @update:model-value="lazy ? undefined : tell()"
        @change="left"
      />
      <span v-if="suffix" class="suffix" aria-hidden="true">{{ suffix.trim() }}</span>
    </span>
    <small v-if="fault || large" :id="hintId" :class="fault ? 'fault' : 'large'" role="status">{{
      fault || large
    }}</small>
  </span>
</template>

<style scoped>
.number {
  display: inline-grid;
  gap: 4px;
}

.number.fluid {
  display: grid;
}

.box {
  display: flex;
  align-items: center;
  gap: 6px;
}

.box :deep(input) {
  width: 8ch;
  flex: 1;
  min-width: 0;
}

.suffix {
  color: var(--ink-soft);
}

.fault {
  color: var(--stop);
}

.large {
  color: var(--ink);
}
</style>
