import { parse } from '@vue/compiler-sfc'
import { describe, expect, it } from 'vitest'
import { readOf } from '../build/messagesRead'
import { figure, languageToSpeak, languages, tell } from '@/language'

const sources = import.meta.glob<string>('../src/**/*.{vue,ts}', {
  query: '?raw',
  import: 'default',
  eager: true,
})
const files = import.meta.glob<Texts>('../../languages/*/app.json', { import: 'default', eager: true })
interface Texts {
  [code: string]: string | Texts
}

const flat = (of: Texts, path = ''): [string, string][] =>
  Object.entries(of).flatMap(([k, v]) =>
    typeof v === 'string' ? [[path + k, v] as [string, string]] : flat(v, `${path}${k}.`),
  )
const messages = Object.fromEntries(
  Object.entries(files).map(([file, texts]) => [file.split('/').at(-2) ?? '', new Map(flat(texts))]),
)
const english = messages.en ?? new Map<string, string>()
const holes = (text = '') => [...new Set(text.match(/\{\w+\}/g) ?? [])].sort()

/** Names, units and what is typed into a shell are no words of a language. */
const noWords = /^(mauvaise|\.\/mauvaise .*|POST|X-Station-Key.*|Body:.*)$/

describe('messages', () => {
  it('are all there that are told, and all told that are there', () => {
    const told = new Set(
      Object.values(sources).flatMap((s) => [...s.matchAll(/tell\(\s*'([\w.]+)'/g)].map((m) => m[1] ?? '')),
    )
    expect(told.size).toBeGreaterThan(1000)
    expect([...told].filter((code) => !english.has(code))).toEqual([])
    expect([...english.keys()].filter((code) => !told.has(code))).toEqual([])
  })

  it.each(languages.filter((l) => l !== 'en'))('say all in %s, with the same holes', (language) => {
    const other = messages[language] ?? new Map<string, string>()
    expect([...other.keys()].sort()).toEqual([...english.keys()].sort())
    expect([...english].filter(([code, text]) => `${holes(text)}` !== `${holes(other.get(code))}`)).toEqual(
      [],
    )
  })

  it('stand in no script', () => {
    const found = Object.entries(sources).flatMap(([file, source]) => {
      const script = file.endsWith('.vue') ? (parse(source).descriptor.scriptSetup?.content ?? '') : source
      const code = script.replace(/\/\*[\s\S]*?\*\/|\/\/[^\n]*/g, '')
      return [
        ...code.matchAll(/(['"`])(?:[A-Z][a-z]+|under|over|about) (?:[a-z]+ [a-z]|\d+ %)[^'"`]*\1/g),
      ].map((m) => `${file}: ${m[0]}`)
    })
    expect(found).toEqual([])
  })

  it('stand in no template', () => {
    const found: string[] = []
    type Node = {
      type: number
      content?: unknown
      children?: Node[]
      branches?: Node[]
      props?: { type: number; name: string; value?: { content: string } }[]
    }
    /** Attributes that are read out or shown. */
    const told = ['placeholder', 'label', 'aria-label', 'title', 'header', 'alt']
    for (const [file, source] of Object.entries(sources).filter(([f]) => f.endsWith('.vue'))) {
      const look = (node: Node) => {
        if (
          node.type === 2 &&
          /[a-z]{2}/i.test(String(node.content)) &&
          !noWords.test(String(node.content).trim())
        )
          found.push(`${file}: ${String(node.content).trim()}`)
        for (const { type, name, value } of node.props ?? [])
          if (type === 6 && told.includes(name) && /[a-z]{3}/i.test(value?.content ?? ''))
            found.push(`${file}: ${name}="${value?.content ?? ''}"`)
        for (const child of [...(node.children ?? []), ...(node.branches ?? [])]) look(child)
      }
      look((parse(source).descriptor.template?.ast ?? { type: 0 }) as Node)
    }
    expect(found).toEqual([])
  })
})

describe('language', () => {
  it.each([
    ['de', ['en-GB'], 'de'],
    [null, ['fr-FR', 'de-AT', 'en'], 'de'],
    [null, ['fr-FR'], 'en'],
    ['xx', ['xx'], 'en'],
  ])('of %s with a browser in %s is %s', (chosen, wanted, spoken) => {
    expect(languageToSpeak(chosen, wanted)).toBe(spoken)
  })

  it('writes figures without noughts, and with them where they are fixed', () => {
    expect([figure(0.5, 2), figure(2, 2), figure(2, 2, true), figure(12345.678, 1)]).toEqual([
      '0.5',
      '2',
      '2.00',
      '12345.7',
    ])
  })

  it('tells what has no holes as it stands', () => {
    const whole = [...english].filter(([, said]) => !/[{|@]/.test(said))
    expect(whole.length).toBeGreaterThan(500)
    expect(whole.map(([code]) => tell(code))).toEqual(whole.map(([, said]) => said))
  })

  it('fills holes', () => expect(tell('kit.oneMore', { label: 'Ants' })).toBe('Ants: one more'))

  it.each([
    [1, '1 count saved.'],
    [3, '3 counts saved.'],
  ])('chooses between one and many for %s', (n, told) => expect(tell('walk.linesSaved', { n })).toBe(told))

  it.each(['{n leaves', 'mail @', '{n} leaf | '])('that cannot be read ends the build: %s', (text) =>
    expect(() => [...readOf({ walk: { leaves: text } })]).toThrow(`in "${text}"`),
  )

  it('is read once, by the whole of its code', () => {
    const [[code, whole], [other, parted]] = [
      ...readOf({ kit: { of: { both: 'Both', n: '{n} of it' } } }),
    ] as [[string, unknown], [string, unknown]]
    expect([code, whole, other]).toEqual(['kit.of.both', 'Both', 'kit.of.n'])
    expect(JSON.stringify(parted)).toContain('"k":"n"')
  })

  it('lets what is quoted stand', () =>
    expect(tell('weather.bodyReadingsAt20260716t15')).toMatch(/^Body: \{"readings": \[\{.*\}\]\}$/))
})
