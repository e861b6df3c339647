import { expect, test } from '@playwright/test'
import { leafKinds, leafShape } from '../../client/src/drawings/leafShapes'
import { paintLeaf, severityShares as shares } from '../../client/src/drawings/paintedLeaf'
import { signPaints } from '../../client/src/drawings/signPaint'

/** Pixels of the outermost region inside the outline, over pixels of the blade, as the browser fills them. */
test('painted leaves hold their share of the blade to a point, counted in pixels', async ({ page }) => {
  const signs = Object.keys(signPaints)
  // Every sign on one kind of leaf, and a sign of every kind of field on the others.
  const some = signs.filter(
    (s) => signs.findIndex((x) => signPaints[x]?.kind === signPaints[s]?.kind) === signs.indexOf(s),
  )
  const leaves = leafKinds.flatMap((leaf, i) =>
    (i === 0 ? signs : some).flatMap((sign) =>
      shares.map((share) => ({
        name: `${leaf}/${sign}/${share}`,
        share,
        outline: leafShape(leaf).outline,
        region: paintLeaf(leaf, sign, share).regions[0]?.d ?? '',
      })),
    ),
  )
  expect(leaves.length).toBe(shares.length * (signs.length + (leafKinds.length - 1) * some.length))
  expect(signs.length).toBeGreaterThan(60)
  await page.goto('about:blank')
  const counted = await page.evaluate((all) => {
    // Antialiased edges count by their cover, so two pixels a unit are fine enough.
    const scale = 2
    const context = new OffscreenCanvas(100 * scale, 120 * scale).getContext('2d', {
      willReadFrequently: true,
    })
    if (!context) throw new Error('no canvas')
    const ink = () => {
      const { data } = context.getImageData(0, 0, 100 * scale, 120 * scale)
      let sum = 0
      for (let i = 3; i < data.length; i += 4) sum += data[i] ?? 0
      return sum
    }
    const blades = new Map<string, number>()
    const bladeOf = (outline: string) => {
      context.reset()
      context.scale(scale, scale)
      context.fill(new Path2D(outline))
      return ink()
    }
    return all.map(({ name, share, outline, region }) => {
      const blade = blades.get(outline) ?? bladeOf(outline)
      blades.set(outline, blade)
      context.reset()
      context.scale(scale, scale)
      context.clip(new Path2D(outline))
      context.fill(new Path2D(region))
      return { name, off: Math.abs((ink() / blade) * 100 - share) }
    })
  }, leaves)
  expect(counted.filter((c) => !(c.off <= 1))).toEqual([])
  const worst = counted.reduce((a, b) => (a.off > b.off ? a : b))
  test
    .info()
    .annotations.push({ type: 'worst', description: `${worst.name}: off by ${worst.off.toFixed(2)} points` })
})
