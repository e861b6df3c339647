/** What the time axis shows, in epoch milliseconds. */
export interface Span {
  from: number
  to: number
}

const hour = 3_600_000
const shortest = 36 * hour

/** The span kept inside the bounds, at least 36 hours long. */
export function clamp(span: Span, bounds: Span): Span {
  const whole = bounds.to - bounds.from
  const length = Math.min(Math.max(span.to - span.from, Math.min(shortest, whole)), whole)
  const from = Math.min(Math.max(span.from, bounds.from), bounds.to - length)
  return { from, to: from + length }
}

/** The span zoomed about a point: under 1 zooms in. */
export function zoom(span: Span, bounds: Span, factor: number, about: number): Span {
  return clamp({ from: about - (about - span.from) * factor, to: about + (span.to - about) * factor }, bounds)
}

/** The span moved by hours. */
export function pan(span: Span, bounds: Span, hours: number): Span {
  return clamp({ from: span.from + hours * hour, to: span.to + hours * hour }, bounds)
}
