import { computed, type MaybeRefOrGetter, toValue } from 'vue'
import { answer, api } from '@/api/client'
import { useGardenQuery } from '@/garden/useGarden'

/** The count so far against the planting's action line. */
export function useSample(
  plantingId: MaybeRefOrGetter<string>,
  looked: MaybeRefOrGetter<number>,
  affected: MaybeRefOrGetter<number>,
) {
  return useGardenQuery(
    computed(() => ['sample', toValue(plantingId), toValue(looked), toValue(affected)]),
    (gardenId) =>
      answer(
        api.GET('/api/gardens/{gardenId}/plantings/{plantingId}/sample', {
          params: {
            path: { gardenId, plantingId: toValue(plantingId) },
            query: { looked: toValue(looked), affected: toValue(affected) },
          },
        }),
      ),
    () => toValue(looked) > 0 && toValue(plantingId) !== '',
  )
}
