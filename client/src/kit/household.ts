import { figure, tell } from '@/language'
import { shallowRef } from 'vue'

/** How SI becomes what the household reads: to the power, times the factor, and the offset on top. */
export interface Scale {
  word: string
  factor: number
  offset: number
  digits: number
  power: number
}

/** An amount in SI as a scale reads it. */
export const onScale = (s: Scale, si: number): number =>
  (s.power === 1 ? si : Math.max(0, si) ** s.power) * s.factor + s.offset

/** What a scale reads, in SI. */
export const offScale = (s: Scale, shown: number): number => {
  const si = (shown - s.offset) / s.factor
  return s.power === 1 ? si : Math.max(0, si) ** (1 / s.power)
}

/** What can be told and typed in the household's units. */
export interface Scales {
  temperature: Scale
  degreeDays: Scale
  length: Scale
  area: Scale
  rain: Scale
  wind: Scale
  /** What a tank is typed in; volumes that are told come as words from the server. */
  volume: Scale
  /** A label's dose, millilitres or grams, for a litre or a square metre. */
  doseMl: Scale
  doseG: Scale
  areaDoseMl: Scale
  areaDoseG: Scale
  /** What a number may be typed with besides; none until the garden is known. */
  typed?: Partial<Record<string, Scale[]>>
}

export type Quantity = Exclude<keyof Scales, 'typed'>

const same = (word: string, digits = 0): Scale => ({ word, factor: 1, offset: 0, digits, power: 1 })

/** Until the garden says otherwise. */
export const metric: Scales = {
  temperature: same('°C'),
  degreeDays: same('degree-days'),
  length: same('m', 1),
  area: same('m²', 1),
  rain: same('mm', 1),
  wind: same('m/s', 1),
  volume: same('l', 2),
  doseMl: same('ml/l', 2),
  doseG: same('g/l', 2),
  areaDoseMl: same('ml/m²', 2),
  areaDoseG: same('g/m²', 2),
}

/** What the household on screen reads. Factors come from the server, where they stand once. */
export const household = shallowRef<{
  scales: Scales
  hours: 'twentyFour' | 'twelve'
  /** By ISO 4217; empty where nobody said. */
  currency: string
}>({
  scales: metric,
  hours: 'twentyFour',
  currency: '',
})

/** Reads from here on as somebody measures: a household, or a country's. */
export function measureAs(by: {
  scales: Scales
  units: { hours: 'twentyFour' | 'twelve'; currency?: string | null }
}) {
  household.value = { scales: by.scales, hours: by.units.hours, currency: by.units.currency ?? '' }
}

const rounded = figure

/** 20 as "20 °C", or "68 °F". */
export function told(quantity: Quantity, si: number): string {
  const s = household.value.scales[quantity]
  return `${toldNumber(quantity, si)} ${s.word}`
}

/** The number alone, where a drawing has no room for the word. */
export function toldNumber(quantity: Quantity, si: number): string {
  const s = household.value.scales[quantity]
  return rounded(onScale(s, si), s.digits)
}

/** "12 to 25 °C": the word once. */
export function toldRange(quantity: Quantity, low: number, high: number): string {
  return tell('decide.lowHigh', { low: toldNumber(quantity, low), high: told(quantity, high) })
}
