import { tell } from '@/language'
import { computed, ref, watchEffect } from 'vue'
import { answer, api, Problem, type Schemas } from '@/api/client'
import { useGarden, useGardenQuery } from '@/garden/useGarden'
import { isHurt } from '@/garden/words'
import { useOutbox } from '@/outbox/useOutbox'
import { affectedBy, useLook } from '../walk/useLook'

/** Every visit that is open, and those judged lately. Read on the Board, so that they are on the device at the bed. */
export function useCheckBacks() {
  return useGardenQuery(['check-backs'], (gardenId) =>
    answer(api.GET('/api/gardens/{gardenId}/check-backs', { params: { path: { gardenId } } })),
  )
}

/** One visit: what it judges, what is counted and seen, and its verdict. It goes through the outbox, so that it works out of reach of the network. */
export function useCheckBack(checkBackId: string) {
  const { gardenId, memberId } = useGarden()
  const outbox = useOutbox()
  const all = useCheckBacks()
  const one = useGardenQuery(['check-back', checkBackId], (gardenId) =>
    answer(
      api.GET('/api/gardens/{gardenId}/check-backs/{checkBackId}', {
        params: { path: { gardenId, checkBackId } },
      }),
    ),
  )
  const visit = computed(() => one.data.value ?? all.data.value?.find((c) => c.id === checkBackId))
  const look = useLook(`check-${checkBackId}`)
  // Counted is what was counted before.
  watchEffect(() => (look.draft.value.on = visit.value?.before?.on ?? 'leaves'))
  /** Nothing until somebody says so. */
  const injury = ref<Schemas['Injury']>()
  const signs = ref<Schemas['InjurySign'][]>([])
  const touched = ref({ alive: 0, dead: 0 })
  /** Leaves with dead ones, or old spots, alone: counted as the second kind of leaf. */
  const onlyDead = computed(() => affectedBy(look.draft.value.leaves, 1))
  const saving = ref(false)
  const problem = ref<Problem | null>(null)
  const kept = ref(false)

  const hurt = () => ({
    injury: injury.value ?? 'unsaid',
    injurySigns: injury.value && isHurt(injury.value) ? [...signs.value] : [],
  })

  async function send(what: 'count' | 'patch' | 'by-count' | 'hose', body: Record<string, unknown>) {
    saving.value = true
    problem.value = null
    try {
      const delivery = await outbox.post({
        gardenId: gardenId.value,
        method: 'POST',
        path: `/api/gardens/${gardenId.value}/check-backs/${checkBackId}/${what}`,
        body,
        words: tell('checkback.aCheckBack'),
        stamp: what === 'count' ? 'count' : true,
      })
      kept.value = !delivery.sent
      look.clear()
      return delivery.sent
    } catch (error) {
      if (!(error instanceof Problem)) throw error
      problem.value = error
      return false
    } finally {
      saving.value = false
    }
  }

  return {
    visit,
    isPending: computed(() => one.isPending.value && all.isPending.value),
    error: one.error,
    look,
    injury,
    signs,
    touched,
    onlyDead,
    saving,
    problem,
    /** Judged on this device, and the server does not know it yet. */
    kept: computed(() => kept.value && !visit.value?.doneAt),
    /** @param certain Said again after the server asked about a contradiction. */
    judge(certain = false) {
      const { alive, dead } = touched.value
      const said = visit.value?.insects && alive + dead > 0
      return send('count', {
        count: look.toObservation(visit.value?.plantingId ?? '', memberId.value),
        ...hurt(),
        alive: said ? alive : null,
        dead: said ? dead : null,
        onlyDead: onlyDead.value,
        certain,
      } satisfies Schemas['CheckBackCount'])
    },
    /** Those that were counted as living turn out to be dead. */
    livingAreDead() {
      look.draft.value.leaves = look.draft.value.leaves.map((leaf) => (leaf === 1 ? 2 : leaf))
    },
    judgeByCount: (observationId: string) =>
      send('by-count', {
        observationId,
        ...hurt(),
        memberId: memberId.value,
      } satisfies Schemas['JudgedByCount']),
    hose: () =>
      send('hose', { taskId: crypto.randomUUID(), memberId: memberId.value } satisfies Schemas['HosedOff']),
    judgePatch: () =>
      send('patch', { ...hurt(), memberId: memberId.value } satisfies Schemas['PatchJudgement']),
  }
}
