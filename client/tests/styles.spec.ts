// @vitest-environment node
import { parse } from '@vue/compiler-sfc'
import { expect, it } from 'vitest'
import base from '@/styles/base.css?raw'

const screens = import.meta.glob<string>('../src/**/*.vue', { query: '?raw', import: 'default', eager: true })
const classesOf = (css: string) => new Set([...css.matchAll(/^\.([\w-]+)(?=[ ,{])/gm)].map((m) => m[1] ?? ''))

it('a page is not called by a class of its own that means something else everywhere', () => {
  const everywhere = classesOf(base)
  expect(everywhere).toContain('entry')
  const pages = Object.entries(screens).flatMap(([file, source]) => {
    const called = /<div class="page([^"]*)"/.exec(source)?.[1]?.split(' ').filter(Boolean) ?? []
    const own = classesOf(
      parse(source)
        .descriptor.styles.map((s) => s.content)
        .join('\n'),
    )
    return called.map((name) => ({ file, name, both: own.has(name) && everywhere.has(name) }))
  })
  expect(pages.length).toBeGreaterThan(10)
  expect(pages.filter((page) => page.both)).toEqual([])
})
