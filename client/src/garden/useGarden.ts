import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { createSharedComposable } from '@vueuse/core'
import { computed, type MaybeRefOrGetter, ref, toValue, watch } from 'vue'
import { useRoute } from 'vue-router'
import { answer, api, type Problem, type Schemas } from '@/api/client'
import { inSentence } from '@/kit/format'
import { useKept } from '@/kit/useKept'
import { chosenGardenKey, gardenToOpen } from './chosenGarden'
import { readAnew } from './readAnew'

export type Garden = Schemas['GardenAnswer']
export type Planting = Schemas['PlantingAnswer']
export type Place = Schemas['PlaceAnswer']

/** All query keys, so that a write can drop what it made old. */
export const keys = {
  state: ['state'] as const,
  home: ['home'] as const,
  garden: (id: string) => ['garden', id] as const,
  of: (id: string, ...what: unknown[]) => ['garden', id, ...what] as const,
  catalogue: (...what: string[]) => ['catalogue', ...what] as const,
}

/** Which gardens there are, and whether this is the demo. */
export function useAppState() {
  return useQuery({ queryKey: keys.state, queryFn: () => answer(api.GET('/api/state')) })
}

/** Whether people sign in here, and whom this device belongs to. */
export function useHome() {
  return useQuery({ queryKey: keys.home, queryFn: () => answer(api.GET('/api/home')), staleTime: 60_000 })
}

const chosenMember = useKept<Record<string, string>>('mauvaise-member', {})
const chosenGarden = useKept<string | null>(chosenGardenKey, null)

/** The garden on screen with its people, places and clock: read once for all that look at it. */
export const useGarden = createSharedComposable(() => {
  const state = useAppState()
  const home = useHome()
  const gardenId = computed(() => gardenToOpen(state.data.value?.gardens ?? [], chosenGarden.value)?.id ?? '')
  /** Who is signed in, as one of this garden's household; null where nobody signs in. */
  const standing = computed(
    () => home.data.value?.person?.gardens.find((g) => g.gardenId === gardenId.value) ?? null,
  )
  const query = useQuery({
    queryKey: computed(() => keys.garden(gardenId.value)),
    queryFn: () =>
      answer(api.GET('/api/gardens/{gardenId}', { params: { path: { gardenId: gardenId.value } } })),
    enabled: computed(() => gardenId.value !== ''),
  })
  const garden = computed(() => query.data.value)
  /** The garden's own day, as "2026-07-16"; empty until it is known. */
  const today = computed(() => garden.value?.localNow.slice(0, 10) ?? '')
  const memberId = computed(
    () =>
      standing.value?.memberId ??
      garden.value?.members.find((m) => m.id === chosenMember.value[gardenId.value])?.id ??
      garden.value?.members[0]?.id ??
      null,
  )
  const choose = (id: string) => (chosenMember.value = { ...chosenMember.value, [gardenId.value]: id })
  const open = (id: string) => (chosenGarden.value = id)
  const plantings = computed(
    () => garden.value?.places.flatMap((place) => place.plantings.map((p) => ({ ...p, place }))) ?? [],
  )
  /** What grows, to choose from. */
  const plantingOptions = computed(() =>
    plantings.value.map((p) => ({ id: p.id, label: `${p.place.name}: ${inSentence(p.cropName)}` })),
  )
  return {
    state,
    home,
    gardenId,
    garden,
    today,
    query,
    memberId,
    standing,
    choose,
    open,
    plantings,
    plantingOptions,
  }
})

/** Reads what all screens show of the garden again when a screen opens and it was read a while ago. */
export function useGardenAnew() {
  const client = useQueryClient()
  const route = useRoute()
  const { gardenId } = useGarden()
  watch(
    () => route.path,
    () => {
      for (const queryKey of [keys.state, keys.home, keys.garden(gardenId.value)])
        void client.refetchQueries(
          { queryKey, exact: true, type: 'active', stale: true },
          { cancelRefetch: false },
        )
    },
  )
}

/** Reads something of the garden; `what` names it and its arguments. */
export function useGardenQuery<T>(
  what: MaybeRefOrGetter<readonly unknown[]>,
  read: (gardenId: string) => Promise<T>,
  enabled: MaybeRefOrGetter<boolean> = true,
) {
  const { gardenId } = useGarden()
  return useQuery({
    queryKey: computed(() => keys.of(gardenId.value, ...toValue(what))),
    queryFn: () => read(gardenId.value),
    enabled: computed(() => gardenId.value !== '' && toValue(enabled)),
    placeholderData: keepPreviousData,
  })
}

/** A write to the garden: whatever was read of it is read again afterwards. */
export function useGardenWrite<Out, In = void>(write: (gardenId: string, input: In) => Promise<Out>) {
  const client = useQueryClient()
  const { gardenId } = useGarden()
  return useMutation<Out, Problem, In>({
    mutationFn: (input) => write(gardenId.value, input),
    onSuccess: () => readAnew(client, keys.garden(gardenId.value)),
  })
}

/** What an edit sends beside its body: the last deed that its form had seen. */
type SeenHeader = { 'X-Seen'?: string; 'X-Over'?: 'true' }

/**
 * Changes something that somebody else may have changed since this form was opened: what only one of both changed is kept from each,
 * and what both changed is refused with `changed-meanwhile`. `insist` writes over what both changed, and over nothing else.
 */
export function useGardenEdit<Out, In = void>(
  write: (gardenId: string, headers: SeenHeader, input: In) => Promise<Out>,
) {
  const { garden } = useGarden()
  /** 0 in a garden where nothing was written yet. */
  const latest = () => (garden.value ? (garden.value.lastDeed?.id ?? 0) : undefined)
  const seen = ref(latest())
  const writing = useGardenWrite((gardenId, { input, over }: { input: In; over: boolean }) =>
    write(
      gardenId,
      seen.value === undefined ? {} : { 'X-Seen': String(seen.value), ...(over && { 'X-Over': 'true' }) },
      input,
    ),
  )
  const send = async (input: In, over: boolean) => {
    const out = await writing.mutateAsync({ input, over })
    seen.value = latest()
    return out
  }
  return {
    error: writing.error,
    isPending: writing.isPending,
    isSuccess: writing.isSuccess,
    save: (input: In) => send(input, false),
    insist: (input: In) => send(input, true),
    /** The form was filled anew with what is there now. */
    opened: () => {
      writing.reset()
      seen.value = latest()
    },
  }
}
