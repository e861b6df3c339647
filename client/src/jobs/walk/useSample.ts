import { computed, type MaybeRefOrGetter, toValue } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGardenQuery } from '@/garden/useGarden'

/** A count against its line; the range is missing while the network is away. */
export type Judged = Pick<Schemas['SampleAnswer'], 'share' | 'verdict' | 'line' | 'moreLeaves'> &
  Partial<Pick<Schemas['SampleAnswer'], 'low' | 'high'>>

/** The verdict that a round's stop lines give for a count; null beyond their end. */
export function verdictOf(
  lines: Schemas['StopLinesAnswer'] | undefined,
  looked: number,
  affected: number,
): Judged | null {
  const below = lines?.belowAtMost[looked - 1]
  const above = lines?.aboveAtLeast[looked - 1]
  if (!lines || below === undefined || above === undefined) return null
  return {
    share: affected / looked,
    line: lines.line,
    moreLeaves: 0,
    verdict: above >= 0 && affected >= above ? 'above' : affected <= below ? 'below' : 'countMore',
  }
}

/** The count so far against the planting's action line: from the server, or from the round's stop lines while it is away. */
export function useSample(
  plantingId: MaybeRefOrGetter<string>,
  looked: MaybeRefOrGetter<number>,
  affected: MaybeRefOrGetter<number>,
  stopLines: MaybeRefOrGetter<Schemas['StopLinesAnswer'] | undefined> = undefined,
  /** What is counted, and how many there are where that is known. */
  what: MaybeRefOrGetter<{ on?: Schemas['CountedOn']; of?: number }> = {},
) {
  const query = useGardenQuery(
    computed(() => ['sample', toValue(plantingId), toValue(looked), toValue(affected), toValue(what)]),
    (gardenId) =>
      answer(
        api.GET('/api/gardens/{gardenId}/plantings/{plantingId}/sample', {
          params: {
            path: { gardenId, plantingId: toValue(plantingId) },
            query: { looked: toValue(looked), affected: toValue(affected), ...toValue(what) },
          },
        }),
      ),
    () => toValue(looked) > 0 && toValue(plantingId) !== '',
  )
  return computed((): Judged | null => {
    if (toValue(looked) === 0) return null
    // What the query still shows may belong to the leaf before.
    if (query.data.value && !query.isPlaceholderData.value && !query.isError.value) return query.data.value
    return verdictOf(toValue(stopLines), toValue(looked), toValue(affected)) ?? query.data.value ?? null
  })
}
