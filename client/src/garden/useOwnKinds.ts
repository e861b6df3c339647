import { tell } from '@/language'
import { computed } from 'vue'
import { answer, api } from '@/api/client'
import { useGardenQuery } from './useGarden'

/** Crops and troubles of one's own: all of them, and those that are still offered in the form of the catalogue's. */
export function useOwnKinds() {
  const query = useGardenQuery(['own-kinds'], (gardenId) =>
    answer(api.GET('/api/gardens/{gardenId}/own-kinds', { params: { path: { gardenId } } })),
  )
  const offered = (of: 'crop' | 'trouble') =>
    computed(() =>
      (query.data.value ?? [])
        .filter((k) => k.of === of && !k.retired)
        .map((k) => ({
          id: k.kindId,
          name: tell('garden.yourOwn', { name: k.name }),
          alsoCalled: [k.likeName],
        })),
    )
  return { all: query.data, crops: offered('crop'), troubles: offered('trouble') }
}
