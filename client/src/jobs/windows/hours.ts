import { tell } from '@/language'
import { dateFormat } from '@/language/formatters'
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
  lamps: 'I',
  unknown: '?',
}

/** What each letter stands for. */
export const ruleWords: Record<string, string> = {
  H: tell('windows.heat'),
  S: tell('windows.sun'),
  W: tell('board.wind2'),
  R: tell('garden.rain'),
  E: tell('windows.airTooDryOrDamp'),
  D: tell('windows.driesSlowly'),
  L: tell('board.wetLeaves'),
  C: tell('windows.cold'),
  O: tell('windows.aPond'),
  N: tell('windows.nobodyFree'),
  I: tell('windows.lamps'),
  B: tell('windows.bees'),
  '·': tell('windows.dark'),
  P: tell('windows.plantsWilt'),
  '?': tell('board.notKnown'),
}

/** Letter of the rule that weighs most in an hour; nothing for a good one. */
export function reasonMark(hour: Hour): string {
  const rule = hour.rules[0]
  return hour.verdict === 'good' || !rule ? '' : marks[rule.rule]
}

/** Hours laid out by local day, for a table. */
export interface HourGrid {
  /** Clock hours, 0 to 23; an hour that comes twice on one of the days stands twice. */
  columns: { hour: number; again: boolean }[]
  days: { label: string; cells: (Hour | null)[] }[]
}

/** A cell for each clock hour, and one more where an hour comes twice; null where nothing is said. */
export function byDay(hours: readonly Hour[], timeZone: string): HourGrid {
  const local = dateFormat('en-GB', { timeZone, hour: '2-digit', hourCycle: 'h23' })
  const days = new Map<string, Map<string, Hour>>()
  const twice = new Set<number>()
  for (const hour of hours) {
    const label = day(hour.hour, timeZone)
    const cells = days.get(label) ?? new Map<string, Hour>()
    const at = Number(local.format(new Date(hour.hour)))
    const again = cells.has(String(at))
    if (again) twice.add(at)
    cells.set(again ? `${at}+` : String(at), hour)
    days.set(label, cells)
  }
  const columns = Array.from({ length: 24 }, (_, hour) => hour).flatMap((hour) =>
    twice.has(hour)
      ? [
          { hour, again: false },
          { hour, again: true },
        ]
      : [{ hour, again: false }],
  )
  return {
    columns,
    days: [...days].map(([label, cells]) => ({
      label,
      cells: columns.map((c) => cells.get(c.again ? `${c.hour}+` : String(c.hour)) ?? null),
    })),
  }
}
