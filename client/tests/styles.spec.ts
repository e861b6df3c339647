// @vitest-environment node
import { parse } from '@vue/compiler-sfc'
import { expect, it } from 'vitest'
import { styledAtBuild, unworn } from '../build/controlStyles'
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

it('no button has a look whose rules are left out, and what a rule reads is there', async () => {
  const looks = Object.values(screens).flatMap((s) =>
    [...s.matchAll(/\bseverity(?:="|: ')(\w+)/g)].map((m) => m[1] ?? ''),
  )
  expect(looks).toContain('contrast')
  expect(looks.filter((look) => unworn.includes(look))).toEqual([])

  const load = styledAtBuild.load as (id: string) => Promise<string>
  const sheet = await load('\0virtual:control-styles.css')
  expect(sheet).toContain('.p-button-contrast')
  expect(sheet).not.toContain('.p-button-danger')
  const said = new Set([...sheet.matchAll(/(--p-[\w-]+):/g)].map((m) => m[1] ?? ''))
  const read = new Set([...sheet.matchAll(/var\((--p-[\w-]+)\)/g)].map((m) => m[1] ?? ''))
  expect(said.size).toBeGreaterThan(300)
  expect([...said].filter((name) => !read.has(name))).toEqual([])
})
