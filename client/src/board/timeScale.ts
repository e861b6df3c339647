import { scaleLinear } from 'd3-scale'
import type { Span } from './axis'

/** Time to pixels. */
export function timeScale(span: Span, width: number) {
  return scaleLinear().domain([span.from, span.to]).range([0, width])
}
