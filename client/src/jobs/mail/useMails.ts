import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { answer, api, type Problem, type Schemas } from '@/api/client'
import { readAnew } from '@/garden/readAnew'
import { useGarden, useGardenQuery, useGardenWrite } from '@/garden/useGarden'

/** Letters of an evening and the server that brings them, for who keeps the garden. */
export function useMails() {
  const client = useQueryClient()
  const { standing } = useGarden()
  // Where nobody signs in, whoever sits at the machine keeps it.
  const keeps = computed(() => !standing.value || standing.value.role === 'owner')
  const both = () => readAnew(client)
  return {
    keeps,
    mails: useGardenQuery(
      ['mails'],
      (gardenId) => answer(api.GET('/api/gardens/{gardenId}/mails', { params: { path: { gardenId } } })),
      keeps,
    ),
    keep: useGardenWrite((gardenId, { id, ...body }: Schemas['MailRequest'] & { id: string }) =>
      answer(
        api.PUT('/api/gardens/{gardenId}/mails/{mailId}', {
          params: { path: { gardenId, mailId: id } },
          body,
        }),
      ),
    ),
    end: useGardenWrite((gardenId, mailId: string) =>
      answer(
        api.DELETE('/api/gardens/{gardenId}/mails/{mailId}', { params: { path: { gardenId, mailId } } }),
      ),
    ),
    server: useQuery({
      queryKey: ['mail-server'],
      queryFn: () => answer(api.GET('/api/mail-server')),
      enabled: keeps,
    }),
    keepServer: useMutation<unknown, Problem, Schemas['MailServerRequest']>({
      mutationFn: (body) => answer(api.PUT('/api/mail-server', { body })),
      onSuccess: both,
    }),
    forgetServer: useMutation<unknown, Problem>({
      mutationFn: () => answer(api.DELETE('/api/mail-server')),
      onSuccess: both,
    }),
    tryOut: useMutation<unknown, Problem, string>({
      mutationFn: (to) => answer(api.POST('/api/mail-server/try', { body: { to } })),
    }),
  }
}
