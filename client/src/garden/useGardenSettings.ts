import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenWrite } from './useGarden'

/** Changes how the garden is run; what is not given stays as it is. */
export function useGardenSettings() {
  const { garden, memberId } = useGarden()
  return useGardenWrite((gardenId, change: Partial<Schemas['GardenSettings']>) =>
    answer(
      api.PUT('/api/gardens/{gardenId}/settings', {
        params: { path: { gardenId } },
        body: {
          stance: garden.value?.stance ?? 'watchAndTreat',
          kitchen: garden.value?.kitchen ?? 'metric',
          memberId: memberId.value,
          ...change,
        },
      }),
    ),
  )
}
