import { tell } from '@/language'
import { computed, ref } from 'vue'
import { Problem, type Schemas } from '@/api/client'
import { useGarden } from '@/garden/useGarden'
import { useOutbox } from '@/outbox/useOutbox'
import { useKept } from '@/kit/useKept'

/** How far an outing has come, kept on this device until it is logged. */
interface Progress {
  tanks: Record<string, { batchId: string; applicationId: string; mixed: boolean; used?: number }>
  sprayed: string[]
  tasks: string[]
  note?: string
}

/** An outing, ticked off at the bed. It is logged through the outbox, so that it works out of reach of the network. */
export function useOuting(outing: () => Schemas['OutingAnswer'] | undefined, key: string) {
  const { gardenId, memberId } = useGarden()
  const outbox = useOutbox()
  const progress = useKept<Progress>(`mauvaise-outing-${key}`, { tanks: {}, sprayed: [], tasks: [] })
  const saving = ref(false)
  const problem = ref<Problem | null>(null)

  const tankKey = (t: Schemas['PlannedTankAnswer']) => `${t.recipe}/${t.step}`
  function tank(t: Schemas['PlannedTankAnswer']) {
    return (progress.value.tanks[tankKey(t)] ??= {
      batchId: crypto.randomUUID(),
      applicationId: crypto.randomUUID(),
      mixed: false,
    })
  }
  const toggle = (list: 'sprayed' | 'tasks', id: string) =>
    (progress.value[list] = progress.value[list].includes(id)
      ? progress.value[list].filter((x) => x !== id)
      : [...progress.value[list], id])
  const done = computed(() => {
    const o = outing()
    return o
      ? o.tanks
          .map((t) => ({ t, rounds: t.rounds.filter((r) => progress.value.sprayed.includes(r.key)) }))
          .filter((x) => x.rounds.length > 0)
      : []
  })

  /** Logs what was ticked off. Null when the server refused it. */
  async function log(): Promise<{ sent: boolean } | null> {
    saving.value = true
    problem.value = null
    try {
      const body: Schemas['OutingDone'] = {
        tanks: done.value.map(({ t, rounds }) => ({
          batchId: tank(t).batchId,
          applicationId: tank(t).applicationId,
          recipe: t.recipe,
          step: t.step,
          target: rounds[0]?.target ?? '',
          mixedLitres: Math.max(t.litres, tank(t).used ?? 0),
          usedLitres: tank(t).used ?? t.litres,
          plantingIds: [...new Set(rounds.map((r) => r.plantingId))],
          // As the steps at the bed say it; what was otherwise is put right in the ledger.
          parts: ['undersides', 'tops'],
        })),
        // A copy of its own: what goes into the outbox can not be reactive.
        taskIds: [...progress.value.tasks],
        at: null,
        memberId: memberId.value,
        note: progress.value.note?.trim() || null,
      }
      const delivery = await outbox.post({
        gardenId: gardenId.value,
        method: 'POST',
        path: `/api/gardens/${gardenId.value}/plan/outings`,
        body: { ...body },
        words: tell('outing.anOuting'),
        stamp: true,
      })
      progress.value = { tanks: {}, sprayed: [], tasks: [] }
      return { sent: delivery.sent }
    } catch (error) {
      if (!(error instanceof Problem)) throw error
      problem.value = error
      return null
    } finally {
      saving.value = false
    }
  }

  return { progress, tank, toggle, done, log, saving, problem }
}
