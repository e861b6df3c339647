/** A formatter is dear to make and cheap to use: each is made once. */
const dates = new Map<string, Intl.DateTimeFormat>()
const numbers = new Map<string, Intl.NumberFormat>()

function once<T>(made: Map<string, T>, locale: string, options: object, make: () => T): T {
  const key = `${locale} ${JSON.stringify(options)}`
  const found = made.get(key) ?? make()
  made.set(key, found)
  return found
}

export const dateFormat = (locale: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat =>
  once(dates, locale, options, () => new Intl.DateTimeFormat(locale, options))

export const numberFormat = (locale: string, options: Intl.NumberFormatOptions): Intl.NumberFormat =>
  once(numbers, locale, options, () => new Intl.NumberFormat(locale, options))
