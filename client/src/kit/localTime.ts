import { dateFormat } from '@/language/formatters'

/** "2026-07-16T18:30" on the clocks of a zone, for fields of a form. */
export function toLocal(instant: string | number, timeZone: string): string {
  const parts = dateFormat('en-CA', {
    timeZone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  }).formatToParts(new Date(instant))
  const part = (type: string) => parts.find((p) => p.type === type)?.value ?? ''
  return `${part('year')}-${part('month')}-${part('day')}T${part('hour')}:${part('minute')}`
}

/** The inverse: an instant in ISO 8601. In the hour that the clocks repeat it is the first of the two. */
export function fromLocal(local: string, timeZone: string): string {
  const wanted = Date.parse(`${local}:00Z`)
  // The offset at a time that is off by the offset itself may be that of the other side of a change: ask twice.
  let instant = wanted
  for (let i = 0; i < 2; i++) instant = wanted - (Date.parse(`${toLocal(instant, timeZone)}:00Z`) - instant)
  return new Date(instant).toISOString()
}
