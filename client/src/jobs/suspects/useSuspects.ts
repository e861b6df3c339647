import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenQuery, useGardenWrite } from '@/garden/useGarden'
import { inSentence } from '@/kit/format'
import { tell } from '@/language'
import type { Parcel } from '@/outbox/outbox'
import { useOutbox } from '@/outbox/useOutbox'
import { evidenceOf, rank, shownOf, type Seen } from './naming'

/**
 * What a count may be, its answers and its name: ranked and kept by the server, or on this device while the count itself waits to be sent.
 */
export function useSuspects(observationId: string) {
  const { gardenId, memberId, plantings } = useGarden()
  const outbox = useOutbox()
  /** Questions answered with "not sure": they settle nothing, and are not asked again on this visit. */
  const notSure = ref<string[]>([])
  const path = computed(() => `/api/gardens/${gardenId.value}/observations/${observationId}`)

  const parcel = computed(() => outbox.waiting.value.find((p) => troubleOf(p, observationId)))
  const away = computed(() => parcel.value !== undefined)
  const asked = useGardenQuery(
    computed(() => ['suspects', observationId, notSure.value.join(',')]),
    (gardenId) =>
      answer(
        api.GET('/api/gardens/{gardenId}/observations/{observationId}/suspects', {
          params: { path: { gardenId, observationId }, query: { skip: notSure.value.join(',') } },
        }),
      ),
    () => !away.value,
  )
  const tables = useGardenQuery(
    ['naming'],
    (gardenId) => answer(api.GET('/api/gardens/{gardenId}/naming', { params: { path: { gardenId } } })),
    away,
  )
  const reading = computed(() => (away.value ? tables : asked))

  /** What was answered and named since, which waits behind the count. */
  const later = <T>(what: 'answers' | 'name') =>
    outbox.waiting.value.filter((p) => p.path === `${path.value}/${what}`).map((p) => p.body as unknown as T)

  const rankedHere = computed((): Schemas['SuspectsAnswer'] | undefined => {
    const look = parcel.value?.body as unknown as Schemas['NewObservation'] | undefined
    const trouble = parcel.value && troubleOf(parcel.value, observationId)
    const known = tables.data.value
    const prior = known?.plantings.find((p) => p.plantingId === look?.plantingId)
    const planting = plantings.value.find((p) => p.id === look?.plantingId)
    if (!parcel.value || !look || !trouble || !known || !prior || !planting) return undefined
    const signs = withAnswers(trouble.signs, later<Schemas['SignAnswer']>('answers'))
    const seen = evidenceOf(known, { ...look, signs })
    return {
      ...shownOf(known, rank(known, prior.priors, seen, notSure.value)),
      leaf: prior.leaf,
      observation: {
        ...look,
        ...trouble,
        lookId: look.id,
        walkId: look.walkId ?? null,
        where: `${planting.place.name} ${inSentence(planting.cropName)}`,
        at: new Date(parcel.value.madeAt).toISOString(),
        severityPercent: trouble.severityPercent ?? null,
        part: look.part ?? 'unsaid',
        side: look.side ?? 'unsaid',
        roots: look.roots ?? 'notLooked',
        on: look.on ?? 'leaves',
        plants: look.plants ?? null,
        note: look.note ?? null,
        signs,
        named: later<Schemas['NameGiven']>('name').at(-1)?.target ?? null,
        namedAs: null,
      },
      namingCanWait: null,
      trend: null,
      line: 0,
      lineReason: '',
    }
  })

  const kept = (
    method: 'POST' | 'PUT',
    what: 'answers' | 'name',
    body: Schemas['SignAnswer'] | Schemas['NameGiven'],
    words: string,
  ) =>
    outbox.post({ gardenId: gardenId.value, method, path: `${path.value}/${what}`, body: { ...body }, words })

  return {
    /** The count waits on this device, and so does what is written to it. */
    away,
    notSure,
    data: computed(() => (away.value ? rankedHere.value : asked.data.value)),
    isPending: computed(() => reading.value.isPending.value),
    error: computed(() => reading.value.error.value),
    refetch: () => reading.value.refetch(),
    answering: useGardenWrite((gardenId, given: { sign: string; present: boolean }): Promise<unknown> => {
      const body = { ...given, memberId: memberId.value }
      return away.value
        ? kept('POST', 'answers', body, tell('suspects.anAnswer'))
        : answer(
            api.POST('/api/gardens/{gardenId}/observations/{observationId}/answers', {
              params: { path: { gardenId, observationId } },
              body,
            }),
          )
    }),
    naming: useGardenWrite((gardenId, given: Omit<Schemas['NameGiven'], 'memberId'>): Promise<unknown> => {
      const body = { ...given, memberId: memberId.value }
      return away.value
        ? kept('PUT', 'name', body, tell('suspects.aName'))
        : answer(
            api.PUT('/api/gardens/{gardenId}/observations/{observationId}/name', {
              params: { path: { gardenId, observationId } },
              body,
            }),
          )
    }),
  }
}

/** The trouble of that id in a look that waits; undefined for anything else. */
function troubleOf(parcel: Parcel, id: string): Schemas['FurtherTrouble'] | undefined {
  if (!parcel.path.endsWith('/observations')) return undefined
  const look = parcel.body as unknown as Schemas['NewObservation']
  return [look as Schemas['FurtherTrouble'], ...(look.also ?? [])].find((t) => t.id === id)
}

/** A later answer takes the place of what was noted. */
const withAnswers = (noted: readonly Seen[], answers: readonly Seen[]): Seen[] => [
  ...new Map([...noted, ...answers].map(({ sign, present }) => [sign, { sign, present }])).values(),
]
