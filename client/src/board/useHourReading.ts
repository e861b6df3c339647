import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { dayAndClock } from '@/kit/format'
import { told } from '@/kit/household'
import { tell } from '@/language'
import type { Span } from './axis'

const hour = 3_600_000
const steps: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1, PageUp: -24, PageDown: 24 }

/** One hour of the Board in words: under the pointer, or under the keys of one stop. */
export function useHourReading(of: () => { board: Schemas['BoardAnswer']; span: Span; timeZone: string }) {
  const start = computed(() => Date.parse(of().board.sky.start))
  const now = computed(() => Date.parse(of().board.now))
  /** The instant that is read; none until somebody asks. */
  const cursor = ref<number>()

  /** What is known of an hour; null where the Board does not reach. */
  function readingAt(at: number): string | null {
    const { board, timeZone } = of()
    const { sky } = board
    const i = Math.floor((at - start.value) / hour)
    const t = sky.temperatureC[i]
    if (t === undefined) return null
    const words =
      t === null
        ? [tell('board.notKnown')]
        : [
            told('temperature', t),
            `${sky.relativeHumidityPercent[i]} %`,
            tell('board.wind', { windMetresPerSecond: told('wind', sky.windMetresPerSecond[i] ?? 0) }),
          ]
    const rain = sky.rainMm[i]
    if (rain) words.push(tell('board.rain', { rain: told('rain', rain) }))
    if (board.wet[i]) words.push(tell('board.wetLeaves'))
    const verdict = board.good[Math.floor((at - Date.parse(board.goodFrom)) / hour)]
    if (verdict === 'good') words.push(tell('board.aGoodHour'))
    if (verdict === 'poor') words.push(tell('board.notTheBestHour'))
    return `${dayAndClock(at, timeZone)}: ${words.join(', ')}`
  }

  /** Hours since the first that is known. */
  const index = computed(() => Math.floor(((cursor.value ?? now.value) - start.value) / hour))
  const reading = computed(() => (cursor.value === undefined ? null : readingAt(cursor.value)))

  /** Goes on by an hour or a day within what is shown; other keys are the Board's. */
  function onKey(event: KeyboardEvent) {
    const { span } = of()
    const first = Math.max(start.value, span.from)
    const last = span.to - hour
    const at = cursor.value ?? now.value
    const to = { Home: first, End: last }[event.key] ?? at + (steps[event.key] ?? 0) * hour
    if (to === at && !(event.key in steps)) return
    cursor.value = Math.min(last, Math.max(first, to))
    event.preventDefault()
    event.stopPropagation()
  }
  return { cursor, index, now, onKey, reading }
}
