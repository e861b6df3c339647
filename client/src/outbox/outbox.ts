import { Problem } from '@/api/client'
import { tell } from '@/language'

/** Something written on this device that the server has not acknowledged yet. Ids are in it, so sending twice is harmless. */
export interface Parcel {
  /** Sorts by time; unique. */
  key: string
  gardenId: string
  method: 'PUT' | 'POST'
  path: string
  body?: Record<string, unknown>
  /** A picture, sent instead of a body. */
  photo?: Blob
  /** What it is, for the list of what waits. */
  words: string
  /** By this device's clock, which may be wrong: only ages are taken from it. */
  madeAt: number
  /** Sent later, it says when it was made: in the body's `at`, or in that of the named part of it. */
  stamp?: boolean | string
  /** How often in a row the server itself failed on it. */
  failures?: number
  /** Why it steps aside; it stays until the gardener sends it again or lets go of it. */
  refused?: string
}

export interface ParcelStore {
  all(): Promise<Parcel[]>
  /** False where the device would not keep it. */
  put(parcel: Parcel): Promise<boolean>
  remove(key: string): Promise<void>
}

export type Delivery = { sent: true; data: unknown } | { sent: false }

/** Sends one parcel. Throws a TypeError, as fetch does, when the network is down. */
export type Send = (parcel: Parcel) => Promise<{ ok: boolean; status: number; data: unknown }>

/** Sent this long after it was made, a parcel says when that was. */
const freshForMs = 30_000

/** A parcel on which the server failed this often steps aside, so that the others get through. */
const mostFailures = 5

/**
 * Keeps what is written on the device until the server has it, in order. A parcel goes into the store before the first try, so
 * a reload, a crash or a dead network loses nothing.
 */
export function createOutbox(
  store: ParcelStore,
  send: Send,
  gardenNow: (gardenId: string) => Promise<number>,
) {
  let turn: Promise<unknown> = Promise.resolve()
  let made = 0

  /** One at a time, also between tabs where the browser can. */
  function alone<T>(work: () => Promise<T>): Promise<T> {
    const locks = 'locks' in navigator ? navigator.locks : undefined
    const next = turn.then(async (): Promise<T> =>
      locks ? await locks.request('mauvaise-outbox', work) : work(),
    )
    turn = next.catch(() => undefined)
    return next
  }

  async function stamped(parcel: Parcel): Promise<Parcel> {
    const age = Date.now() - parcel.madeAt
    if (!parcel.stamp || age < freshForMs) return parcel
    const at = new Date((await gardenNow(parcel.gardenId)) - age).toISOString()
    if (parcel.stamp === true) return { ...parcel, body: { ...parcel.body, at } }
    const part = parcel.body?.[parcel.stamp] as Record<string, unknown>
    return { ...parcel, body: { ...parcel.body, [parcel.stamp]: { ...part, at } } }
  }

  /** Sends in order until something does not get through. Returns what came of the parcel that was asked about. */
  async function run(wanted?: string): Promise<Delivery> {
    let delivery: Delivery = { sent: false }
    for (const parcel of await store.all()) {
      if (parcel.refused) continue
      let answer
      try {
        answer = await send(await stamped(parcel))
      } catch (error) {
        if (error instanceof TypeError || error instanceof Problem) return delivery
        throw error
      }
      if (answer.ok) {
        await store.remove(parcel.key)
        if (parcel.key === wanted) delivery = { sent: true, data: answer.data }
      } else if (answer.status === 401 || answer.status === 408 || answer.status === 429) {
        // Signed out, or asked to wait: it is kept for later.
        return delivery
      } else if (answer.status >= 500) {
        const failures = (parcel.failures ?? 0) + 1
        const refused = failures < mostFailures ? undefined : Problem.of(answer.status, answer.data).message
        await store.put({ ...parcel, failures, refused })
        if (!refused) return delivery
      } else {
        const problem = Problem.of(answer.status, answer.data)
        if (parcel.key === wanted) {
          // The screen it was written on still holds it.
          await store.remove(parcel.key)
          throw problem
        }
        await store.put({ ...parcel, refused: problem.message })
      }
    }
    return delivery
  }

  /** Sends what the device would not keep, after what it kept before. Throws a Problem where that does not get through either. */
  async function sendUnkept(parcel: Parcel): Promise<Delivery> {
    await run()
    let answer
    try {
      answer = await send(parcel)
    } catch (error) {
      if (!(error instanceof TypeError || error instanceof Problem)) throw error
      throw new Problem('neither-sent-nor-kept', tell('outbox.neitherSentNorKept'))
    }
    if (!answer.ok) throw Problem.of(answer.status, answer.data)
    return { sent: true, data: answer.data }
  }

  return {
    /**
     * Keeps and tries to send. Throws the server's Problem when it refuses this parcel, and one of its own where the device keeps nothing and
     * the network is away.
     */
    post(parcel: Omit<Parcel, 'key' | 'madeAt'>): Promise<Delivery> {
      const madeAt = Date.now()
      const key = `${String(madeAt).padStart(15, '0')}-${String(made++).padStart(4, '0')}`
      return alone(async () => {
        const whole = { ...parcel, key, madeAt }
        return (await store.put(whole)) ? run(key) : sendUnkept(whole)
      })
    },
    /** Tries everything that waits once more. */
    flush: () => alone(() => run()),
    /** Takes a parcel that stepped aside back into the row and tries it. */
    again: (parcel: Parcel) =>
      alone(async () => {
        await store.put({ ...parcel, failures: 0, refused: undefined })
        return run(parcel.key)
      }),
    letGo: (key: string) => alone(() => store.remove(key)),
  }
}
