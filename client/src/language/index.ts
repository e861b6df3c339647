import { shallowRef } from 'vue'
import { createI18n } from 'vue-i18n'
import { numberFormat } from './formatters'

/** The messages of the client, one file a language, fetched when it is spoken. */
const files = import.meta.glob<{ default: Messages }>('../../../languages/*/app.json')
interface Messages {
  [code: string]: string | Messages
}

const i18n = createI18n({ legacy: false, locale: 'en', messages: {}, warnHtmlMessage: false })

const codeOf = (file: string) => file.split('/').at(-2) ?? ''

/** The languages there are, by code. */
export const languages: readonly string[] = Object.keys(files).map(codeOf)

/** A language as those who speak it call it. */
export function nameOfLanguage(code: string): string {
  const name = new Intl.DisplayNames([code], { type: 'language' }).of(code) ?? code
  return name.charAt(0).toLocaleUpperCase(code) + name.slice(1)
}

const kept = 'language'
const keptOrder = 'order-of-days'

function read(name: string): string | null {
  try {
    return localStorage.getItem(name)
  } catch {
    return null
  }
}

/** What was chosen on this device; null where the browser's own is spoken. */
export const chosenLanguage = (): string | null => read(kept)

/** Whether the month stands before the day, where the language can. The device keeps it, so that the first answer is right. */
const monthFirst = shallowRef(read(keptOrder) === 'monthFirst')

/** Tells days in the household's order; true when that was another one. */
export function orderDays(order: 'dayFirst' | 'monthFirst'): boolean {
  if (monthFirst.value === (order === 'monthFirst')) return false
  monthFirst.value = order === 'monthFirst'
  try {
    localStorage.setItem(keptOrder, order)
  } catch {
    // A browser that keeps nothing asks the garden again.
  }
  return true
}

/** Speaks another language; null for the browser's own. What was kept for reading away from the network is in the old one, and goes. */
export async function chooseLanguage(code: string | null) {
  try {
    if (code) localStorage.setItem(kept, code)
    else localStorage.removeItem(kept)
  } catch {
    // A browser that keeps nothing speaks its own language.
  }
  for (const name of ['garden', 'catalogue']) await globalThis.caches?.delete(name)
  location.reload()
}

/** The chosen language, or the first of the browser's that there is; English where there is none. */
export function languageToSpeak(
  chosen = chosenLanguage(),
  wanted: readonly string[] = navigator.languages,
): string {
  return (
    [chosen, ...wanted].map((l) => l?.split('-')[0]?.toLowerCase()).find((l) => l && languages.includes(l)) ??
    'en'
  )
}

/** Fetches a language's messages and speaks it. Nothing may be told before that. */
export async function speak(code: string) {
  const [file, load] = Object.entries(files).find(([f]) => codeOf(f) === code) ?? []
  if (!file || !load) throw new Error(`no language ${code}`)
  i18n.global.setLocaleMessage(code, (await load()).default as never)
  i18n.global.locale.value = code as never
  document.documentElement.lang = code
}

/** The language that is spoken. */
export const spoken = (): string => i18n.global.locale.value

/** How days and figures are written in it. English names days and hours as in "Thu 16 Jul, 5:40 pm". */
export const writing = (): string => (spoken() === 'en' ? 'en-GB' : spoken())

/** Which language and order of days the server is asked for. */
export const asked = (): string => (monthFirst.value ? `${spoken()}-US` : spoken())

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
  return i18n.global.t(code, figures)
}
