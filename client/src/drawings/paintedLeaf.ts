import { contours } from 'd3-contour'
import {
  boxHeight,
  boxWidth,
  distanceTo,
  leafGround,
  type LeafGround,
  type Point,
  sharedArea,
  spansOf,
} from './leafField'
import { type SignPaint, signPaint } from './signPaint'

/** A filled region of the blade; clip it to the leaf's outline. */
export interface Region {
  d: string
  fill: string
}

export interface PaintedLeaf {
  /** The first covers all that is painted; later ones lie within it. */
  regions: Region[]
  /** Share of the blade that is painted, per cent. */
  percent: number
}

/** The shares that an eye is asked to tell apart, per cent. */
export const severityShares = [1, 5, 10, 20, 40, 60] as const

const painted = new Map<string, PaintedLeaf>()

/**
 * A leaf with a sign on just this share of its blade. A scalar field over the blade says where the sign comes first; it is cut
 * at the value that leaves this share of the cells above it, so the painted area follows from the cut, not from luck.
 * @param percent 0 to 100
 */
export function paintLeaf(leaf: string, drawing: string, percent: number): PaintedLeaf {
  const key = `${leaf}/${drawing}/${percent}`
  const known = painted.get(key)
  if (known) return known
  const result = paint(leafGround(leaf), signPaint(drawing), Math.max(0, Math.min(100, percent)))
  painted.set(key, result)
  return result
}

function paint(ground: LeafGround, sign: SignPaint, percent: number): PaintedLeaf {
  if (percent === 0) return { regions: [], percent: 0 }
  const field = sampled(ground, sign, percent)
  const { rising } = field
  const cut = (share: number) =>
    rising[Math.max(0, Math.min(rising.length - 1, Math.round((1 - share / 100) * rising.length)))] as number
  const cuts = sign.layers.map(({ share, fill }) => ({ fill, ...cutTo(percent * share) }))
  return {
    regions: cuts.map(({ rings, fill }) => ({ d: path(rings), fill })),
    percent: cuts[0]?.percent ?? 0,
  }

  /** Cuts at the value that the samples ask for, measures what that paints, and corrects the cut for the difference. */
  function cutTo(wanted: number): { rings: Point[][]; percent: number } {
    let asked = wanted
    let best = { rings: [] as Point[][], percent: -Infinity }
    for (let round = 0; round < 8 && Math.abs(best.percent - wanted) > 0.2; round++) {
      const rings = outlineAbove(field, cut(asked))
      const percent = (sharedArea(spansOf(rings), ground.blade) / ground.area) * 100
      if (Math.abs(percent - wanted) < Math.abs(best.percent - wanted)) best = { rings, percent }
      asked += wanted - percent
    }
    return best
  }
}

/** A field's values at the middles of square cells over the leaf's box. */
interface Sampled {
  /** Side of a cell. */
  step: number
  columns: number
  rows: number
  values: number[]
  /** Values over the blade in rising order. */
  rising: Float64Array
}

/** Spots change with the share and are sampled anew for each: one point in so many is enough to begin with. */
const coarse = 7

const kept = new Map<LeafGround, Map<string, Sampled>>()

/** Spots move with the share; every other field is sampled once for a leaf, and finely, because it has ridges. */
function sampled(ground: LeafGround, sign: SignPaint, percent: number): Sampled {
  if (sign.kind === 'spots') return sample(ground, lesions(ground, sign, percent), 1, coarse)
  const known = kept.get(ground) ?? new Map<string, Sampled>()
  kept.set(ground, known)
  const field = known.get(sign.kind) ?? sample(ground, fieldOf(ground, sign.kind), 0.5, 1)
  known.set(sign.kind, field)
  return field
}

function sample(ground: LeafGround, field: Field, step: number, every: number): Sampled {
  const columns = boxWidth / step
  const rows = boxHeight / step
  const values = Array.from({ length: columns * rows }, (_, i) =>
    field(((i % columns) + 0.5) * step, (Math.floor(i / columns) + 0.5) * step),
  )
  const grid = { step, columns, rows, values }
  const points = ground.samples.filter((_, i) => i % every === 0)
  return { ...grid, rising: Float64Array.from(points, ([x, y]) => valueAt(grid, x, y)).sort() }
}

/** The field between the middles of cells, straight as the contour takes it. */
function valueAt({ step, columns, rows, values }: Omit<Sampled, 'rising'>, x: number, y: number): number {
  const px = x / step - 0.5
  const py = y / step - 0.5
  const i = Math.max(0, Math.min(columns - 2, Math.floor(px)))
  const j = Math.max(0, Math.min(rows - 2, Math.floor(py)))
  const u = px - i
  const v = py - j
  const at = j * columns + i
  const top = (values[at] as number) * (1 - u) + (values[at + 1] as number) * u
  const bottom = (values[at + columns] as number) * (1 - u) + (values[at + columns + 1] as number) * u
  return top * (1 - v) + bottom * v
}

/** The outline of all that lies above a value. */
function outlineAbove({ step, columns, rows, values }: Sampled, cut: number): Point[][] {
  const region = contours().size([columns, rows]).contour(values, cut)
  return region.coordinates.flat().map((ring) => ring.map(([x = 0, y = 0]): Point => [x * step, y * step]))
}

const path = (rings: Point[][]) =>
  rings.map((ring) => `M${ring.map(([x, y]) => `${x.toFixed(2)} ${y.toFixed(2)}`).join('L')}Z`).join('')

type Field = (x: number, y: number) => number

/** Where a sign comes first: the higher the earlier. */
function fieldOf(ground: LeafGround, kind: Exclude<SignPaint['kind'], 'spots'>): Field {
  switch (kind) {
    case 'margin':
      return (x, y) => -distanceTo([ground.outline], x, y)
    case 'veins':
      // Broader towards the stalk, so that no two points along a straight vein are equal.
      return (x, y) => 0.006 * y - distanceTo(ground.veins, x, y)
    case 'between':
      return (x, y) => distanceTo(ground.veins, x, y)
    case 'tip':
      return (x, y) => -y + ripple(x, y)
    case 'base':
      return (x, y) => y + ripple(x, y)
    case 'side':
      return (x, y) => x + ripple(x, y)
    case 'patches':
      return (x, y) =>
        Math.sin(x / 9 + 1) + Math.sin(y / 11 + x / 23) + Math.sin((x - y) / 14) + 0.2 * ripple(x, y)
    case 'lines':
      return (x, y) =>
        -Math.min(
          ...windings.map(([offset, turn]) =>
            Math.abs(x - offset - 9 * Math.sin(y / 9 + turn) - (y - 60) / 6),
          ),
        )
  }
}

const windings: readonly Point[] = [
  [34, 0],
  [64, 2],
  [50, 4],
]

const ripple: Field = (x, y) => 2.5 * Math.sin(x / 6) + 1.5 * Math.sin(y / 5 + x / 9)

/** Spots round the leaf's seeds: as many as fit the share at their usual size, then larger. */
function lesions(ground: LeafGround, sign: SignPaint, percent: number): Field {
  const { size = 4, stretch = 1, square = false } = sign
  const area = (percent / 100) * ground.area
  const count = Math.max(
    1,
    Math.min(ground.seeds.length, Math.round(area / (Math.PI * size * size * stretch))),
  )
  const spots = ground.seeds.slice(0, count).map(([x, y], i) => {
    const angle = i * 2.4
    return { x, y, cos: Math.cos(angle), sin: Math.sin(angle), size: 1 + 0.25 * ((i % 3) - 1) }
  })
  return (x, y) => {
    let nearest = Infinity
    for (const s of spots) {
      const dx = ((x - s.x) * s.cos + (y - s.y) * s.sin) / stretch
      const dy = (y - s.y) * s.cos - (x - s.x) * s.sin
      const d = (square ? Math.max(dx * dx, dy * dy) : dx * dx + dy * dy) / (s.size * s.size)
      if (d < nearest) nearest = d
    }
    return -Math.sqrt(nearest)
  }
}
