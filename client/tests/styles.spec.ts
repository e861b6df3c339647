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

const controls = await (styledAtBuild.load as (id: string) => Promise<string>)('\0virtual:control-styles.css')

it('no button has a look whose rules are left out', () => {
  const looks = Object.values(screens).flatMap((s) =>
    [...s.matchAll(/\bseverity(?:="|: ')(\w+)/g)].map((m) => m[1] ?? ''),
  )
  expect(looks).toContain('contrast')
  expect(looks.filter((look) => unworn.includes(look))).toEqual([])
  expect(controls).toContain('.p-button-contrast')
  expect(controls).not.toContain('.p-button-danger')
})

it('a variable of the controls is read by a rule, and none that is read is missing', () => {
  const said = new Set([...controls.matchAll(/(--p-[\w-]+):/g)].map((m) => m[1] ?? ''))
  const read = new Set([...controls.matchAll(/var\((--p-[\w-]+)\)/g)].map((m) => m[1] ?? ''))
  expect(said.size).toBeGreaterThan(300)
  expect([...said].filter((name) => !read.has(name))).toEqual([])
  expect([...read].filter((name) => !said.has(name))).toEqual([])
})
