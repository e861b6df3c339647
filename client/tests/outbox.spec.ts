import { beforeEach, describe, expect, it } from 'vitest'
import { Problem } from '@/api/client'
import { createOutbox, type Parcel, type ParcelStore, type Send } from '@/outbox/outbox'

/** A store that keeps across outboxes, as the device's does across reloads. */
function deviceStore(): ParcelStore & { held: Map<string, Parcel> } {
  const held = new Map<string, Parcel>()
  return {
    held,
    all: () => Promise.resolve([...held.values()].sort((a, b) => a.key.localeCompare(b.key))),
    put: (p) => Promise.resolve(held.set(p.key, p).has(p.key)),
    remove: (key) => Promise.resolve(void held.delete(key)),
  }
}

const parcel = (path: string) => ({
  gardenId: 'g',
  method: 'POST' as const,
  path,
  body: { id: path },
  words: 'A count',
  stamp: true,
})
const ok = { ok: true, status: 201, data: { saved: true } }
const refusal = { ok: false, status: 400, data: { title: 'Too many.', code: 'many', errors: {} } }
const now = Date.parse('2026-07-16T15:40:00Z')

describe('the outbox', () => {
  let store: ReturnType<typeof deviceStore>
  let got: string[]
  let network: 'up' | 'down' | 'refusing' | 'ailing'
  const send: Send = (p) => {
    if (network === 'down') return Promise.reject(new TypeError('Failed to fetch'))
    if (network === 'ailing') return Promise.resolve({ ok: false, status: 503, data: null })
    if (network === 'refusing' && p.path.includes('bad')) return Promise.resolve(refusal)
    got.push(p.path)
    return Promise.resolve(ok)
  }
  const outbox = () => createOutbox(store, send, () => Promise.resolve(now))

  beforeEach(() => {
    store = deviceStore()
    got = []
    network = 'up'
  })

  it('sends at once and keeps nothing', async () => {
    expect(await outbox().post(parcel('a'))).toEqual({ sent: true, data: { saved: true } })
    expect(store.held.size).toBe(0)
  })

  it('keeps what can not be sent, over a reload, and sends it later in order and once', async () => {
    network = 'down'
    const before = outbox()
    expect(await before.post(parcel('a'))).toEqual({ sent: false })
    expect(await before.post(parcel('b'))).toEqual({ sent: false })
    expect(store.held.size).toBe(2)
    network = 'up'
    const after = outbox()
    await Promise.all([after.flush(), after.flush(), after.post(parcel('c'))])
    expect(got).toEqual(['a', 'b', 'c'])
    expect(store.held.size).toBe(0)
  })

  it('waits while the server ails', async () => {
    network = 'ailing'
    expect(await outbox().post(parcel('a'))).toEqual({ sent: false })
    expect(store.held.size).toBe(1)
  })

  describe('on a device that keeps nothing', () => {
    const noRoom = () =>
      createOutbox({ ...store, put: () => Promise.resolve(false) }, send, () => Promise.resolve(now))

    it('sends at once, after what was kept before there was no room', async () => {
      network = 'down'
      await outbox().post(parcel('/walk'))
      network = 'up'
      expect(await noRoom().post(parcel('/count'))).toEqual({ sent: true, data: { saved: true } })
      expect(got).toEqual(['/walk', '/count'])
    })

    it('says that an entry is neither sent nor kept where the network is away as well', async () => {
      network = 'down'
      const lost = await noRoom()
        .post(parcel('/count'))
        .catch((e: unknown) => e)
      expect((lost as Problem).code).toBe('neither-sent-nor-kept')
      expect((lost as Problem).message).toMatch(/keeps nothing/)
    })

    it('gives back what the server says against it', async () => {
      network = 'refusing'
      await expect(noRoom().post(parcel('/bad'))).rejects.toThrow('Too many.')
    })
  })

  it('gives a refusal back to the screen that wrote it', async () => {
    network = 'refusing'
    await expect(outbox().post(parcel('bad'))).rejects.toThrow(new Problem('many', 'Too many.'))
    expect(store.held.size).toBe(0)
  })

  it('puts a late refusal aside with its reason, and lets the others through', async () => {
    network = 'down'
    const box = outbox()
    await box.post(parcel('bad'))
    await box.post(parcel('good'))
    network = 'refusing'
    await box.flush()
    expect(got).toEqual(['good'])
    expect([...store.held.values()].map((p) => p.refused)).toEqual(['Too many.'])
    await box.letGo([...store.held.keys()][0] ?? '')
    expect(store.held.size).toBe(0)
  })

  it.each([
    ['in its body', true, (body: Record<string, unknown>) => body.at],
    [
      'in a part of it',
      'count',
      (body: Record<string, unknown>) => (body.count as Record<string, unknown>).at,
    ],
  ])(
    'says when it was made, by its age on this device and the clock of the garden: %s',
    async (_, stamp, at) => {
      network = 'down'
      const box = outbox()
      await box.post({ ...parcel('a'), body: { id: 'a', count: { leaves: 20 } }, stamp })
      const [waiting] = store.held.values()
      await store.put({ ...(waiting as Parcel), madeAt: Date.now() - 3_600_000 })
      let body: Record<string, unknown> = {}
      const later = createOutbox(
        store,
        (p) => {
          body = p.body ?? {}
          return Promise.resolve(ok)
        },
        () => Promise.resolve(now),
      )
      await later.flush()
      expect(Math.abs(Date.parse(String(at(body))) - (now - 3_600_000))).toBeLessThan(1000)
      expect(body).toMatchObject({ id: 'a', count: { leaves: 20 } })
    },
  )
})

describe('a parcel on which the server fails', () => {
  it('steps aside after the fifth time, lets the others through, and may be sent again', async () => {
    const store = deviceStore()
    let broken = true
    const got: string[] = []
    const box = createOutbox(
      store,
      (p) => {
        if (p.path === 'bad' && broken) {
          return Promise.resolve({
            ok: false,
            status: 500,
            data: { title: 'Something went wrong here.', code: 'our-mistake' },
          })
        }
        got.push(p.path)
        return Promise.resolve(ok)
      },
      () => Promise.resolve(now),
    )
    await box.post(parcel('bad'))
    await box.post(parcel('good'))
    expect(got).toEqual([])
    for (let i = 0; i < 3; i++) await box.flush()
    expect(got).toEqual(['good'])
    const [aside] = store.held.values()
    expect(aside?.refused).toBe('Something went wrong here.')
    broken = false
    await box.again(aside as Parcel)
    expect(got).toEqual(['good', 'bad'])
    expect(store.held.size).toBe(0)
  })
})
