import { tell } from '@/language'
import { ref } from 'vue'
import { Problem } from '@/api/client'
import { useGarden } from '@/garden/useGarden'
import { useOutbox } from '@/outbox/useOutbox'
import type { useLook } from './useLook'
import { keptPhotos } from './keptPhotos'
import { useWalk } from './useWalk'

/** Saves a look with its photos, through the outbox: sent now, or kept on this device and sent later. */
export function useSaveLook(look: ReturnType<typeof useLook>, plantingId: string) {
  const { gardenId, memberId } = useGarden()
  const outbox = useOutbox()
  const walk = useWalk()
  const saving = ref(false)
  const problem = ref<Problem | null>(null)

  async function save(): Promise<{ id: string; sent: boolean } | null> {
    saving.value = true
    problem.value = null
    try {
      const walkId = await walk.begin()
      const body = look.toObservation(plantingId, memberId.value, walkId)
      const delivery = await outbox.post({
        gardenId: gardenId.value,
        method: 'POST',
        path: `/api/gardens/${gardenId.value}/observations`,
        body: { ...body },
        words: tell('walk.aCount'),
        stamp: true,
      })
      for (const id of look.draft.value.photos) {
        const photo = await keptPhotos.get(id)
        if (photo) {
          await outbox.post({
            gardenId: gardenId.value,
            method: 'PUT',
            path: `/api/gardens/${gardenId.value}/observations/${body.id}/photos/${id}`,
            photo,
            words: tell('walk.aPhoto'),
          })
        }
        await keptPhotos.drop(id)
      }
      walk.saw(walkId, plantingId)
      look.clear()
      return { id: body.id, sent: delivery.sent }
    } catch (error) {
      if (!(error instanceof Problem)) throw error
      problem.value = error
      return null
    } finally {
      saving.value = false
    }
  }

  return { saving, problem, save }
}
