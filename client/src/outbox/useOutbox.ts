import { tell } from '@/language'
import { useQueryClient } from '@tanstack/vue-query'
import { useEventListener, useIntervalFn } from '@vueuse/core'
import { createStore, del, entries, set } from 'idb-keyval'
import { computed, readonly, ref } from 'vue'
import { answer, api, noticeSignedOut, pageHeader } from '@/api/client'
import { readAnew } from '@/garden/readAnew'
import { keys } from '@/garden/useGarden'
import { createOutbox, type Parcel, type ParcelStore } from './outbox'

const parcels = ref<Parcel[]>([])
/** What waits was read from the device: until then nothing is known of it. */
const known = ref(false)

/** The browser keeps nothing: its storage is full, or switched off. */
const keepsNothing = ref(false)

const database = createStore('mauvaise-outbox', 'parcels')
/** What is done in the device's storage; false, and told, where it would not. */
async function stored(work: () => Promise<unknown>): Promise<boolean> {
  try {
    await work()
    return true
  } catch (error) {
    if (!(error instanceof DOMException)) throw error
    keepsNothing.value = true
    return false
  }
}
/** What waits, in order; nothing where nothing can be kept. */
async function read(): Promise<Parcel[]> {
  let all: [string, Parcel][] = []
  await stored(async () => (all = await entries<string, Parcel>(database)))
  return all.map(([, p]) => p).sort((a, b) => a.key.localeCompare(b.key))
}
const changed = async () => {
  parcels.value = await read()
  known.value = true
}
const store: ParcelStore = {
  all: read,
  async put(parcel) {
    if (!(await stored(() => set(parcel.key, parcel, database)))) return false
    // A device without room can still be read: only what went in tells that it keeps again.
    keepsNothing.value = false
    await changed()
    return true
  },
  async remove(key) {
    if (await stored(() => del(key, database))) await changed()
  },
}

const outbox = createOutbox(
  store,
  async (parcel) => {
    const response = await fetch(parcel.path, {
      method: parcel.method,
      headers: { ...pageHeader(), 'content-type': parcel.photo?.type ?? 'application/json' },
      body: parcel.photo ?? JSON.stringify(parcel.body ?? {}),
    })
    noticeSignedOut(response.status)
    if (response.status === 204) return { ok: true, status: 204, data: null }
    // A page of somebody else's, as a network's sign-in: to us the network is down.
    if (!response.headers.get('content-type')?.includes('json'))
      throw new TypeError(tell('outbox.thatWasNotMauvaise'))
    return { ok: response.ok, status: response.status, data: await response.json() }
  },
  async (gardenId) =>
    Date.parse((await answer(api.GET('/api/gardens/{gardenId}', { params: { path: { gardenId } } }))).now),
)

/** What was written on this device and waits for the server. */
export function useOutbox() {
  const client = useQueryClient()
  /** Whatever was read of the garden is old once something got through. */
  async function fresh<T extends { sent: boolean }>(gardenId: string, work: Promise<T>): Promise<T> {
    const result = await work
    if (result.sent) await readAnew(client, keys.garden(gardenId))
    return result
  }
  return {
    known: readonly(known),
    keepsNothing: readonly(keepsNothing),
    waiting: computed(() => parcels.value.filter((p) => !p.refused)),
    refused: computed(() => parcels.value.filter((p) => p.refused)),
    post: (parcel: Omit<Parcel, 'key' | 'madeAt'>) => {
      // What waits is not to be cleared away when the device runs short of room.
      void navigator.storage?.persist?.()
      return fresh(parcel.gardenId, outbox.post(parcel))
    },
    again: (parcel: Parcel) => fresh(parcel.gardenId, outbox.again(parcel)),
    letGo: outbox.letGo,
    async flush() {
      const before = parcels.value.length
      await outbox.flush()
      if (parcels.value.length < before) await readAnew(client)
    },
  }
}

/** Sends what waits when there is reason to hope: at the start, when the network or the page comes back, and now and then. */
export function useDelivery() {
  const { flush, waiting } = useOutbox()
  void changed().then(flush)
  useEventListener(window, 'online', flush)
  useEventListener(document, 'visibilitychange', () => {
    if (document.visibilityState === 'visible') void flush()
  })
  useIntervalFn(() => {
    if (waiting.value.length > 0) void flush()
  }, 15_000)
}
