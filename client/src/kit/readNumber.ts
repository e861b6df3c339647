import { spoken, tell, writing } from '@/language'
/** What was typed into a number field: a number, nothing, or something that can not be told for sure. */
export type Typed = { is: 'number'; value: number } | { is: 'empty' } | { is: 'unclear'; why: string }

const fractions: Record<string, number> = {
  '½': 1 / 2,
  '¼': 1 / 4,
  '¾': 3 / 4,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8,
}

/** A number and the unit behind it, "5 l", "-3 °F", "2 tbsp per gal", "50 ml/10 l"; the unit is empty where none stands. */
export function apart(text: string): { number: string; unit: string } {
  const parts = /^(.*?[\d½¼¾⅓⅔⅛⅜⅝⅞.,])\s*([^\d\s.,/½¼¾⅓⅔⅛⅜⅝⅞-][^\d]*(?:\d+\s*[^\d\s]\D*)?)$/u.exec(
    text.trim(),
  )
  return parts ? { number: parts[1] ?? '', unit: plainUnit(parts[2] ?? '') } : { number: text, unit: '' }
}

/** A unit in small letters without blanks, with a stroke for "per" in the reader's language. */
export const plainUnit = (unit: string): string =>
  unit
    .toLowerCase()
    .split(/\s+/)
    .map((word) => (tell('kit.per').split(', ').includes(word) ? '/' : word))
    .join('')

/** The decimal sign of whoever reads this screen. */
export function decimalSign(language = spoken() === 'en' ? undefined : writing()): '.' | ',' {
  const part = new Intl.NumberFormat(language).formatToParts(1.5).find((p) => p.type === 'decimal')
  return part?.value === ',' ? ',' : '.'
}

/**
 * Reads a number as people type it: with a comma or a point, as a half or as one and a half. No character is passed over: what
 * does not read is unclear, and so is a group of three behind the other sign, which may be a thousand or a fraction.
 */
export function readNumber(text: string, sign: '.' | ',' = decimalSign()): Typed {
  const plain = text.trim().replace(/[−–]/g, '-').replace(/\s+/g, ' ')
  if (plain === '') return { is: 'empty' }
  const negative = plain.startsWith('-')
  const body = negative ? plain.slice(1).trim() : plain
  const value = mixed(body) ?? decimal(body, sign)
  if (typeof value === 'string') return { is: 'unclear', why: value }
  return { is: 'number', value: negative ? -value : value }
}

/** "1 1/2", "1½", "1/2" and "½"; null for what is no fraction. */
function mixed(body: string): number | null {
  const slash = /^(?:(\d+) )?(\d+)\/(\d+)$/.exec(body)
  if (slash && Number(slash[3]) !== 0) return Number(slash[1] ?? 0) + Number(slash[2]) / Number(slash[3])
  const sign = /^(\d*) ?([½¼¾⅓⅔⅛⅜⅝⅞])$/.exec(body)
  return sign?.[2] ? Number(sign[1] ?? 0) + (fractions[sign[2]] ?? 0) : null
}

/** A number, or why it is unclear. */
function decimal(body: string, sign: '.' | ','): number | string {
  const other = sign === ',' ? '.' : ','
  const example = `1${sign}5`
  if (!/^(\d+([.,]\d*)?|[.,]\d+)$/.test(body)) {
    const grouped = body.split(other).join('')
    // A thousand in groups, with the decimal sign behind them or without one.
    return new RegExp(`^\\d{1,3}(\\${other}\\d{3})+\\${sign}\\d+$`).test(body)
      ? Number(grouped.replace(sign, '.'))
      : tell('kit.isNoNumberWrite', { body, example })
  }
  if (body.includes(other) && new RegExp(`^[1-9]\\d{0,2}\\${other}\\d{3}$`).test(body)) {
    const [whole = '', rest = ''] = body.split(other)
    return tell('kit.mayBeOrWriteTheOne', { body, whole, rest, sign })
  }
  return Number(body.replace(',', '.'))
}
