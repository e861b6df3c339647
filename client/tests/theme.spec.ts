// @vitest-environment node
import { expect, it } from 'vitest'
import { MauvaisePreset } from '../build/theme'

const sources = import.meta.glob<string>('../src/**/*.{vue,ts}', {
  query: '?raw',
  import: 'default',
  eager: true,
})

it('has the tokens of every control that is used', () => {
  const used = new Set(
    Object.values(sources).flatMap((source) =>
      [...source.matchAll(/from 'primevue\/(\w+)'/g)].map((m) => m[1] ?? ''),
    ),
  )
  used.delete('config')
  expect(used.size).toBeGreaterThan(5)
  expect([...used].filter((name) => !(name in (MauvaisePreset.components ?? {})))).toEqual([])
})
