import type { ResourceNode } from '@intlify/message-compiler'

/** What is said, by its code: as it stands, or read for the formatter where it has holes or forms. */
export type Messages = Readonly<Record<string, string | ResourceNode>>

/** The messages of the client, one file a language, fetched when it is spoken. */
const files = import.meta.glob<Messages>('../../../languages/*/app.json', {
  query: '?read',
  import: 'default',
})

const codeOf = (file: string) => file.split('/').at(-2) ?? ''

/** The languages there are, by code. */
export const languages: readonly string[] = Object.keys(files).map(codeOf)

const kept = 'language'
const keptOrder = 'order-of-days'

function read(name: string): string | null {
  try {
    return localStorage.getItem(name)
  } catch {
    return null
  }
}

function keep(name: string, value: string | null) {
  try {
    if (value) localStorage.setItem(name, value)
    else localStorage.removeItem(name)
  } catch {
    // A browser that keeps nothing speaks its own language, and asks the garden for the order again.
  }
}

/** What was chosen on this device; null where the browser's own is spoken. */
export const chosenLanguage = (): string | null => read(kept)

export const keepLanguage = (code: string | null) => keep(kept, code)

/** Whether the month stands before the day, where the language can. The device keeps it, so that the first answer is right. */
export const keptMonthFirst = (): boolean => read(keptOrder) === 'monthFirst'

export const keepOrder = (order: 'dayFirst' | 'monthFirst') => keep(keptOrder, order)

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

/** Fetches what is said in a language. */
export async function messagesOf(code: string): Promise<Messages> {
  const [, load] = Object.entries(files).find(([file]) => codeOf(file) === code) ?? []
  if (!load) throw new Error(`no language ${code}`)
  return load()
}

/** How the server is asked for a language and an order of days. */
export const asks = (language: string, monthFirst: boolean): string =>
  monthFirst ? `${language}-US` : language
