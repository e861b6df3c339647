import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, h, ref, shallowRef } from 'vue'
import { page, Problem, type Schemas } from '@/api/client'
import { useGarden, useGardenEdit } from '@/garden/useGarden'
import { useNews } from '@/garden/useNews'
import { useNames, useTargets } from '@/garden/useTargets'
import { canPasskey, usePasskeys } from '@/jobs/home/usePasskeys'
import { useOuting } from '@/jobs/outing/useOuting'
import { useMoves, type Round } from '@/jobs/rota/useRota'
import { useTowns } from '@/jobs/setup/useTowns'
import { keptPhotos } from '@/jobs/walk/keptPhotos'
import { useLook } from '@/jobs/walk/useLook'
import { useSample } from '@/jobs/walk/useSample'
import { useSaveLook } from '@/jobs/walk/useSaveLook'
import { useSigns } from '@/jobs/walk/useSigns'
import { keepAwake, useAwake } from '@/kit/useAwake'
import { usePaper } from '@/kit/usePaper'
import { useOutbox } from '@/outbox/useOutbox'
import { needed, useReady } from '@/outbox/useReady'
import { useDusk } from '@/shell/useDusk'
import { json, open, type Server } from './mounted'
import { at, garden, growing, plan, recorded, taking } from './recorded'

/** What is used by a screen that shows nothing else. */
async function using<T>(use: () => T, server: Server = recorded) {
  let used: T | undefined
  const screen = await open(
    '/',
    server,
    defineComponent({
      setup() {
        used = use()
        return () => h('p', 'here')
      },
    }),
  )
  if (used === undefined) throw new Error('nothing was used')
  return { used, screen }
}

/** The same with the garden that every screen knows. */
async function usingGarden<T>(use: () => T, server: Server = recorded) {
  const made = await using(() => ({ of: useGarden(), it: use() }), server)
  await vi.waitFor(() => expect(made.used.of.garden.value).toBeDefined())
  return { it: made.used.it, of: made.used.of, screen: made.screen }
}

/** The app as recorded, and the addresses that it was asked for. */
function listening(server: Server = recorded) {
  const asked: string[] = []
  return {
    asked,
    server: ((request) => {
      const { pathname, search } = new URL(request.url)
      asked.push(pathname + search)
      return server(request)
    }) satisfies Server,
  }
}

/** Gives the browser something that jsdom has not, or has otherwise. */
function give(owner: object, name: string, value: unknown) {
  const before = Object.getOwnPropertyDescriptor(owner, name)
  Object.defineProperty(owner, name, { configurable: true, writable: true, value })
  given.push(() =>
    before ? Object.defineProperty(owner, name, before) : Reflect.deleteProperty(owner, name),
  )
}
const given: (() => void)[] = []
beforeEach(() => {
  localStorage.clear()
  window.dispatchEvent(new StorageEvent('storage', { key: null, storageArea: localStorage }))
})
afterEach(() => {
  for (const back of given.splice(0)) back()
})

describe('what an evening needs', () => {
  const worker = () => give(navigator, 'serviceWorker', { controller: {} })
  const all = needed(garden.id)

  it('is fetched one after the other, and is on the device when the last came', async () => {
    worker()
    let onItsWay = 0
    const { asked, server } = listening(async (request) => {
      expect(onItsWay++).toBe(0)
      await Promise.resolve()
      onItsWay--
      return json({ of: request.url })
    })
    const { it: ready } = await usingGarden(useReady)
    vi.stubGlobal('fetch', (address: string) => server(new Request(location.origin + address)))
    await ready.fetchAll()
    expect(asked).toEqual(all)
    expect(Date.now() - (ready.at.value ?? 0)).toBeLessThan(60_000)
  })

  it.each([
    ['the server fails on one of it', () => Promise.resolve(json({}, 500))],
    ['the network goes', () => Promise.reject(new TypeError('Failed to fetch'))],
  ])('is not said to be there where %s', async (_, third) => {
    worker()
    const { it: ready } = await usingGarden(useReady)
    let asked = 0
    vi.stubGlobal('fetch', () => (++asked === 3 ? third() : Promise.resolve(json({}))))
    await ready.fetchAll()
    expect(asked).toBe(3)
    expect(ready.at.value).toBeUndefined()
    expect(ready.busy.value).toBe(false)
  })

  it('is not fetched where nothing would keep it', async () => {
    const { asked, server } = listening()
    const { it: ready } = await usingGarden(useReady, server)
    const before = asked.length
    await ready.fetchAll()
    expect(asked).toHaveLength(before)
    expect(ready.at.value).toBeUndefined()
  })

  it('is fetched by itself once the garden is known, and not again while it is fresh', async () => {
    worker()
    const keepReady = () => {
      const ready = useReady()
      ready.keepReady()
      return ready
    }
    const ok: Server = async (request) => {
      const answer = await recorded(request)
      return answer.ok ? answer : json({})
    }
    const first = await usingGarden(keepReady, ok)
    await vi.waitFor(() => expect(first.it.at.value).toBeDefined())
    first.screen.unmount()
    const { asked, server } = listening(ok)
    await usingGarden(keepReady, server)
    await flushPromises()
    expect(asked).not.toContain(all.at(-1))
  })
})

describe('news from the garden', () => {
  class Line {
    static readonly all: Line[] = []
    closed = false
    private told?: (event: { data: string }) => void
    constructor(readonly address: string) {
      Line.all.push(this)
    }
    addEventListener(_: string, told: (event: { data: string }) => void) {
      this.told = told
    }
    tell = (data: string) => this.told?.({ data })
    close = () => (this.closed = true)
  }

  it('of others are read at once, and one’s own are not; the line ends with the screen', async () => {
    vi.stubGlobal('EventSource', Line)
    const { asked, server } = listening()
    const { screen } = await usingGarden(useNews, server)
    const [line] = Line.all
    expect(line?.address).toBe(`${at}/changes`)
    const reads = () => asked.filter((a) => a === at).length
    const before = reads()

    line?.tell(page)
    await flushPromises()
    expect(reads()).toBe(before)
    line?.tell('another page')
    await vi.waitFor(() => expect(reads()).toBe(before + 1))

    screen.unmount()
    expect(line?.closed).toBe(true)
  })
})

describe('a count against its line', () => {
  const { plantingId } = growing('Chapel/courgette')
  const lines: Schemas['StopLinesAnswer'] = {
    line: 0.1,
    belowAtMost: [-1, -1, 0],
    aboveAtLeast: [-1, 2, 2],
  }
  const answered = (looked: number) => ({
    share: 0.5,
    low: 0.2,
    high: 0.8,
    verdict: 'above',
    line: 0.1,
    moreLeaves: looked,
    reason: '',
  })

  it('is never that of the leaf before: until the answer comes the stop lines say it', async () => {
    const looked = ref(2)
    let hold: ((answer: Response) => void) | undefined
    const server: Server = (request) => {
      const url = new URL(request.url)
      if (!url.pathname.endsWith('/sample')) return recorded(request)
      return url.searchParams.get('looked') === '2'
        ? Promise.resolve(json(answered(2)))
        : new Promise((go) => (hold = go))
    }
    const { it: judged } = await usingGarden(() => useSample(plantingId, looked, 0, lines), server)
    await vi.waitFor(() => expect(judged.value?.moreLeaves).toBe(2))
    looked.value = 3
    await vi.waitFor(() => expect(hold).toBeDefined())
    expect(judged.value).toEqual({ share: 0, line: 0.1, moreLeaves: 0, verdict: 'below' })
    hold?.(json(answered(3)))
    await vi.waitFor(() => expect(judged.value).toMatchObject({ moreLeaves: 3, low: 0.2 }))
  })

  it('is nothing before the first leaf, and the stop lines’ while the server is away', async () => {
    const looked = ref(0)
    const { asked, server } = listening((request) =>
      request.url.includes('/sample') ? Promise.reject(new TypeError('away')) : recorded(request),
    )
    const { it: judged } = await usingGarden(() => useSample(plantingId, looked, 2, lines), server)
    expect(judged.value).toBeNull()
    expect(asked.filter((a) => a.includes('/sample'))).toEqual([])
    looked.value = 2
    await vi.waitFor(() => expect(judged.value?.verdict).toBe('above'))
  })
})

it('signs of a crop come in its order, those that nobody knows left out, and none for a crop without', async () => {
  const crop = ref('courgette')
  const signs = [{ id: 'b' }, { id: 'a' }].map((s) => ({ ...s, name: s.id }))
  const server: Server = (request) =>
    request.url.endsWith('/catalogue/signs')
      ? Promise.resolve(json(signs))
      : request.url.endsWith('/catalogue/crop-signs')
        ? Promise.resolve(json({ courgette: ['a', 'of-a-newer-server', 'b'] }))
        : recorded(request)
  const { used } = await using(() => useSigns(crop), server)
  expect(used.isPending.value).toBe(true)
  expect(used.data.value).toBeUndefined()
  await vi.waitFor(() => expect(used.data.value?.map((s) => s.id)).toEqual(['a', 'b']))
  crop.value = 'yam'
  expect(used.data.value).toEqual([])
})

describe('a look that is saved', () => {
  const { plantingId } = growing('Chapel/courgette')
  const use = () => {
    const look = useLook(`composed-${crypto.randomUUID()}`)
    return { look, save: useSaveLook(look, plantingId), outbox: useOutbox() }
  }
  // The bytes that jsdom itself makes can not be kept in a database.
  const picture = () => new Response('leaf', { headers: { 'content-type': 'image/jpeg' } }).blob()
  const count = (look: ReturnType<typeof useLook>) => {
    look.add(0, 5)
    look.add(1)
  }

  it('sends its walk, the count and then its pictures, and is empty afterwards', async () => {
    const { server, writes } = taking()
    const { it: made } = await usingGarden(use, server)
    count(made.look)
    const photo = await keptPhotos.keep(await picture())
    made.look.draft.value.photos.push(photo)
    const saved = await made.save.save()
    expect(saved?.sent).toBe(true)
    expect(writes.map((w) => w.path.replace(/[0-9a-f-]{36}/g, 'ID'))).toEqual([
      '/walks/ID',
      '/observations',
      '/observations/ID/photos/ID',
    ])
    expect(writes[1]?.body).toMatchObject({ plantingId, leavesLooked: 6, leavesAffected: 1 })
    expect(made.look.looked.value).toBe(0)
    expect(await keptPhotos.get(photo)).toBeUndefined()
  })

  it('stays with its pictures where it is refused', async () => {
    const { server } = taking((write) =>
      write.path === '/observations' ? json({ title: 'No such planting.', code: 'planting' }, 400) : json({}),
    )
    const { it: made } = await usingGarden(use, server)
    count(made.look)
    const photo = await keptPhotos.keep(await picture())
    made.look.draft.value.photos.push(photo)
    expect(await made.save.save()).toBeNull()
    expect(made.save.problem.value?.message).toBe('No such planting.')
    expect(made.save.saving.value).toBe(false)
    expect(made.look.looked.value).toBe(6)
    expect(await keptPhotos.get(photo)).toBeDefined()
  })

  it('waits on the device where nobody answers, and the leaves are free for the next plant', async () => {
    const { it: made } = await usingGarden(use, (request) =>
      request.method === 'GET' ? recorded(request) : Promise.reject(new TypeError('Failed to fetch')),
    )
    count(made.look)
    expect((await made.save.save())?.sent).toBe(false)
    expect(made.outbox.waiting.value.map((p) => p.path.split('/').at(-1))).toContain('observations')
    expect(made.look.looked.value).toBe(0)
    for (const parcel of made.outbox.waiting.value) await made.outbox.letGo(parcel.key)
  })
})

describe('a browser that keeps nothing', () => {
  beforeEach(() =>
    give(globalThis, 'indexedDB', {
      open: () => {
        throw new DOMException('The operation is insecure.', 'SecurityError')
      },
    }),
  )

  it('sends what is saved at once, says so, and lets the screen stay where that fails too', async () => {
    vi.resetModules()
    await (await import('@/language')).speak('en')
    const { useOutbox: fresh } = await import('@/outbox/useOutbox')
    const { writes, server } = taking()
    const post = {
      gardenId: garden.id,
      method: 'POST' as const,
      path: `${at}/observations`,
      body: { id: 'one' },
      words: 'A count',
    }
    const { it: outbox } = await usingGarden(fresh, server)
    expect((await outbox.post(post)).sent).toBe(true)
    expect(writes.map((w) => w.path)).toEqual(['/observations'])
    expect(outbox.keepsNothing.value).toBe(true)
    expect(outbox.waiting.value).toEqual([])

    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('Failed to fetch')))
    await expect(outbox.post(post)).rejects.toThrow(/save again when the network is back/)
  })
})

describe('passkeys', () => {
  it('are not offered where the browser has none, nor at an address of numbers', () => {
    give(window, 'isSecureContext', true)
    expect(canPasskey()).toBe(false)
    give(window, 'PublicKeyCredential', { parseCreationOptionsFromJSON: () => ({}) })
    expect(canPasskey()).toBe(true)
    vi.stubGlobal('location', { hostname: '192.168.1.20' })
    expect(canPasskey()).toBe(false)
    vi.stubGlobal('location', { hostname: 'fd00::1' })
    expect(canPasskey()).toBe(false)
  })

  it('that the device or its owner refuses are told in words, and nothing is sent', async () => {
    give(window, 'PublicKeyCredential', { parseCreationOptionsFromJSON: () => ({}) })
    vi.stubGlobal('PublicKeyCredential', { parseCreationOptionsFromJSON: () => ({}) })
    give(navigator, 'credentials', {
      create: () => Promise.reject(new DOMException('The operation was aborted.', 'NotAllowedError')),
    })
    const { server, writes } = taking(() => json({ try: 'one', options: '{}' }))
    const { used } = await using(() => usePasskeys(), server)
    const refused = await used.add.mutateAsync('Wren').catch((e: unknown) => e)
    expect(refused).toBeInstanceOf(Problem)
    expect((refused as Problem).code).toBe('no-passkey')
    expect(writes.map((w) => w.path)).toEqual(['/api/home/passkeys/ask'])
  })
})

it('a town that was typed later is not pushed away by the answer to an earlier one', async () => {
  const waits = new Map<string, (answer: Response) => void>()
  const { used } = await using(
    useTowns,
    (request) => new Promise((go) => waits.set(new URL(request.url).searchParams.get('name') ?? '', go)),
  )
  const both = [used.find('Wei'), used.find('Weimar')]
  await vi.waitFor(() => expect(waits.size).toBe(2))
  waits.get('Weimar')?.(json([{ name: 'Weimar' }]))
  await both[1]
  waits.get('Wei')?.(json([{ name: 'Weiden' }]))
  await both[0]
  expect(used.towns.value.map((t) => t.name)).toEqual(['Weimar'])

  const third = used.find('Weimarx')
  await vi.waitFor(() => expect(waits.size).toBe(3))
  waits.get('Weimarx')?.(json({ title: 'Not now.' }, 503))
  await third
  expect([used.trouble.value, used.towns.value.length]).toEqual(['Not now.', 1])
})

describe('an edit', () => {
  const body = { name: 'Chapel' }
  const edit = () =>
    useGardenEdit((_, headers, input: typeof body) => {
      sent.push({ ...headers, ...input })
      return Promise.resolve(input)
    })
  const sent: object[] = []
  beforeEach(() => sent.splice(0))

  it('says what its form had seen, and writes over others only when somebody insists', async () => {
    const { it: form, of } = await usingGarden(edit)
    form.opened()
    const deed = String(of.garden.value?.lastDeed?.id ?? 0)
    await form.save(body)
    await form.insist(body)
    expect(sent).toEqual([
      { 'X-Seen': deed, ...body },
      { 'X-Seen': deed, 'X-Over': 'true', ...body },
    ])
  })

  it('says nothing of what it saw where the garden was not known when it opened', async () => {
    const { used: form } = await using(edit)
    await form.save(body)
    expect(sent).toEqual([body])
  })
})

it('what may be chosen as a trouble has one’s own among it, and no look-alike nor group', async () => {
  const targets = [
    { id: 'mildew', name: 'Powdery mildew', kind: 'disease', isGroup: false, noSpray: false },
    { id: 'drought', name: 'Drought', kind: 'lookAlike', isGroup: false, noSpray: true },
    { id: 'any-mite', name: 'Mites', kind: 'pest', isGroup: true, noSpray: false },
  ]
  const own = [
    { kindId: 'own:1', of: 'trouble', name: 'Ivy aphid', likeName: 'Aphid', retired: false },
    { kindId: 'own:2', of: 'trouble', name: 'Forgotten', likeName: 'Aphid', retired: true },
    { kindId: 'own:3', of: 'crop', name: 'Eggplant', likeName: 'Potato', retired: false },
  ]
  const server: Server = (request) =>
    request.url.endsWith('/catalogue/targets')
      ? Promise.resolve(json(targets))
      : request.url.endsWith('/own-kinds')
        ? Promise.resolve(json(own))
        : recorded(request)
  const { it: made } = await usingGarden(() => ({ of: useTargets(), names: useNames() }), server)
  await vi.waitFor(() => expect(made.of.value).toHaveLength(2))
  expect(made.of.value.map((t) => t.value)).toEqual(['own:1', 'mildew'])
  expect(made.names.groups.value.map((t) => t.value)).toEqual(['any-mite'])
  // Called something, a plant may well be: what is no pest has a name too.
  expect(made.names.all.value.map((t) => t.value)).toEqual(['drought', 'own:1', 'mildew'])
})

describe('an outing', () => {
  const outing = plan.outings[0]
  const [first] = outing?.tanks ?? []
  const key = first?.rounds[0]?.key ?? ''
  const use = () => useOuting(() => outing, crypto.randomUUID())

  it('logs nothing that was not ticked off, and what was really used', async () => {
    if (!first) throw new Error('the demo has no outing')
    const { server, written } = taking()
    const { it: made } = await usingGarden(use, server)
    made.toggle('sprayed', key)
    made.toggle('sprayed', key)
    expect(made.done.value).toEqual([])
    made.toggle('sprayed', key)
    made.tank(first).used = first.litres + 0.25
    expect(await made.log()).toEqual({ sent: true })
    const { body } = await written('/plan/outings')
    expect(body).toMatchObject({
      tanks: [{ recipe: first.recipe, mixedLitres: first.litres + 0.25, usedLitres: first.litres + 0.25 }],
      taskIds: [],
      note: null,
    })
    expect(made.progress.value.sprayed).toEqual([])
  })

  it('keeps what was ticked off where it is refused, and its bottle keeps its id', async () => {
    if (!first) throw new Error('the demo has no outing')
    const { server } = taking(() => json({ title: 'The course runs.', code: 'mix-course-runs' }, 409))
    const { it: made } = await usingGarden(use, server)
    made.toggle('sprayed', key)
    const bottle = made.tank(first).batchId
    expect(await made.log()).toBeNull()
    expect(made.problem.value?.code).toBe('mix-course-runs')
    expect(made.progress.value.sprayed).toEqual([key])
    expect(made.tank(first).batchId).toBe(bottle)
  })
})

it('what a round would cost on other days is asked once one is picked up', async () => {
  const round = shallowRef<Round>()
  const { asked, server } = listening()
  await usingGarden(() => useMoves(round), server)
  const moves = () => asked.filter((a) => a.includes('/plan/moves'))
  expect(moves()).toEqual([])
  round.value = plan.outings[0]?.tanks[0]?.rounds[0]
  await vi.waitFor(() => expect(moves()).toHaveLength(1))
  expect(moves()[0]).toContain(`planting=${round.value?.plantingId ?? 'none'}`)
})

it('the paper is set while a sheet is open, and not longer', async () => {
  const rules = () => [...document.head.querySelectorAll('style')].map((s) => s.textContent)
  const { screen } = await using(() => {
    usePaper('90mm 60mm', '4mm')
    return true
  })
  expect(rules()).toContain('@page { size: 90mm 60mm; margin: 4mm }')
  screen.unmount()
  expect(rules()).not.toContain('@page { size: 90mm 60mm; margin: 4mm }')
})

describe('a screen that stays on', () => {
  afterEach(() => (keepAwake.value = true))

  it('is asked for on a phone that may refuse, and not where somebody switched it off', async () => {
    const request = vi.fn(() => Promise.reject(new DOMException('low battery', 'NotAllowedError')))
    give(navigator, 'wakeLock', { request })
    await using(useAwake)
    await flushPromises()
    expect(request).toHaveBeenCalledWith('screen')
    keepAwake.value = false
    request.mockClear()
    await using(useAwake)
    await flushPromises()
    expect(request).not.toHaveBeenCalled()
  })
})

it('dusk is turned by hand, and light again', async () => {
  const { used } = await using(useDusk)
  const dark = () => document.documentElement.classList.contains('dusk')
  expect(dark()).toBe(false)
  used.turn()
  await vi.waitFor(() => expect(dark()).toBe(true))
  used.turn()
  await vi.waitFor(() => expect(dark()).toBe(false))
})
