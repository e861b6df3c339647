import { tell } from '@/language'
import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { answer, api, type Problem, type Schemas } from '@/api/client'

/** What this device is called in the household's list, as well as the browser knows. */
export function deviceName(agent: string): string {
  const device = (
    [
      [/iPhone/, 'iPhone'],
      [/iPad/, 'iPad'],
      [/Android/, tell('home.androidPhone')],
      [/Macintosh/, 'Mac'],
      [/Windows/, tell('home.windowsComputer')],
      [/Linux/, tell('home.linuxComputer')],
    ] as const
  ).find(([sign]) => sign.test(agent))?.[1]
  return device ?? tell('home.aDevice')
}

/** Coming in with a code or a pass phrase, and going out. What was read before is forgotten. */
export function useEntry() {
  const client = useQueryClient()
  const device = deviceName(navigator.userAgent)
  const anew = { onSuccess: () => client.resetQueries() }
  return {
    join: useMutation<Schemas['PersonAnswer'], Problem, string>({
      mutationFn: (key) => answer(api.POST('/api/home/join', { body: { key, device } })),
      ...anew,
    }),
    signIn: useMutation<Schemas['PersonAnswer'], Problem, { name: string; passPhrase: string }>({
      mutationFn: (body) => answer(api.POST('/api/home/sign-in', { body: { ...body, device } })),
      ...anew,
    }),
    signOut: useMutation<unknown, Problem>({
      mutationFn: () => answer(api.POST('/api/home/sign-out')),
      ...anew,
    }),
    setPassPhrase: useMutation<unknown, Problem, { name: string; passPhrase: string }>({
      mutationFn: (body) => answer(api.PUT('/api/home/pass-phrase', { body })),
      ...anew,
    }),
  }
}
