import { dayOf, figure, tell, writing } from '@/language'
import { dateFormat, numberFormat } from '@/language/formatters'
import { household } from './household'

/** Times in the garden's zone, shares and volumes as they read on screen. */

/** "47.07 / 15.45", degrees north and east; a comma between them might be the decimal sign. */
export const positionTold = (latitude: number, longitude: number): string =>
  `${figure(latitude, 2)} / ${figure(longitude, 2)}`

/** "19:20" */
export function clock(instant: string | number, timeZone: string): string {
  const twelve = household.value.hours === 'twelve'
  return dateFormat(writing(), {
    timeZone,
    hour: twelve ? 'numeric' : '2-digit',
    minute: '2-digit',
    hour12: twelve,
  }).format(new Date(instant))
}

/** What a day is called, in parts, for where there is little room: "Thu", "16", "Jul". */
export function dayParts(instant: string | number, timeZone: string) {
  const parts = dateFormat(writing(), {
    timeZone,
    weekday: 'short',
    day: 'numeric',
    month: 'short',
  }).formatToParts(new Date(instant))
  const part = (type: string) => parts.find((p) => p.type === type)?.value ?? ''
  return { weekday: part('weekday'), day: part('day'), month: part('month') }
}

/** "Thu 16 Jul", or "Thu Jul 16" */
export const day = (instant: string | number, timeZone: string): string => dayOf(dayParts(instant, timeZone))

/** A civil date, "2026-07-18", as "Sat 18 Jul". */
export function civilDay(date: string): string {
  return day(`${date}T12:00:00Z`, 'UTC')
}

/** "Thu 16 Jul, 17:40" */
export function dayAndClock(instant: string | number, timeZone: string): string {
  return `${day(instant, timeZone)}, ${clock(instant, timeZone)}`
}

/** What something costs, in the household's money; a plain figure where nobody said which. */
export function money(amount: number): string {
  return inMoney()?.format(amount) ?? figure(amount, 2, true)
}

/** The sign of the household's money, for a field; nothing where nobody said which. */
export function currencySign(): string {
  return (
    inMoney()
      ?.formatToParts(0)
      .find((p) => p.type === 'currency')?.value ?? ''
  )
}

function inMoney(): Intl.NumberFormat | null {
  const { currency } = household.value
  return currency === ''
    ? null
    : numberFormat(writing(), { style: 'currency', currency, currencyDisplay: 'narrowSymbol' })
}

/** 0.238 as "24 %" */
export function percent(share: number): string {
  return `${Math.round(share * 100)} %`
}

/** A probability: never sure, never nothing. */
export function chance(probability: number): string {
  return probability < 0.005
    ? tell('kit.under', { share: percent(0.01) })
    : probability > 0.995
      ? tell('kit.over', { share: percent(0.99) })
      : percent(probability)
}

/** Rounded, without trailing noughts. */
export function trim(value: number, digits: number): string {
  return figure(value, digits)
}

/** Words that keep their capital wherever they stand, as the app's sentences have them too. */
const proper = new Set(['Bt', 'Brussels', 'Cercospora', 'Colorado', 'Septoria'])

/** A name of the catalogue as it stands within a sentence: "neem oil", but "Bt kurstaki". */
export function inSentence(name: string): string {
  const [first = ''] = name.split(' ', 1)
  return tell('language.lowersNames') !== 'yes' || proper.has(first) || !/^.[\p{Ll} ]/u.test(name)
    ? name
    : name.charAt(0).toLowerCase() + name.slice(1)
}

/** How large a file is: "3.4 MB". */
export function fileSize(bytes: number): string {
  return bytes >= 1_000_000 ? `${trim(bytes / 1_000_000, 1)} MB` : `${Math.ceil(bytes / 1000)} kB`
}
