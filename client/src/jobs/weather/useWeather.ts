import { answer, api } from '@/api/client'
import { useGardenQuery } from '@/garden/useGarden'

/** What is known of the weather, and from whom. */
export function useWeather() {
  return useGardenQuery(['weather'], (gardenId) =>
    answer(api.GET('/api/gardens/{gardenId}/weather', { params: { path: { gardenId } } })),
  )
}
