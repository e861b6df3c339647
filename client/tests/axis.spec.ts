// @vitest-environment node
import { describe, expect, it } from 'vitest'
import { clamp, pan, zoom } from '@/board/axis'
import { timeScale } from '@/board/timeScale'

const hour = 3_600_000
const bounds = { from: 0, to: 400 * hour }

describe('the time axis', () => {
  it('stays inside its bounds when moved past either end', () => {
    expect(pan({ from: 0, to: 100 * hour }, bounds, -24)).toEqual({ from: 0, to: 100 * hour })
    expect(pan({ from: 300 * hour, to: 400 * hour }, bounds, 24)).toEqual({
      from: 300 * hour,
      to: 400 * hour,
    })
    expect(pan({ from: 0, to: 100 * hour }, bounds, 24)).toEqual({ from: 24 * hour, to: 124 * hour })
  })

  it('zooms about a point that keeps its place', () => {
    const before = { from: 100 * hour, to: 300 * hour }
    const after = zoom(before, bounds, 0.5, 150 * hour)
    expect(after).toEqual({ from: 125 * hour, to: 225 * hour })
    expect(timeScale(before, 1000)(150 * hour)).toBe(timeScale(after, 1000)(150 * hour))
  })

  it('is never shorter than 36 hours nor longer than its bounds', () => {
    const short = zoom({ from: 0, to: 40 * hour }, bounds, 0.1, 20 * hour)
    expect(short.to - short.from).toBe(36 * hour)
    expect(clamp({ from: -hour, to: 9000 * hour }, bounds)).toEqual(bounds)
    expect(clamp({ from: 0, to: hour }, { from: 0, to: 10 * hour })).toEqual({ from: 0, to: 10 * hour })
  })
})
