import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount, type VueWrapper } from '@vue/test-utils'
import PrimeVue from 'primevue/config'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { h } from 'vue'
import { RouterView } from 'vue-router'
import { router } from '@/router'
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

/** What the server answers to anything but who and where the garden is. */
type Server = () => Promise<Response>
const json = (body: unknown, status = 200) =>
  new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } })
const refusal = 'The cellar is flooded, so this is refused.'

const servers: Record<string, { answer: Server; says: RegExp }> = {
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

const faults: unknown[] = []
let screen: VueWrapper | undefined

async function open(path: string, server: Server) {
  vi.stubGlobal('fetch', (request: Request) => {
    const { pathname } = new URL(request.url)
    return pathname === '/api/state'
      ? Promise.resolve(json(state))
      : pathname === '/api/home'
        ? Promise.resolve(json(home))
        : pathname === `/api/gardens/${gardenId}`
          ? Promise.resolve(json(garden))
          : server()
  })
  await router.push(path)
  screen = mount(
    { render: () => h(RouterView) },
    {
      global: {
        plugins: [
          router,
          PrimeVue,
          [
            VueQueryPlugin,
            { queryClient: new QueryClient({ defaultOptions: { queries: { retry: false } } }) },
          ],
        ],
        config: { errorHandler: (e) => faults.push(e) },
      },
    },
  )
  return screen
}

beforeEach(() => {
  faults.length = 0
  vi.spyOn(console, 'warn').mockImplementation((...told) => faults.push(told[0]))
})
afterEach(() => {
  screen?.unmount()
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
})

describe.each(Object.entries(servers))('when the server %s', (_, { answer, says }) => {
  it.each(screens)('%s says so, and stands', async (path) => {
    const shown = await open(path, answer)
    await vi.waitFor(() => expect(shown.text()).toMatch(says), { timeout: 20_000 })
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
