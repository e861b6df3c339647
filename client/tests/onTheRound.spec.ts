import { IDBObjectStore } from 'fake-indexeddb'
import { describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import { type Schemas } from '@/api/client'
import { keptPhotos } from '@/jobs/walk/keptPhotos'
import { useLook } from '@/jobs/walk/useLook'
import { useSample } from '@/jobs/walk/useSample'
import { useSaveLook } from '@/jobs/walk/useSaveLook'
import { useSigns } from '@/jobs/walk/useSigns'
import { useOutbox } from '@/outbox/useOutbox'
import { needed, useReady } from '@/outbox/useReady'
import { json, type Server } from './mounted'
import { at, garden, growing, recorded, taking } from './recorded'
import { give, listening, using, usingGarden } from './used'

describe('what an evening needs', () => {
  const worker = (controller: object | null = {}) =>
    give(navigator, 'serviceWorker', Object.assign(new EventTarget(), { controller }))
  const all = needed(garden.id)
  const keepReady = () => {
    const ready = useReady()
    ready.keepReady()
    return ready
  }
  const ok: Server = async (request) => {
    const answer = await recorded(request)
    return answer.ok ? answer : json({})
  }

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
    const first = await usingGarden(keepReady, ok)
    await expect.poll(() => first.it.at.value).toBeDefined()
    first.screen.unmount()
    const again = await usingGarden(keepReady, ok)
    expect(again.it.at.value).toBe(first.it.at.value)
    expect(again.it.busy.value).toBe(false)
  })

  it('is fetched on a first visit too, once there is a worker to keep it', async () => {
    worker(null)
    const { it: ready } = await usingGarden(keepReady, ok)
    expect(ready.busy.value).toBe(false)
    const { serviceWorker } = navigator
    Object.assign(serviceWorker, { controller: {} })
    serviceWorker.dispatchEvent(new Event('controllerchange'))
    await expect.poll(() => ready.at.value).toBeDefined()
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
    await expect.poll(() => judged.value?.moreLeaves).toBe(2)
    looked.value = 3
    await expect.poll(() => hold).toBeDefined()
    expect(judged.value).toEqual({ share: 0, line: 0.1, moreLeaves: 0, verdict: 'below' })
    hold?.(json(answered(3)))
    await expect.poll(() => judged.value).toMatchObject({ moreLeaves: 3, low: 0.2 })
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
    await expect.poll(() => judged.value?.verdict).toBe('above')
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
  await expect.poll(() => used.data.value?.map((s) => s.id)).toEqual(['a', 'b'])
  crop.value = 'yam'
  expect(used.data.value).toEqual([])
})

describe('a look that is saved', () => {
  const { plantingId } = growing('Chapel/courgette')
  const use = () => {
    const look = useLook(`composed-${crypto.randomUUID()}`)
    return { look, save: useSaveLook(look, plantingId), outbox: useOutbox() }
  }
  // The bytes that the made-up page itself makes can not be kept in a database.
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
  const refusing = () =>
    give(globalThis, 'indexedDB', {
      open: () => {
        throw new DOMException('The operation is insecure.', 'SecurityError')
      },
    })

  it('sends what is saved at once, says so, and lets the screen stay where that fails too', async () => {
    refusing()
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

  it('is told of as full although it can be read, until an entry goes in again', async () => {
    const { server } = taking()
    const { it: outbox } = await usingGarden(useOutbox, server)
    const post = () =>
      outbox.post({
        gardenId: garden.id,
        method: 'POST',
        path: `${at}/observations`,
        body: {},
        words: 'A count',
      })
    const full = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('No room.', 'QuotaExceededError')
    })
    expect((await post()).sent).toBe(true)
    expect(outbox.keepsNothing.value).toBe(true)
    full.mockRestore()
    await post()
    expect(outbox.keepsNothing.value).toBe(false)
  })
})
