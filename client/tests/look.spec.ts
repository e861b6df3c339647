import { beforeEach, describe, expect, it } from 'vitest'
import { affectedBy, useLook } from '@/jobs/walk/useLook'
import { verdictOf } from '@/jobs/walk/useSample'

beforeEach(() => localStorage.clear())

describe('a look', () => {
  it('counts leaf by leaf, five at once, and one back', () => {
    const look = useLook('a')
    look.add(0, 5)
    look.add(1)
    look.add(1)
    look.back()
    expect([look.looked.value, look.affected.value]).toEqual([6, [1]])
  })

  it('keeps two troubles of the same leaves apart, and drops one with its leaves counted as the rest', () => {
    const look = useLook('b')
    look.add(1)
    look.addTrouble()
    look.add(2)
    look.add(3)
    look.add(0)
    look.toggleSign('ants')
    expect(look.affected.value).toEqual([2, 2])
    const sent = look.toObservation('p', null)
    expect([sent.leavesLooked, sent.leavesAffected, sent.also?.[0]?.leavesAffected]).toEqual([4, 2, 2])
    expect(sent.also?.[0]?.signs).toEqual([{ sign: 'ants', present: true }])
    expect(sent.id).not.toBe(sent.also?.[0]?.id)
    look.dropTrouble()
    expect([look.affected.value, look.draft.value.leaves]).toEqual([[2], [1, 0, 1, 0]])
  })

  it('sends no severity without an affected leaf', () => {
    const look = useLook('c')
    look.add(0)
    look.trouble.value.severityPercent = 20
    expect(look.toObservation('p', null).severityPercent).toBeNull()
    look.add(1)
    expect(look.toObservation('p', null).severityPercent).toBe(20)
  })

  it('begins anew with a new id once it is saved', () => {
    const look = useLook('d')
    look.add(1)
    const first = look.toObservation('p', null).id
    look.clear()
    expect(look.looked.value).toBe(0)
    expect(look.toObservation('p', null).id).not.toBe(first)
  })

  it('reads bits', () => expect([0, 1].map((t) => affectedBy([0, 1, 2, 3, 3], t))).toEqual([3, 3]))
})

describe('stop lines', () => {
  const lines = { line: 0.1, belowAtMost: [-1, -1, 0], aboveAtLeast: [-1, 2, 2] }
  it('give the verdict without the network', () => {
    expect(verdictOf(lines, 1, 1)?.verdict).toBe('countMore')
    expect(verdictOf(lines, 2, 2)?.verdict).toBe('above')
    expect(verdictOf(lines, 3, 0)?.verdict).toBe('below')
    expect(verdictOf(lines, 3, 1)?.verdict).toBe('countMore')
  })
  it('end where they end', () => {
    expect(verdictOf(lines, 4, 0)).toBeNull()
    expect(verdictOf(undefined, 1, 0)).toBeNull()
  })
})
