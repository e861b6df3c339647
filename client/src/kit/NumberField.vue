<script setup lang="ts">
import { tell } from '@/language'
import InputText from 'primevue/inputtext'
import { computed, nextTick, ref, useId, useTemplateRef, watch } from 'vue'
import { household, offScale, onScale, type Quantity } from './household'
import { apart, decimalSign, plainUnit, readNumber, type Typed } from './readNumber'

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
  /** The number is SI of this, and is shown and typed in the household's unit. */
  quantity?: Quantity
  fluid?: boolean
  invalid?: boolean
  disabled?: boolean
  /** Told when the field is left, for what is saved at once. */
  lazy?: boolean
}>()
const emit = defineEmits<{ 'update:modelValue': [value: number | null] }>()

const sign = decimalSign()
const hintId = useId()
const box = useTemplateRef<{ $el: HTMLInputElement }>('box')
const scale = computed(() => (props.quantity ? household.value.scales[props.quantity] : null))
const toShown = (si: number) => (scale.value ? onScale(scale.value, si) : si)
const toSi = (shown: number) => (scale.value ? offScale(scale.value, shown) : shown)
/** As it reads in the field, in the unit of the field. */
const written = (value: number) =>
  value.toLocaleString(sign === ',' ? 'de' : 'en', {
    maximumFractionDigits: scale.value ? Math.max(2, scale.value.digits) : (props.maxFractionDigits ?? 0),
    useGrouping: false,
  })
const shown = (si: number | null | undefined) => (si === null || si === undefined ? '' : written(toShown(si)))
const text = ref(shown(props.modelValue))
/** What stood here before somebody typed. */
const before = ref(props.modelValue ?? null)
let told: number | null | undefined = props.modelValue

/** The unit that the field is in. */
const word = computed(() => (props.suffix ?? scale.value?.word ?? '').trim())
/** What was typed, in the unit of the field: with another unit of the same kind it is carried over. */
const typed = computed((): Typed => {
  const { number, unit } = apart(text.value)
  const read = readNumber(number, sign)
  if (unit === '' || unit === plainUnit(word.value) || read.is !== 'number')
    return unit === '' ? readNumber(text.value, sign) : read
  const other = household.value.scales.typed?.[props.quantity ?? '']?.find((s) => plainUnit(s.word) === unit)
  if (!other)
    return {
      is: 'unclear',
      why: word.value
        ? tell('kit.isInAnotherUnit', { body: text.value.trim(), word: word.value })
        : tell('kit.isNoNumberWrite', { body: text.value.trim(), example: `1${sign}5` }),
    }
  return { is: 'number', value: toShown(offScale(other, read.value)) }
})
/** What another unit came to. */
const carried = computed(() => {
  const { unit } = apart(text.value)
  return unit !== '' && unit !== plainUnit(word.value) && typed.value.is === 'number'
    ? tell('kit.readAs', { body: text.value.trim(), written: written(typed.value.value), word: word.value })
    : ''
})
const fault = computed(() => {
  const t = typed.value
  if (t.is === 'unclear') return t.why
  if (t.is === 'empty') return ''
  if (props.min !== undefined && toSi(t.value) < props.min)
    return tell('kit.isTheLeast', { shown: shown(props.min) })
  if (props.max !== undefined && toSi(t.value) > props.max)
    return tell('kit.isTheMost', { shown: shown(props.max) })
  return ''
})
/** A slip of the decimal sign makes ten times as much, or a hundred. */
const large = computed(() => {
  const t = typed.value
  return t.is === 'number' && before.value !== null && before.value > 0 && toSi(t.value) >= 10 * before.value
    ? tell('kit.stoodHereBeforeIsWhatYou', { shown: shown(before.value), written: written(t.value) })
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
watch(scale, () => (text.value = shown(props.modelValue)))
watch(
  () => props.modelValue,
  (value) => {
    if (value === told) return
    told = value
    text.value = shown(value)
    before.value = value ?? null
  },
)

function report() {
  if (fault.value !== '') return
  const value = typed.value.is === 'number' ? toSi(typed.value.value) : null
  if (value === told || (value === null && told === undefined)) return
  told = value
  emit('update:modelValue', value)
}

function left() {
  report()
  if (fault.value === '' && typed.value.is === 'number') text.value = written(typed.value.value)
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
        :aria-describedby="fault || carried || large ? hintId : undefined"
        :placeholder="placeholder"
        :invalid="invalid || fault !== ''"
        :disabled="disabled"
        :inputmode="min !== undefined && min >= 0 ? 'decimal' : 'text'"
        autocomplete="off"
        @update:model-value="lazy ? undefined : report()"
        @change="left"
      />
      <span v-if="suffix ?? scale" class="suffix" aria-hidden="true">{{ word }}</span>
    </span>
    <small v-if="fault || carried || large" :id="hintId" :class="fault ? 'fault' : 'large'" role="status">{{
      fault || carried || large
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
