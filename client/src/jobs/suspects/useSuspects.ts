import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenQuery } from '@/garden/useGarden'
import { inSentence } from '@/kit/format'
import type { Parcel } from '@/outbox/outbox'
import { useOutbox } from '@/outbox/useOutbox'
import { evidenceOf, rank, type Seen, type Tables } from './naming'

/** What a count may be: ranked by the server, or on this device while the count itself waits to be sent. */
export function useSuspects(observationId: string) {
  const { gardenId, garden, plantings } = useGarden()
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

  /** What was answered and named since, which waits behind the count. */
  const later = <T>(what: 'answers' | 'name') =>
    outbox.waiting.value.filter((p) => p.path === `${path.value}/${what}`).map((p) => p.body as unknown as T)
  const here = computed(() => {
    const look = parcel.value?.body as unknown as Schemas['NewObservation'] | undefined
    const trouble = parcel.value && troubleOf(parcel.value, observationId)
    const priors = tables.data.value?.plantings.find((p) => p.plantingId === look?.plantingId)
    const planting = plantings.value.find((p) => p.id === look?.plantingId)
    if (!parcel.value || !look || !trouble || !tables.data.value || !priors || !planting) return undefined
    const answers = later<Schemas['SignAnswer']>('answers')
    const named = later<Schemas['NameGiven']>('name').at(-1)
    const noted = { ...look, ...trouble, signs: withAnswers(trouble.signs ?? [], answers) }
    return rankedHere(
      tables.data.value,
      priors,
      {
        id: observationId,
        lookId: look.id,
        walkId: look.walkId ?? null,
        plantingId: look.plantingId,
        where: `${planting.place.name} ${inSentence(planting.cropName)}`,
        at: new Date(parcel.value.madeAt).toISOString(),
        leavesLooked: look.leavesLooked,
        leavesAffected: trouble.leavesAffected,
        severityPercent: trouble.severityPercent ?? null,
        ants: look.ants ?? 'none',
        helpers: look.helpers ?? 0,
        mummies: look.mummies ?? 0,
        part: look.part ?? 'unsaid',
        side: look.side ?? 'unsaid',
        roots: look.roots ?? 'notLooked',
        signs: noted.signs,
        named: named?.target ?? null,
        namedAs: null,
        note: look.note ?? null,
        plants: look.plants ?? null,
        on: look.on ?? 'leaves',
      },
      evidenceOf(tables.data.value, noted),
      notSure.value,
    )
  })

  const write = (
    method: 'POST' | 'PUT',
    what: 'answers' | 'name',
    body: Schemas['SignAnswer'] | Schemas['NameGiven'],
    words: string,
  ) =>
    outbox.post({
      gardenId: gardenId.value,
      method,
      path: `${path.value}/${what}`,
      body: { ...body },
      words,
    })

  return {
    away,
    notSure,
    garden,
    data: computed<Schemas['SuspectsAnswer'] | undefined>(() => (away.value ? here.value : asked.data.value)),
    isPending: computed(() => (away.value ? tables.isPending.value : asked.isPending.value)),
    error: computed(() => (away.value ? tables.error.value : asked.error.value)),
    refetch: () => (away.value ? tables.refetch() : asked.refetch()),
    /** Kept on this device and sent behind the count. */
    write,
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

function rankedHere(
  tables: Tables,
  planting: Schemas['NamingPlanting'],
  observation: Schemas['ObservationAnswer'],
  seen: readonly Seen[],
  notSure: readonly string[],
): Schemas['SuspectsAnswer'] {
  const { probabilities, order, notListed, group, together, next } = rank(
    tables,
    planting.priors,
    seen,
    notSure,
  )
  const suspects = order.slice(0, tables.shown).flatMap((i) => {
    const cause = tables.causes[i]
    return cause ? [{ ...cause.suspect, probability: probabilities[i] ?? 0 }] : []
  })
  const lead = suspects[0]?.probability ?? 0
  const name = tables.groups.find((g) => g.nameGroup === group.nameGroup)
  const nameOf = (i: number) => tables.causes[i]?.suspect.name ?? ''
  return {
    observation,
    leaf: planting.leaf,
    suspects,
    notListed,
    meanwhile: notListed > lead ? tables.meanwhile : null,
    group:
      name && group.probability >= tables.groupSure && lead < tables.groupSure
        ? { target: name.target, name: name.name, probability: group.probability }
        : null,
    together: together && {
      first: nameOf(together.first),
      second: nameOf(together.second),
      probability: together.probability,
    },
    next: next && {
      ...next,
      question: tables.signs.find((s) => s.id === next.sign)?.question ?? '',
    },
    namingCanWait: null,
    trend: null,
    line: 0,
    lineReason: '',
  }
}
