import type { Schemas } from '@/api/client'
import { day } from '@/kit/format'

type Hour = Schemas['HourAnswer']

const marks: Record<Schemas['SprayRule'], string> = {
  heat: 'H',
  sun: 'S',
  wind: 'W',
  rain: 'R',
  evaporation: 'E',
  drying: 'D',
  leafWet: 'L',
  cold: 'C',
  bees: 'B',
  light: '·',
  wilt: 'P',
  pond: 'O',
  free: 'N',
  unknown: '?',
}

/** What each letter stands for. */
export const ruleWords: Record<string, string> = {
  H: 'heat',
  S: 'sun',
  W: 'wind',
  R: 'rain',
  E: 'air too dry or damp',
  D: 'dries slowly',
  L: 'wet leaves',
  C: 'cold',
  O: 'a pond',
  N: 'nobody free',
  B: 'bees',
  '·': 'dark',
  P: 'plants wilt',
  '?': 'not known',
}

/** Letter of the rule that weighs most in an hour; nothing for a good one. */
export function reasonMark(hour: Hour): string {
  const rule = hour.rules[0]
  return hour.verdict === 'good' || !rule ? '' : marks[rule.rule]
}

/** Hours laid out by local day: 24 cells each, null where nothing is said. A doubled clock hour shows its first. */
export function byDay(hours: readonly Hour[], timeZone: string): { label: string; cells: (Hour | null)[] }[] {
  const local = new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit', hourCycle: 'h23' })
  const days = new Map<string, (Hour | null)[]>()
  for (const hour of hours) {
    const label = day(hour.hour, timeZone)
    const cells = days.get(label) ?? Array.from({ length: 24 }, () => null)
    const at = Number(local.format(new Date(hour.hour)))
    cells[at] ??= hour
    days.set(label, cells)
  }
  return [...days].map(([label, cells]) => ({ label, cells }))
}
