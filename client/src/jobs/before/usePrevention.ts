import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenWrite } from '@/garden/useGarden'

/** Says of work before trouble that it is done, taken on for a day, or let be this season. */
export function usePrevention() {
  const { memberId } = useGarden()
  const say = useGardenWrite(
    (
      gardenId,
      said: {
        work: { plantingId: string; step: string }[]
        word: Schemas['PreventionWord']
        on?: string
      },
    ) =>
      answer(
        api.POST('/api/gardens/{gardenId}/prevention', {
          params: { path: { gardenId } },
          body: {
            items: said.work.map((w) => ({
              id: crypto.randomUUID(),
              plantingId: w.plantingId,
              step: w.step,
            })),
            word: said.word,
            on: said.on ?? null,
            memberId: memberId.value,
          },
        }),
      ),
  )
  return { say }
}
