import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { type MaybeRefOrGetter, toValue } from 'vue'
import { answer, api, Problem, type Schemas } from '@/api/client'
import { readAnew } from '@/garden/readAnew'
import { keys } from '@/garden/useGarden'
import { tell } from '@/language'
import { deviceName } from './useEntry'

/** A passkey belongs to a name: an address of numbers has none. */
const named = () => !/^[\d.]+$|:/.test(window.location.hostname)

/** Whether this browser can make and show passkeys here. */
export const canPasskey = () =>
  window.isSecureContext &&
  named() &&
  'PublicKeyCredential' in window &&
  'parseCreationOptionsFromJSON' in PublicKeyCredential

/** The device says no, or its owner did: told like what the server refuses. */
async function asked(work: Promise<Credential | null>): Promise<string> {
  try {
    const credential = await work
    if (credential instanceof PublicKeyCredential) return JSON.stringify(credential.toJSON())
  } catch (error) {
    if (!(error instanceof DOMException)) throw error
  }
  throw new Problem('no-passkey', tell('home.theDeviceGaveNoPasskey'))
}

/**
 * Passkeys of who is in, and coming in with one.
 * @param open Whether the list is on screen.
 */
export function usePasskeys(open: MaybeRefOrGetter<boolean> = false) {
  const client = useQueryClient()
  const device = deviceName(navigator.userAgent)
  const list = useQuery({
    queryKey: [...keys.home, 'passkeys'],
    queryFn: () => answer(api.GET('/api/home/passkeys')),
    enabled: () => toValue(open),
  })
  const anew = { onSuccess: () => readAnew(client, keys.home) }
  return {
    list,
    add: useMutation<unknown, Problem, string | null>({
      mutationFn: async (name) => {
        const ask = await answer(api.POST('/api/home/passkeys/ask', { body: { name } }))
        const publicKey = PublicKeyCredential.parseCreationOptionsFromJSON(
          JSON.parse(ask.options) as PublicKeyCredentialCreationOptionsJSON,
        )
        const credential = await asked(navigator.credentials.create({ publicKey }))
        return answer(api.POST('/api/home/passkeys', { body: { try: ask.try, credential, device, name } }))
      },
      ...anew,
    }),
    remove: useMutation<unknown, Problem, string>({
      mutationFn: (id) => answer(api.DELETE('/api/home/passkeys/{id}', { params: { path: { id } } })),
      ...anew,
    }),
    signIn: useMutation<Schemas['PersonAnswer'], Problem>({
      mutationFn: async () => {
        const ask = await answer(api.POST('/api/home/passkeys/sign-in/ask'))
        const publicKey = PublicKeyCredential.parseRequestOptionsFromJSON(
          JSON.parse(ask.options) as PublicKeyCredentialRequestOptionsJSON,
        )
        const credential = await asked(navigator.credentials.get({ publicKey }))
        return answer(api.POST('/api/home/passkeys/sign-in', { body: { try: ask.try, credential, device } }))
      },
      // What was read before is forgotten.
      onSuccess: () => client.resetQueries(),
    }),
  }
}
