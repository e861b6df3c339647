import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { answer, api, type Problem } from '@/api/client'
import { readAnew } from '@/garden/readAnew'
import { keys, useGarden } from '@/garden/useGarden'

/** Deeds up to this one were there when the page was opened. */
const seen = ref<number>()
const dismissed = ref<number>()
/** The deed that somebody asked to take back though it is not of this visit, or not their own. */
const asked = ref<number>()
/** There was nothing to take back when somebody asked. */
const nothing = ref(false)

/** The last write, and taking it back. */
export function useUndo() {
  const client = useQueryClient()
  const { garden, gardenId, memberId } = useGarden()
  const last = computed(() => garden.value?.lastDeed ?? null)
  watch(
    () => garden.value?.id,
    (id) => {
      if (id && seen.value === undefined) seen.value = last.value?.id ?? 0
    },
    { immediate: true },
  )
  /** It was written on this visit, by whoever holds this screen. */
  const own = computed(
    () =>
      last.value !== null &&
      seen.value !== undefined &&
      last.value.id > seen.value &&
      (last.value.memberId === null || last.value.memberId === memberId.value),
  )
  /** What may be taken back with one tap, or was asked for. */
  const offered = computed(() =>
    last.value && last.value.id !== dismissed.value && (own.value || asked.value === last.value.id)
      ? { ...last.value, own: own.value }
      : null,
  )
  const undoing = useMutation<unknown, Problem, number>({
    mutationFn: async (deedId) => {
      await answer(
        api.POST('/api/gardens/{gardenId}/undo', {
          params: { path: { gardenId: gardenId.value } },
          body: { deedId },
        }),
      )
    },
    onSettled: () => readAnew(client, keys.garden(gardenId.value)),
  })
  /** Takes back what is offered. */
  const undo = async () => {
    if (offered.value) await undoing.mutateAsync(offered.value.id).catch(() => undefined)
  }
  /** By key: one's own deed of this visit at once; any other is named and asked about first. */
  const ask = async () => {
    nothing.value = last.value === null
    if (own.value && offered.value) await undo()
    else if (last.value) {
      dismissed.value = undefined
      asked.value = last.value.id
    }
  }
  const dismiss = () => {
    dismissed.value = last.value?.id
    nothing.value = false
  }
  return { offered, nothing, undo, ask, dismiss, problem: undoing.error, busy: undoing.isPending }
}
