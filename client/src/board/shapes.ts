import { area, curveMonotoneX, line } from 'd3-shape'

type X = (time: number) => number

/**
 * Outline of a cover band: height is the cover left, 0 to 1, on a base line. Values stand `stepHours` apart from `from`.
 * Flat, one-point and empty bands give a flat outline, a sliver and an empty path.
 */
export function bandPath(
  points: readonly number[],
  from: number,
  stepHours: number,
  x: X,
  base: number,
  height: number,
): string {
  const at = (i: number) => x(from + i * stepHours * 3_600_000)
  return (
    area<number>()
      .x((_, i) => at(i))
      .y0(base)
      .y1((value) => base - value * height)([...points]) ?? ''
  )
}

/** A curve through known values, broken where a value is null. Values stand one hour apart from `from`. */
export function hourCurve(
  values: readonly (number | null)[],
  from: number,
  x: X,
  y: (value: number) => number,
): string {
  return (
    line<number | null>()
      .defined((value) => value !== null)
      .x((_, i) => x(from + i * 3_600_000))
      .y((value) => y(value ?? 0))
      .curve(curveMonotoneX)([...values]) ?? ''
  )
}

/** A curve through daily values of 0 to 1 on a base line, each at noon UTC of its civil day. */
export function dayCurve(
  days: readonly { day: string; value: number }[],
  x: X,
  base: number,
  height: number,
): string {
  return (
    line<{ day: string; value: number }>()
      .x((d) => x(Date.parse(d.day) + 43_200_000))
      .y((d) => base - d.value * height)
      .curve(curveMonotoneX)([...days]) ?? ''
  )
}

/** Runs of true hours as [first, one past the last] indices. */
export function runs(flags: readonly boolean[]): [number, number][] {
  const result: [number, number][] = []
  flags.forEach((flag, i) => {
    const last = result[result.length - 1]
    if (!flag) return
    if (last && last[1] === i) last[1] = i + 1
    else result.push([i, i + 1])
  })
  return result
}

/** Radius of a count's dot: its area grows with the share of leaves. */
export function dotRadius(share: number): number {
  return 3.5 + 9 * Math.sqrt(Math.min(1, Math.max(0, share)))
}
