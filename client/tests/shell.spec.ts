import { flushPromises } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import App from '@/App.vue'
import { router } from '@/router'
import type { Schemas } from '@/api/client'
import { lettersOn } from '@/shell/useKeys'
import {
  button,
  control,
  faults,
  fill,
  had,
  json,
  key,
  open,
  press,
  seen,
  settled,
  type Server,
} from './mounted'
import { at, garden, recorded, taking } from './recorded'

/** What stands round every screen: keys, finding, undo, what waits, and a server that does not answer. */

beforeEach(() => {
  localStorage.clear()
  lettersOn.value = true
  // The page hears of what others write; the page made up here has no such channel.
  vi.stubGlobal(
    'EventSource',
    class extends EventTarget {
      close() {}
    },
  )
})

/** The garden as recorded, but for some fields. */
const gardenWith =
  (change: Partial<Schemas['GardenAnswer']>, server: Server = recorded): Server =>
  (request) =>
    request.method === 'GET' && new URL(request.url).pathname === at
      ? Promise.resolve(json({ ...garden, ...change }))
      : server(request)

describe('letters', () => {
  it.each([
    ['w', 'walk'],
    ['d', 'decide'],
    ['r', 'rota'],
    ['m', 'bench'],
    ['c', 'check-backs'],
    ['l', 'ledger'],
    ['g', 'garden'],
  ])('%s opens %s', async (letter, name) => {
    await settled(await open('/more', recorded, App))
    await key(letter)
    await expect.poll(() => router.currentRoute.value.name).toBe(name)
    expect(faults).toEqual([])
  })

  it('are letters while somebody types, and nothing where they are switched off', async () => {
    await settled(await open('/garden', recorded, App))
    await key('w', control('input', 'Find'))
    lettersOn.value = false
    await key('d')
    expect(router.currentRoute.value.name).toBe('garden')
  })

  it('mean on a count what the count says', async () => {
    const planting = garden.places[0]?.plantings[0]?.id ?? ''
    await settled(await open(`/walk/${planting}`, recorded, App))
    await press('Five clean')
    await key('d')
    expect(router.currentRoute.value.name).toBe('count')
    expect(button(/^Clean/).textContent).toContain('4')
  })
})

describe('the focus', () => {
  it('is on the heading of each page that is gone to, and not of the first', async () => {
    const shown = await open('/more', recorded, App)
    await settled(shown)
    expect(document.activeElement).toBe(document.body)
    for (const [letter, heading] of [
      ['w', 'Walk'],
      ['d', 'Decide'],
    ] as const) {
      await key(letter)
      await expect.poll(() => document.activeElement?.textContent?.trim()).toBe(heading)
      expect(document.activeElement?.tagName).toBe('H1')
    }
  })

  it('stays where it is when the same page is only asked otherwise', async () => {
    await settled(await open('/walk', recorded, App))
    await router.push('/set-up')
    const name = await had(() => control('input', 'Name of the garden'))
    await expect.poll(() => document.activeElement?.tagName).toBe('H1')
    name.focus()
    await router.push('/set-up?again')
    await flushPromises()
    expect(document.activeElement).toBe(name)
  })
})

describe('finding', () => {
  it('finds places, crops, troubles and materials by parts of words, and opens the first', async () => {
    await settled(await open('/more', recorded, App))
    await key('/')
    await had(() => control('input', /^Find a place/))
    await fill(/^Find a place/, 'chap')
    expect(button('Chapel')).toBeTruthy()
    await fill(/^Find a place/, 'downy pl')
    expect(document.body.textContent).toMatch(/downy mildew/i)
    await fill(/^Find a place/, 'nothing of that kind')
    expect(document.body.textContent).toContain('Nothing by that name')
    await fill(/^Find a place/, 'chapel courg')
    await key('Enter', control('input', /^Find a place/))
    await expect.poll(() => router.currentRoute.value.name).toBe('count')
  })
})

describe('undo', () => {
  const deed = {
    id: 71,
    words: 'Counted Chapel courgette',
    memberId: garden.members[0]?.id ?? null,
    by: null,
    at: '2026-07-16T15:30:00Z',
  } satisfies Schemas['GardenAnswer']['lastDeed']

  it('names what somebody else wrote before it takes that back', async () => {
    const other = { ...deed, memberId: garden.members[1]?.id ?? null, by: 'Bram' }
    const { server, written } = taking()
    const shown = await open('/more', gardenWith({ lastDeed: other }, server), App)
    await settled(shown)
    expect(shown.text()).not.toContain('Counted Chapel courgette')
    await key('u')
    await expect.poll(() => shown.text()).toMatch(/Counted Chapel courgette.*Bram/s)
    await press('Undo')
    expect((await written('/undo')).body).toEqual({ deedId: 71 })
  })

  it('says so where there is nothing to take back', async () => {
    const shown = await open('/more', gardenWith({ lastDeed: null }), App)
    await settled(shown)
    await key('u')
    await expect.poll(() => shown.text()).toContain('Nothing was written yet')
  })
})

describe('a server that is not there', () => {
  it('is said once above every screen', async () => {
    const shown = await open('/more', () => Promise.reject(new TypeError('Failed to fetch')), App)
    await expect.poll(() => shown.find('[role=alert]').exists()).toBe(true)
    expect(shown.find('[role=alert]').text()).toMatch(/Mauvaise does not answer/)
  })

  it('keeps a count on the device, and sends it when it is asked to', async () => {
    let away = true
    const { server, writes } = taking()
    const planting = garden.places[0]?.plantings[0]?.id ?? ''
    const shown = await open(
      `/walk/${planting}`,
      (request) =>
        away && request.method !== 'GET' ? Promise.reject(new TypeError('Failed to fetch')) : server(request),
      App,
    )
    await settled(shown)
    await press('Five clean')
    await press('Save: all clean')
    await expect.poll(() => seen(shown), { timeout: 20_000 }).toMatch(/kept on this device/)
    away = false
    await press(/^Try now/)
    await expect.poll(() => writes.some((w) => w.path === '/observations')).toBe(true)
    await expect.poll(() => seen(shown)).not.toMatch(/kept on this device/)
  })
})

it('an empty installation opens at its set-up', async () => {
  await open(
    '/more',
    (request) =>
      new URL(request.url).pathname === '/api/state'
        ? Promise.resolve(json({ gardens: [], demo: false, now: '2026-07-16T15:40:00Z' }))
        : recorded(request),
    App,
  )
  await expect.poll(() => router.currentRoute.value.name).toBe('set-up')
})

it('a device that is not signed in is asked to, and led back afterwards', async () => {
  await open(
    '/rota',
    (request) =>
      request.url.endsWith('/plan')
        ? Promise.resolve(json({ title: 'Sign in first.', code: 'signed-out' }, 401))
        : recorded(request),
    App,
  )
  await expect.poll(() => router.currentRoute.value.name).toBe('sign-in')
  expect(router.currentRoute.value.query.to).toBe('/rota')
})
