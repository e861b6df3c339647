import { queryOptions } from '@tanstack/vue-query'
import { answer, api } from '@/api/client'
import { keys } from '@/garden/useGarden'

/** Signs worth offering on a crop, the most telling first. Facts: read once. */
export const signsQuery = (crop: string) =>
  queryOptions({
    queryKey: keys.catalogue('signs', crop),
    queryFn: () =>
      answer(api.GET('/api/catalogue/crops/{cropId}/signs', { params: { path: { cropId: crop } } })),
    enabled: crop !== '',
    staleTime: Infinity,
  })
