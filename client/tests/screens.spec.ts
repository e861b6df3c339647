import { flushPromises } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { router } from '@/router'
import { faults, json, open, type Server } from './mounted'
import { garden, gardenId, home, otherId, placeId, plantingId, state } from './samples'

/** Every screen that reads something, with an address that opens it. */
const screens = [
  '/',
  '/walk',
  '/walk/sheet',
  '/walk/sheet/in',
  `/walk/${plantingId}`,
  `/suspects/${otherId}`,
  '/decide',
  '/before',
  '/picking',
  '/rota',
  `/outing/${otherId}`,
  '/bench',
  '/bench/card',
  `/label/${otherId}`,
  '/shelf',
  '/hours',
  `/spray/${otherId}`,
  '/check-backs',
  `/check-backs/${otherId}`,
  `/places/${placeId}`,
  `/places/${placeId}/story`,
  '/ledger',
  `/ledger/sprays/${otherId}`,
  '/trials',
  `/trials/${otherId}`,
  `/trials/${otherId}/labels`,
  '/learned',
  '/almanac',
  '/weather',
  '/garden/app',
]

const refusal = 'The cellar is flooded, so this is refused.'

const servers: Record<string, { answer: () => Promise<Response>; says: RegExp }> = {
  'takes its time': { answer: () => new Promise(() => {}), says: /One moment\./ },
  refuses: {
    answer: () => Promise.resolve(json({ title: refusal, code: 'flooded', status: 409 }, 409)),
    says: new RegExp(refusal),
  },
  'is out of reach': {
    answer: () => Promise.reject(new TypeError('Failed to fetch')),
    says: /Mauvaise does not answer\. Is it still running\?/,
  },
  'makes a mistake without a word': {
    answer: () => Promise.resolve(new Response('<html>', { status: 500 })),
    says: /The answer was 500\./,
  },
}

/** Who and where the garden is, it always says. */
const whereItIs: Record<string, unknown> = {
  '/api/state': state,
  '/api/home': home,
  [`/api/gardens/${gardenId}`]: garden,
}
const before =
  (answer: () => Promise<Response>): Server =>
  (request) => {
    const known = whereItIs[new URL(request.url).pathname]
    return known ? Promise.resolve(json(known)) : answer()
  }

describe.each(Object.entries(servers))('when the server %s', (_, { answer, says }) => {
  it.each(screens)('%s says so, and stands', async (path) => {
    const shown = await open(path, before(answer))
    await expect.poll(() => shown.text()).toMatch(says)
    await flushPromises()
    expect(faults).toEqual([])
    expect(shown.text()).not.toMatch(/undefined|NaN|\[object/)
  })
})

it('has every screen of the app here that reads something', () => {
  const elsewhere = [
    // Nothing is read, or only what the screen's parts read for themselves.
    'set-up', 'join', 'sign-in', 'more', 'what-if', 'by-hand', 'new-trial', 'garden', 'garden-ways', 'garden-household', 'lost',
  ] // prettier-ignore
  const here = new Set(screens.map((path) => router.resolve(path).name))
  const all = router.getRoutes().map((r) => r.name)
  expect(all.filter((name) => !here.has(name) && !elsewhere.includes(String(name)))).toEqual([])
})
