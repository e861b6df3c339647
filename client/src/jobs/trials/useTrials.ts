import { computed, type MaybeRefOrGetter, toValue } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenQuery, useGardenWrite } from '@/garden/useGarden'

export function useTrials() {
  return useGardenQuery(['trials'], (gardenId) =>
    answer(api.GET('/api/gardens/{gardenId}/trials', { params: { path: { gardenId } } })),
  )
}

export function useTrial(trialId: () => string) {
  return useGardenQuery(
    computed(() => ['trial', trialId()]),
    (gardenId) =>
      answer(
        api.GET('/api/gardens/{gardenId}/trials/{trialId}', {
          params: { path: { gardenId, trialId: trialId() } },
        }),
      ),
  )
}

/** What a number of leaves can show at all. */
export function usePower(leaves: MaybeRefOrGetter<number>, untreated: MaybeRefOrGetter<number>) {
  return useGardenQuery(
    computed(() => ['trial-power', toValue(leaves), toValue(untreated)]),
    (gardenId) =>
      answer(
        api.GET('/api/gardens/{gardenId}/trials/power', {
          params: {
            path: { gardenId },
            query: { leaves: toValue(leaves), untreated: toValue(untreated) },
          },
        }),
      ),
    computed(() => toValue(leaves) > 0),
  )
}

/** What can be done with a trial that runs. */
export function useTrialWrites(trialId: () => string) {
  const { memberId } = useGarden()
  const path = (gardenId: string) => ({ path: { gardenId, trialId: trialId() } })
  const count = useGardenWrite((gardenId, counts: Schemas['NewTrialCount'][]) =>
    answer(
      api.POST('/api/gardens/{gardenId}/trials/{trialId}/counts', {
        params: path(gardenId),
        body: { counts, memberId: memberId.value },
      }),
    ),
  )
  const treat = useGardenWrite((gardenId, sides: Schemas['SideTreated'][]) =>
    answer(
      api.POST('/api/gardens/{gardenId}/trials/{trialId}/treated', {
        params: path(gardenId),
        body: { sides, memberId: memberId.value },
      }),
    ),
  )
  const close = useGardenWrite((gardenId) =>
    answer(
      api.POST('/api/gardens/{gardenId}/trials/{trialId}/close', {
        params: path(gardenId),
        body: { memberId: memberId.value },
      }),
    ),
  )
  return { count, treat, close }
}
