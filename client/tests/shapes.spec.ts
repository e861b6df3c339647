// @vitest-environment node
import { describe, expect, it } from 'vitest'
import { bandPath, dotRadius, hourCurve, runs } from '@/board/shapes'
import { leafKinds, leafShape } from '@/drawings/leafShapes'
import { signArt } from '@/drawings/signArt'

const x = (time: number) => time / 3_600_000

describe('band outlines', () => {
  it('are empty without points, flat for an even cover and a sliver for one point', () => {
    expect(bandPath([], 0, 3, x, 40, 30)).toBe('')
    expect(bandPath([0.5, 0.5], 0, 3, x, 40, 30)).toBe('M0,25L3,25L3,40L0,40Z')
    expect(bandPath([1], 0, 3, x, 40, 30)).toBe('M0,10L0,40Z')
  })
})

describe('hour curves', () => {
  it('break where nothing is known', () => {
    expect(hourCurve([1, 1, null, 2, 2], 0, x, (v) => v).match(/M/g)).toHaveLength(2)
    expect(hourCurve([null, null], 0, x, (v) => v)).toBe('')
    expect(hourCurve([], 0, x, (v) => v)).toBe('')
  })
})

describe('runs', () => {
  it('gather neighbouring hours', () => {
    expect(runs([true, true, false, true])).toEqual([
      [0, 2],
      [3, 4],
    ])
    expect(runs([])).toEqual([])
  })
})

describe('drawings', () => {
  it('give every leaf kind an outline of its own and an unknown one a plain leaf', () => {
    expect(new Set(leafKinds.map((k) => leafShape(k).outline)).size).toBe(leafKinds.length)
    expect(leafShape('fern')).toBe(leafShape('broad'))
  })

  it('are whole paths without holes in their numbers', () => {
    const paths = Object.values(signArt).flatMap((marks) => marks.map((m) => m.d))
    expect(paths.length).toBeGreaterThan(80)
    for (const d of paths) expect(d).not.toMatch(/NaN|undefined/)
  })

  it('size a dot by the share of leaves', () => {
    expect(dotRadius(0)).toBeLessThan(dotRadius(0.2))
    expect(dotRadius(2)).toBe(dotRadius(1))
  })
})
