import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { answer, api } from '@/api/client'
import { keys } from './useGarden'
import { useOwnKinds } from './useOwnKinds'

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
  const { troubles } = useOwnKinds()
  return computed(() =>
    [
      ...targets.value
        .filter((t) => t.kind !== 'lookAlike' && !t.isGroup)
        .map((t) => ({
          value: t.id,
          label: t.name,
          noSpray: t.noSpray,
          also: [...(t.alsoCalled ?? []), t.latinName ?? ''],
        })),
      ...troubles.value.map((t) => ({ value: t.id, label: t.name, noSpray: false, also: t.alsoCalled })),
    ].sort(byLabel),
  )
}

/** Everything that something may be called: the kinds that are listed, names for a whole group, and all kinds with one's own among them. */
export function useNames() {
  const targets = useCatalogueTargets()
  const { troubles } = useOwnKinds()
  const named = (isGroup: boolean) =>
    computed(() =>
      targets.value
        .filter((t) => t.isGroup === isGroup)
        .map((t) => ({ value: t.id, label: t.name }))
        .sort(byLabel),
    )
  const listed = named(false)
  const all = computed(() =>
    [...listed.value, ...troubles.value.map((t) => ({ value: t.id, label: t.name }))].sort(byLabel),
  )
  return { all, listed, groups: named(true) }
}
