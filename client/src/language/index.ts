import { compile, createMessageContext } from '@intlify/core-base'
import { shallowRef } from 'vue'
import {
  asks,
  chosenLanguage,
  keepLanguage,
  keepOrder,
  keptMonthFirst,
  languages,
  languageToSpeak,
  type Messages,
  messagesOf,
} from './device'
import { numberFormat } from './formatters'

export { chosenLanguage, languages, languageToSpeak }

/** A language as those who speak it call it. */
export function nameOfLanguage(code: string): string {
  const name = new Intl.DisplayNames([code], { type: 'language' }).of(code) ?? code
  return name.charAt(0).toLocaleUpperCase(code) + name.slice(1)
}

const monthFirst = shallowRef(keptMonthFirst())

/** Tells days in the household's order; true when that was another one. */
export function orderDays(order: 'dayFirst' | 'monthFirst'): boolean {
  if (monthFirst.value === (order === 'monthFirst')) return false
  monthFirst.value = order === 'monthFirst'
  keepOrder(order)
  return true
}

/** Speaks another language; null for the browser's own. What was kept for reading away from the network is in the old one, and goes. */
export async function chooseLanguage(code: string | null) {
  keepLanguage(code)
  for (const name of ['garden', 'catalogue']) await globalThis.caches?.delete(name)
  location.reload()
}

let language = 'en'
let messages: Messages = {}

/** Speaks a language. Nothing may be told before that. */
export async function speak(code: string, said: Messages | Promise<Messages> = messagesOf(code)) {
  messages = await said
  language = code
  document.documentElement.lang = code
}

/** The language that is spoken. */
export const spoken = (): string => language

/** How days and figures are written in it. English names days and hours as in "Thu 16 Jul, 5:40 pm". */
export const writing = (): string => (spoken() === 'en' ? 'en-GB' : spoken())

/** Which language and order of days the server is asked for. */
export const asked = (): string => asks(spoken(), monthFirst.value)

/** A day from its parts, in the household's order. */
export const dayOf = (parts: { weekday: string; day: string; month: string }): string =>
  monthFirst.value ? tell('kit.dayMonthFirst', parts) : tell('kit.day', parts)

/** A figure with so many digits after the decimal sign, or up to so many. */
export function figure(value: number, digits: number, fixed = false): string {
  return numberFormat(writing(), {
    minimumFractionDigits: fixed ? digits : 0,
    maximumFractionDigits: digits,
    useGrouping: false,
  }).format(value)
}

/** What is said, and what is remarked of it: "2 l, gentle dose, against rust". What is empty is left out. */
export function remarked(
  said: string,
  ...remarks: readonly (string | 0 | false | null | undefined)[]
): string {
  return remarks.reduce<string>(
    (so, remark) => (remark ? tell('kit.remarked', { said: so, remark }) : so),
    said,
  )
}

/** A message by its code, with its holes filled. A hole "n" or "count" also chooses between one and many. */
export function tell(code: string, figures: Record<string, unknown> = {}): string {
  const said = messages[code] ?? code
  if (typeof said === 'string') return said
  const locale = language
  return compile<string>(said, { locale, key: code })(createMessageContext({ locale, named: figures }))
}
