import { tell } from '@/language'
import { computed, watch } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenQuery } from '@/garden/useGarden'
import { useOutbox } from '@/outbox/useOutbox'
import { useKept } from '@/kit/useKept'

/** What this device knows of its round, also while the network is away. */
interface KeptWalk {
  id: string
  /** By this device's clock. */
  begunAt: number
  ended: boolean
  seen: string[]
  skipped: string[]
}

/** A round that nobody ended is over by itself after this long, here as on the server. */
const longestMs = 18 * 3_600_000

/** Minutes that one has, on this device; null for the whole round. */
const minutes = useKept<number | null>('mauvaise-walk-minutes', null, {
  serializer: { read: (v) => Number(v) || null, write: (v) => String(v ?? '') },
})

const kept = useKept<Record<string, KeptWalk>>('mauvaise-walk', {})

export type PlaceStop = Schemas['PlaceStopAnswer']
export type PlantingStop = Schemas['PlantingStopAnswer']

/** The round over the places: where it stands, what comes next, and its verbs. */
export function useWalk() {
  const { gardenId, memberId } = useGarden()
  const outbox = useOutbox()
  const round = useGardenQuery(['round'], (id) =>
    answer(api.GET('/api/gardens/{gardenId}/round', { params: { path: { gardenId: id } } })),
  )
  const all = computed(() => round.data.value?.stops ?? [])
  const part = computed(() => round.data.value?.parts.find((p) => p.minutes === minutes.value))
  /** The round, or the places of it that there is time for, in its order. */
  const stops = computed(() => all.value.filter((s) => part.value?.placeIds.includes(s.placeId) ?? true))
  const last = computed(() => kept.value[gardenId.value])
  const here = computed(() =>
    last.value && !last.value.ended && Date.now() - last.value.begunAt < longestMs ? last.value : undefined,
  )
  const walkId = computed(() => {
    const known = here.value?.id ?? round.data.value?.walk?.id
    return known && !(last.value?.ended && last.value.id === known) ? known : null
  })
  const ofServer = computed(() => {
    const walk = round.data.value?.walk
    return walk?.id === walkId.value ? walk : undefined
  })
  /** What this device knows beyond the server: only while something waits to be sent, or an undo would not be seen. */
  const unsent = computed(() => (outbox.waiting.value.length > 0 ? here.value : undefined))
  const seen = computed(
    () => new Set([...(ofServer.value?.seenPlantingIds ?? []), ...(unsent.value?.seen ?? [])]),
  )
  const skipped = computed(
    () => new Set([...(ofServer.value?.skippedPlaceIds ?? []), ...(unsent.value?.skipped ?? [])]),
  )
  const seenAll = (stop: PlaceStop) => stop.plantings.every((p) => seen.value.has(p.plantingId))
  /** The next place with its planting that was not seen yet, and is not the one that was just done. */
  function nextAfter(done?: string) {
    const open = (p: PlantingStop) => p.plantingId !== done && !seen.value.has(p.plantingId)
    const stop = stops.value.find((s) => !skipped.value.has(s.placeId) && s.plantings.some(open))
    const planting = stop?.plantings.find(open)
    return stop && planting ? { stop, planting } : null
  }
  const next = computed(() => nextAfter())
  const placesDone = computed(
    () => stops.value.filter((s) => skipped.value.has(s.placeId) || seenAll(s)).length,
  )

  const path = (walk: string, rest = '') => `/api/gardens/${gardenId.value}/walks/${walk}${rest}`
  const keep = (change: Partial<KeptWalk> & { id: string }) => {
    const before =
      here.value?.id === change.id ? here.value : { begunAt: Date.now(), ended: false, seen: [], skipped: [] }
    kept.value = { ...kept.value, [gardenId.value]: { ...before, ...change } }
  }

  // The server ended or never had what this device still holds open, and nothing is on its way there.
  watch([round.data, outbox.known], ([data, known]) => {
    if (data && known && here.value && outbox.waiting.value.length === 0 && data.walk?.id !== here.value.id)
      keep({ id: here.value.id, ended: true })
  })

  /** The round's id; begins one when none is going on. */
  async function begin(): Promise<string> {
    if (walkId.value) return walkId.value
    const id = crypto.randomUUID()
    keep({ id })
    await outbox.post({
      gardenId: gardenId.value,
      method: 'PUT',
      path: path(id),
      body: { memberId: memberId.value },
      words: tell('walk.theStartOfTheWalk'),
      stamp: true,
    })
    return id
  }

  return {
    round,
    stops,
    /** Every place, whatever the time. */
    all,
    /** Places that there is no time for today. */
    later: computed(() => all.value.filter((s) => !stops.value.includes(s))),
    minutes,
    walkId,
    seen,
    skipped,
    seenAll,
    next,
    nextAfter,
    placesDone,
    toName: computed(() => ofServer.value?.toName ?? []),
    begin,
    saw(id: string, plantingId: string) {
      keep({ id, seen: [...(here.value?.seen ?? []), plantingId] })
    },
    async skip(placeId: string) {
      const id = await begin()
      keep({ id, skipped: [...(here.value?.skipped ?? []), placeId] })
      await outbox.post({
        gardenId: gardenId.value,
        method: 'PUT',
        path: path(id, `/skipped/${placeId}`),
        body: { memberId: memberId.value },
        words: tell('walk.aSkippedPlace'),
      })
    },
    async end() {
      const id = walkId.value
      if (!id) return
      keep({ id, ended: true })
      await outbox.post({
        gardenId: gardenId.value,
        method: 'PUT',
        path: path(id, '/end'),
        body: { memberId: memberId.value },
        words: tell('walk.theEndOfTheWalk'),
      })
    },
  }
}
