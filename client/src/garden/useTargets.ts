import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { answer, api } from '@/api/client'
import { keys } from './useGarden'

function useCatalogueTargets() {
  const { data } = useQuery({
    queryKey: keys.catalogue('targets'),
    queryFn: () => answer(api.GET('/api/catalogue/targets')),
    staleTime: Infinity,
  })
  return computed(() => data.value ?? [])
}

const byLabel = <T extends { label: string }>(a: T, b: T) => a.label.localeCompare(b.label)

/** Pests and diseases to choose from, by name; look-alikes are none. */
export function useTargets() {
  const targets = useCatalogueTargets()
  return computed(() =>
    targets.value
      .filter((t) => t.kind !== 'lookAlike' && !t.isGroup)
      .map((t) => ({
        value: t.id,
        label: t.name,
        noSpray: t.noSpray,
        also: [...(t.alsoCalled ?? []), t.latinName ?? ''],
      }))
      .sort(byLabel),
  )
}

/** Everything that something may be called: kinds, and names for a whole group. */
export function useNames() {
  const targets = useCatalogueTargets()
  const options = (isGroup: boolean) =>
    computed(() =>
      targets.value
        .filter((t) => t.isGroup === isGroup)
        .map((t) => ({ value: t.id, label: t.name }))
        .sort(byLabel),
    )
  return { all: options(false), groups: options(true) }
}
