import { describe, expect, it } from 'vitest'
import { evidenceOf, rank, type Tables } from '@/jobs/suspects/naming'
import made from './naming-cases.json'

/** Made by the server's own tests from its own answers. */
const tables = made as unknown as Tables
type Noted = Parameters<typeof evidenceOf>[1]

describe('naming on the device', () => {
  it.each(made.cases.map((c) => [`${c.at}: ${c.seen.signs.map((s) => s.sign).join(', ')}`, c] as const))(
    'comes to what the server says: %s',
    (_, c) => {
      const told = rank(tables, c.priors, evidenceOf(tables, c.seen as Noted), c.skip)
      const expected = Object.entries(c.suspects)
      const shown = told.order.slice(0, made.shown)
      expect(shown.map((i) => tables.causes[i]?.suspect.target)).toEqual(expected.map(([target]) => target))
      expected.forEach(([, p], rank) => expect(told.probabilities[shown[rank] ?? -1]).toBeCloseTo(p, 9))
      expect(told.notListed).toBeCloseTo(c.notListed, 9)
      expect(told.next?.sign).toBe(c.next?.sign)
      if (c.next) {
        expect(told.next?.leadIfYes).toBeCloseTo(c.next.leadIfYes, 9)
        expect(told.next?.leadIfNo).toBeCloseTo(c.next.leadIfNo, 9)
      }
      if (c.together === null) expect(told.together).toBeNull()
      else expect(told.together?.probability).toBeCloseTo(c.together, 9)
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
