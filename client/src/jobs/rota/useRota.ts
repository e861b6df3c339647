import { computed, type MaybeRefOrGetter, toValue } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenQuery, useGardenWrite } from '@/garden/useGarden'

export type Round = Schemas['PlannedRoundAnswer']
export type Rota = Schemas['RotaAnswer']

/** The plan as it is now. */
export function useRota() {
  return useGardenQuery(['plan'], (gardenId) =>
    answer(api.GET('/api/gardens/{gardenId}/plan', { params: { path: { gardenId } } })),
  )
}

/** What each day of the fortnight would cost for a round; asked when one is picked up. */
export function useMoves(round: MaybeRefOrGetter<Round | undefined>) {
  return useGardenQuery(
    computed(() => ['moves', toValue(round)?.key]),
    (gardenId) =>
      answer(
        api.GET('/api/gardens/{gardenId}/plan/moves', {
          params: {
            path: { gardenId },
            query: { planting: toValue(round)?.plantingId ?? '', target: toValue(round)?.target ?? '' },
          },
        }),
      ),
    computed(() => toValue(round) !== undefined),
  )
}

/** Words to the plan: pin, skip, ban, let go; and that it was looked at. */
export function useWords() {
  const { memberId } = useGarden()
  const say = useGardenWrite((gardenId, word: Omit<Schemas['NewPlanChoice'], 'id' | 'memberId'>) =>
    answer(
      api.POST('/api/gardens/{gardenId}/plan/choices', {
        params: { path: { gardenId } },
        body: { id: crypto.randomUUID(), memberId: memberId.value, ...word },
      }),
    ),
  )
  const letGo = useGardenWrite((gardenId, choiceId: string) =>
    answer(
      api.DELETE('/api/gardens/{gardenId}/plan/choices/{choiceId}', {
        params: { path: { gardenId, choiceId }, query: { member: memberId.value ?? undefined } },
      }),
    ),
  )
  const seen = useGardenWrite((gardenId) =>
    answer(api.POST('/api/gardens/{gardenId}/plan/seen', { params: { path: { gardenId } } })),
  )
  return { say, letGo, seen }
}
