// @vitest-environment node
import crops from '../../catalogue/crops.yaml?raw'
import helpers from '../../catalogue/helpers.yaml?raw'
import signs from '../../catalogue/signs.yaml?raw'
import targets from '../../catalogue/targets.yaml?raw'
import { describe, expect, it } from 'vitest'
import { creatures } from '@/drawings/creatureArt'
import { flatten, leafGround, sharedArea, spansOf } from '@/drawings/leafField'
import { leafKinds } from '@/drawings/leafShapes'
import { paintLeaf } from '@/drawings/paintedLeaf'
import { signArt } from '@/drawings/signArt'
import { signPaints } from '@/drawings/signPaint'

/** Every `drawing:` a file of the catalogue names. */
const named = (...files: string[]) => [
  ...new Set([...files.join('\n').matchAll(/drawing: ([\w-]+)/g)].map((m) => m[1] as string)),
]

describe('the catalogue is drawn', () => {
  it('each sign has a portrait and a paint', () => {
    const drawn = named(signs)
    expect(drawn.length).toBeGreaterThan(60)
    expect(drawn.filter((s) => !(s in signArt))).toEqual([])
    expect(drawn.filter((s) => !(s in signPaints))).toEqual([])
  })

  it('each helper and each stage of an insect has a line drawing, and no drawing is left over', () => {
    const wanted = named(helpers, targets)
    expect(wanted.filter((c) => !(c in creatures))).toEqual([])
    expect(Object.keys(creatures).filter((c) => !wanted.includes(c))).toEqual([])
  })

  it('each crop names a leaf that is drawn', () => {
    const leaves = [...crops.matchAll(/leaf: (\w+)/g)].map((m) => m[1])
    expect(leaves.length).toBeGreaterThan(29)
    expect(leaves.filter((l) => !(leafKinds as readonly string[]).includes(l ?? ''))).toEqual([])
  })

  it('creatures are whole paths', () => {
    for (const c of Object.values(creatures))
      expect(`${c.limbs ?? ''}${c.lines ?? ''}${c.soft ?? ''}${c.solid ?? ''}`).not.toMatch(
        /NaN|undefined|^$/,
      )
  })
})

describe('a painted leaf', () => {
  it('is flattened point by point', () => {
    expect(flatten('M0 0L10 0V5')).toEqual([
      [
        [0, 0],
        [10, 0],
        [10, 5],
      ],
    ])
    expect(flatten('M0 0C0 10 10 10 10 0Z')[0]).toHaveLength(17)
  })

  it('is measured row by row, holes left out and what lies apart shared by none', () => {
    const box = (x: number, y: number, side: number): [number, number][] => [
      [x, y],
      [x + side, y],
      [x + side, y + side],
      [x, y + side],
    ]
    const whole = spansOf([box(10, 10, 30)])
    expect(sharedArea(whole, whole)).toBeCloseTo(900, 6)
    const ring = spansOf([box(10, 10, 30), box(20, 20, 10).reverse()])
    expect(sharedArea(ring, whole)).toBeCloseTo(800, 6)
    expect(sharedArea(whole, spansOf([box(60, 60, 10)]))).toBe(0)
    expect(sharedArea(whole, spansOf([]))).toBe(0)
  })

  it('keeps its seeds on the blade', () => {
    for (const leaf of leafKinds) {
      const ground = leafGround(leaf)
      expect(ground.area).toBeGreaterThan(1500)
      for (const [x, y] of ground.seeds)
        expect(ground.samples.some(([a, b]) => Math.hypot(a - x, b - y) < 1)).toBe(true)
    }
  })

  it('says the share that it was asked for, and nothing for a clean leaf', () => {
    expect(paintLeaf('broad', 'rust', 0)).toEqual({ regions: [], percent: 0 })
    for (const percent of [1, 5, 25, 60]) {
      const painted = paintLeaf('lobed', 'white-dust', percent)
      expect(Math.abs(painted.percent - percent)).toBeLessThan(0.5)
      expect(painted.regions.length).toBe(2)
    }
  })
})
