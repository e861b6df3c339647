import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { answer, api } from '@/api/client'
import { keys } from './useGarden'

/** Pests and diseases to choose from, by name; look-alikes are none. */
export function useTargets() {
  const { data } = useQuery({
    queryKey: keys.catalogue('targets'),
    queryFn: () => answer(api.GET('/api/catalogue/targets')),
    staleTime: Infinity,
  })
  return computed(() =>
    (data.value ?? [])
      .filter((t) => t.kind !== 'lookAlike')
      .map((t) => ({ value: t.id, label: t.name, noSpray: t.noSpray }))
      .sort((a, b) => a.label.localeCompare(b.label)),
  )
}
