import { shallowRef } from 'vue'

/** How SI becomes what the household reads: times the factor, and the offset on top. */
export interface Scale {
  word: string
  factor: number
  offset: number
  digits: number
}

/** What can be told and typed in the household's units. */
export interface Scales {
  temperature: Scale
  degreeDays: Scale
  length: Scale
  area: Scale
  rain: Scale
  wind: Scale
  /** What a tank is typed in. */
  volume: Scale
  /** What a volume is told in, the largest first. */
  volumes: { word: string; fromLitres: number; perLitre: number }[]
}

export type Quantity = Exclude<keyof Scales, 'volumes'>

const same = (word: string, digits = 0): Scale => ({ word, factor: 1, offset: 0, digits })

/** Until the garden says otherwise. */
export const metric: Scales = {
  temperature: same('°C'),
  degreeDays: same('degree-days'),
  length: same('m', 1),
  area: same('m²', 1),
  rain: same('mm', 1),
  wind: same('m/s', 1),
  volume: same('l', 2),
  volumes: [
    { word: 'l', fromLitres: 1, perLitre: 1 },
    { word: 'ml', fromLitres: 0, perLitre: 1000 },
  ],
}

/** What the household on screen reads. Factors come from the server, where they stand once. */
export const household = shallowRef<{ scales: Scales; hours: 'twentyFour' | 'twelve' }>({
  scales: metric,
  hours: 'twentyFour',
})

const rounded = (value: number, digits: number) => String(Number(value.toFixed(digits)))

/** 20 as "20 °C", or "68 °F". */
export function told(quantity: Quantity, si: number): string {
  const s = household.value.scales[quantity]
  return `${toldNumber(quantity, si)} ${s.word}`
}

/** The number alone, where a drawing has no room for the word. */
export function toldNumber(quantity: Quantity, si: number): string {
  const s = household.value.scales[quantity]
  return rounded(si * s.factor + s.offset, s.digits)
}

/** "12 to 25 °C": the word once. */
export function toldRange(quantity: Quantity, low: number, high: number): string {
  return `${toldNumber(quantity, low)} to ${told(quantity, high)}`
}

/** 2.4 as "2.4 l", 0.3 as "300 ml"; in the household's jugs where those are not metric. */
export function volume(litres: number): string {
  const { volumes } = household.value.scales
  const step = volumes.find((v) => litres >= v.fromLitres) ?? { word: 'l', perLitre: 1 }
  const amount = Number(
    (litres * step.perLitre).toFixed(step.perLitre >= 100 ? 0 : step.perLitre === 1 ? 2 : 1),
  )
  const plural = /^(gallon|quart|cup|pint)$/.test(step.word) && amount !== 1 ? 's' : ''
  return `${amount} ${step.word}${plural}`
}
