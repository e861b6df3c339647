import { useQuery, type QueryClient } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { answer, api } from '@/api/client'
import { keys } from '@/garden/useGarden'

const facts = { staleTime: Infinity }
/** What there is to be seen at all; facts, read once. */
const signsQuery = {
  queryKey: keys.catalogue('signs'),
  queryFn: () => answer(api.GET('/api/catalogue/signs')),
  ...facts,
}
/** By crop, which of them are worth offering, the most telling first. */
const cropSignsQuery = {
  queryKey: keys.catalogue('crop-signs'),
  queryFn: () => answer(api.GET('/api/catalogue/crop-signs')),
  ...facts,
}

/** Both are fetched for every crop at once, so that they are there when the network is not. */
export function keepSigns(client: QueryClient) {
  void client.prefetchQuery(signsQuery)
  void client.prefetchQuery(cropSignsQuery)
}

/** Signs worth offering on a crop, the most telling first; undefined until they are known. */
export function useSigns(crop: Readonly<Ref<string>>) {
  const signs = useQuery(signsQuery)
  const onCrops = useQuery(cropSignsQuery)
  return {
    data: computed(() => {
      if (!signs.data.value || !onCrops.data.value) return undefined
      const byId = new Map(signs.data.value.map((s) => [s.id, s]))
      return (onCrops.data.value[crop.value] ?? []).flatMap((id) => byId.get(id) ?? [])
    }),
    isPending: computed(() => signs.isPending.value || onCrops.isPending.value),
    error: computed(() => signs.error.value ?? onCrops.error.value),
    refetch: () => Promise.all([signs.refetch(), onCrops.refetch()]),
  }
}
