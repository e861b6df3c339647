import { leafShape } from './leafShapes'

/** A leaf's box. */
export const boxWidth = 100
export const boxHeight = 120

export type Point = readonly [x: number, y: number]

/** A path of M, C, L, V, H and Z with absolute numbers as runs of points. */
export function flatten(path: string): Point[][] {
  const runs: Point[][] = []
  let at: Point = [0, 0]
  for (const [, command = '', rest = ''] of path.matchAll(/([MLCVHZ])([^MLCVHZ]*)/g)) {
    const n = (rest.match(/-?\d*\.?\d+/g) ?? []).map(Number)
    const run = runs[runs.length - 1]
    if (command === 'M') {
      at = [n[0] ?? 0, n[1] ?? 0]
      runs.push([at])
    } else if (command === 'L' && run) {
      at = [n[0] ?? 0, n[1] ?? 0]
      run.push(at)
    } else if (command === 'V' && run) {
      at = [at[0], n[0] ?? 0]
      run.push(at)
    } else if (command === 'H' && run) {
      at = [n[0] ?? 0, at[1]]
      run.push(at)
    } else if (command === 'C' && run) {
      for (let i = 0; i + 5 < n.length; i += 6) {
        const [x1, y1, x2, y2, x3, y3] = n.slice(i, i + 6) as [number, number, number, number, number, number]
        const [x0, y0] = at
        for (let k = 1; k <= 16; k++) {
          const t = k / 16
          const u = 1 - t
          run.push([
            u * u * u * x0 + 3 * u * u * t * x1 + 3 * u * t * t * x2 + t * t * t * x3,
            u * u * u * y0 + 3 * u * u * t * y1 + 3 * u * t * t * y2 + t * t * t * y3,
          ])
        }
        at = [x3, y3]
      }
    }
  }
  return runs
}

/** Rows to a unit of height in which areas are measured. */
const fine = 3
const rowCount = boxHeight * fine
const rowY = (row: number) => (row + 0.5) / fine

/** For each row the stretches that lie inside closed runs, by winding number as SVG fills them. */
export type Spans = [from: number, to: number][][]

export function spansOf(runs: readonly (readonly Point[])[]): Spans {
  const crossings: [x: number, turn: number][][] = Array.from({ length: rowCount }, () => [])
  for (const run of runs) {
    for (let i = 0; i < run.length; i++) {
      const [x0, y0] = run[i] as Point
      const [x1, y1] = run[(i + 1) % run.length] as Point
      const [low, high] = y0 < y1 ? [y0, y1] : [y1, y0]
      for (let row = Math.max(0, Math.ceil(low * fine - 0.5)); row < rowCount && rowY(row) < high; row++)
        crossings[row]?.push([x0 + ((rowY(row) - y0) / (y1 - y0)) * (x1 - x0), y0 < y1 ? 1 : -1])
    }
  }
  return crossings.map((row) => {
    const spans: [number, number][] = []
    let winding = 0
    row.sort((a, b) => a[0] - b[0])
    row.forEach(([x, turn], i) => {
      winding += turn
      const next = row[i + 1]
      if (winding !== 0 && next) spans.push([x, next[0]])
    })
    return spans
  })
}

const inSpans = (spans: Spans, x: number, y: number) =>
  (spans[Math.floor(y * fine)] ?? []).some(([from, to]) => x >= from && x < to)

/** Area that two sets of spans share, square units. */
export function sharedArea(a: Spans, b: Spans): number {
  let sum = 0
  a.forEach((row, i) => {
    for (const [from, to] of row)
      for (const [low, high] of b[i] ?? []) sum += Math.max(0, Math.min(to, high) - Math.max(from, low))
  })
  return sum / fine
}

function distanceToRun(run: readonly Point[], x: number, y: number): number {
  let least = Infinity
  for (let i = 0; i + 1 < run.length; i++) {
    const [x0, y0] = run[i] as Point
    const [x1, y1] = run[i + 1] as Point
    const length = (x1 - x0) ** 2 + (y1 - y0) ** 2
    const t =
      length === 0 ? 0 : Math.max(0, Math.min(1, ((x - x0) * (x1 - x0) + (y - y0) * (y1 - y0)) / length))
    least = Math.min(least, (x - x0 - t * (x1 - x0)) ** 2 + (y - y0 - t * (y1 - y0)) ** 2)
  }
  return Math.sqrt(least)
}

export function distanceTo(runs: readonly (readonly Point[])[], x: number, y: number): number {
  return Math.min(...runs.map((run) => distanceToRun(run, x, y)))
}

export interface LeafGround {
  /** Points spread over the blade in a fine net, for a first guess at shares of it. */
  samples: Point[]
  blade: Spans
  /** Area of the blade, square units. */
  area: number
  outline: Point[]
  veins: Point[][]
  /** Spread evenly over the blade, always in the same order. */
  seeds: Point[]
}

const grounds = new Map<string, LeafGround>()

export function leafGround(leaf: string): LeafGround {
  const known = grounds.get(leaf)
  if (known) return known
  const shape = leafShape(leaf)
  const outline = flatten(shape.outline).flat()
  const blade = spansOf([outline])
  const samples = blade.flatMap((row, i) =>
    row.flatMap(([from, to]) =>
      Array.from({ length: Math.round((to - from) * fine) }, (_, k): Point => [
        from + (k + 0.5) / fine,
        rowY(i),
      ]),
    ),
  )
  const seeds: Point[] = []
  for (let k = 1; seeds.length < 90; k++) {
    const p: Point = [halton(k, 2) * boxWidth, halton(k, 3) * boxHeight]
    if (inSpans(blade, p[0], p[1]) && distanceTo([outline], p[0], p[1]) > 2.5) seeds.push(p)
  }
  const ground = {
    samples,
    blade,
    area: sharedArea(blade, blade),
    outline,
    veins: flatten(shape.veins),
    seeds,
  }
  grounds.set(leaf, ground)
  return ground
}

/** Low-discrepancy sequence (Halton 1960), 0 to 1. */
function halton(index: number, base: number): number {
  let result = 0
  let f = 1
  for (let i = index; i > 0; i = Math.floor(i / base)) {
    f /= base
    result += f * (i % base)
  }
  return result
}
