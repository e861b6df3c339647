import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { controlWords } from '@/kit/controlWords'
import { speak } from '@/language'

const sources = (folder: string): string[] =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.(vue|ts)$/.test(file))
    .map((file) => readFileSync(join(folder, file), 'utf8'))

/** Controls that the client uses, by the names of their folders. */
const used = [
  ...new Set(
    sources('src').flatMap((text) => [...text.matchAll(/from 'primevue\/(\w+)'/g)].map((m) => m[1] ?? '')),
  ),
]
/** What they ask the app to say: "emptyMessage", "aria.close". */
const asked = [
  ...new Set(
    used
      .flatMap((control) => sources(join('../node_modules/primevue', control)))
      .flatMap((text) => [...text.matchAll(/config\.locale\.((?:aria\.)?\w+)/g)].map((m) => m[1] ?? ''))
      .filter((word) => word !== 'aria'),
  ),
]

it('gives each word that a control of ours asks for', () => {
  expect(asked).toContain('aria.close')
  const { aria, ...words } = controlWords() as unknown as Record<string, string> & {
    aria: Record<string, string>
  }
  const given = [...Object.keys(words), ...Object.keys(aria).map((word) => `aria.${word}`)]
  expect(given.sort()).toEqual(asked.sort())
})

it('says them in the language that is spoken, with room for a figure', async () => {
  await speak('de')
  try {
    const words = controlWords()
    expect(words.searchMessage).toBe('Gefunden: {0}')
    expect(words.selectionMessage).toBe('Gewählt: {0}')
    expect(words.aria?.close).toBe('Schließen')
  } finally {
    await speak('en')
  }
})
