// @vitest-environment node
import { describe, expect, it } from 'vitest'
import { evidenceOf, rank, shownOf, type Tables } from '@/jobs/suspects/naming'
import made from './naming-cases.json'

/** Made by the server's own tests from its own answers. */
const tables = made as unknown as Tables
/** Figures are held to nine digits, all else as it is. */
const near = <T extends object>(told: T | null) =>
  told &&
  Object.fromEntries(Object.entries(told).map(([k, v]) => [k, typeof v === 'number' ? v.toFixed(9) : v]))
type Noted = Parameters<typeof evidenceOf>[1]

describe('naming on the device', () => {
  it.each(made.cases.map((c) => [`${c.at}: ${c.seen.signs.map((s) => s.sign).join(', ')}`, c] as const))(
    'comes to what the server says: %s',
    (_, c) => {
      const told = shownOf(tables, rank(tables, c.priors, evidenceOf(tables, c.seen as Noted), c.skip))
      expect(told.suspects.map((s) => near({ target: s.target, p: s.probability }))).toEqual(
        Object.entries(c.suspects).map(([target, p]) => near({ target, p })),
      )
      expect(told.notListed).toBeCloseTo(c.notListed, 9)
      expect(told.meanwhile).toBe(c.meanwhile)
      expect(near(told.group)).toEqual(near(c.group))
      expect(near(told.together)).toEqual(near(c.together))
      expect(near(told.next)).toEqual(near(c.next))
    },
  )

  it('keeps what was noted over what follows from the rest', () => {
    const noted: Noted = {
      signs: [{ sign: tables.following.ants, present: false }],
      ants: 'few',
      part: 'tips',
      roots: 'clean',
    }
    expect(evidenceOf(tables, noted)).toEqual([
      { sign: tables.following.ants, present: false },
      { sign: 'tips-first', present: true },
      ...tables.following.notOnCleanRoots.map((sign) => ({ sign, present: false })),
    ])
  })
})
