import { tell } from '@/language'

/** A stretch of a text; a word of the trade has what it means. */
export interface Stretch {
  text: string
  means?: string
}

/** Words of the trade: how they may stand in a text, with commas between, in the language that is spoken, and what they mean. */
const terms = () =>
  [
    { forms: tell('terms.cover'), means: tell('terms.coverMeans') },
    { forms: tell('terms.line'), means: tell('terms.lineMeans') },
    { forms: tell('terms.pressure'), means: tell('terms.pressureMeans') },
    { forms: tell('terms.group'), means: tell('terms.groupMeans') },
    { forms: tell('terms.degreeDays'), means: tell('terms.degreeDaysMeans') },
  ].map(({ forms, means }) => ({
    found: new RegExp(`(?<!\\p{L})(?:${forms.split(', ').join('|')})(?!\\p{L})`, 'iu'),
    means,
  }))

/** A text in stretches, each word of the trade marked where it stands first. */
export function inStretches(text: string): Stretch[] {
  let stretches: Stretch[] = [{ text }]
  for (const { found, means } of terms()) {
    const at = stretches.findIndex((s) => !s.means && found.test(s.text))
    const whole = stretches[at]?.text ?? ''
    const word = found.exec(whole)
    if (!word) continue
    const [before, after] = [whole.slice(0, word.index), whole.slice(word.index + word[0].length)]
    stretches = stretches.flatMap((s, i) =>
      i === at ? [{ text: before }, { text: word[0], means }, { text: after }] : [s],
    )
  }
  return stretches.filter((s) => s.text !== '')
}
