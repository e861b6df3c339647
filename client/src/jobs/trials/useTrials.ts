import { computed } from 'vue'
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

/** What a trial of a size can show at all. */
export function useTrialPower(size: () => { units: number; leavesPerUnit: number; sides: number }) {
  return useGardenQuery(
    computed(() => ['trial-power', size()]),
    (gardenId) =>
      answer(
        api.GET('/api/gardens/{gardenId}/trials/power', {
          params: { path: { gardenId }, query: size() },
        }),
      ),
    () => size().units > 0,
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
