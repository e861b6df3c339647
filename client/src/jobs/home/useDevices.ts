import { computed } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenQuery, useGardenWrite } from '@/garden/useGarden'

/** Phones and links of the household, for who keeps it. */
export function useDevices() {
  const { standing } = useGarden()
  const keeps = computed(() => standing.value?.role === 'owner')
  return {
    keeps,
    devices: useGardenQuery(
      ['devices'],
      (gardenId) => answer(api.GET('/api/gardens/{gardenId}/devices', { params: { path: { gardenId } } })),
      keeps,
    ),
    links: useGardenQuery(
      ['links'],
      (gardenId) => answer(api.GET('/api/gardens/{gardenId}/links', { params: { path: { gardenId } } })),
      keeps,
    ),
    invite: useGardenWrite(
      (gardenId, { memberId, ...body }: Schemas['InviteRequest'] & { memberId: string }) =>
        answer(
          api.POST('/api/gardens/{gardenId}/members/{memberId}/invite', {
            params: { path: { gardenId, memberId } },
            body,
          }),
        ),
    ),
    signOut: useGardenWrite((gardenId, sessionId: string) =>
      answer(
        api.DELETE('/api/gardens/{gardenId}/devices/{sessionId}', {
          params: { path: { gardenId, sessionId } },
        }),
      ),
    ),
    makeLink: useGardenWrite((gardenId, link: Omit<Schemas['NewLink'], 'id'>) =>
      answer(
        api.POST('/api/gardens/{gardenId}/links', {
          params: { path: { gardenId } },
          body: { id: crypto.randomUUID(), ...link },
        }),
      ),
    ),
    endLink: useGardenWrite((gardenId, linkId: string) =>
      answer(
        api.DELETE('/api/gardens/{gardenId}/links/{linkId}', { params: { path: { gardenId, linkId } } }),
      ),
    ),
  }
}
