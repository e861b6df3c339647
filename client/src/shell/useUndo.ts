import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { answer, api, type Problem } from '@/api/client'
import { keys, useGarden } from '@/garden/useGarden'

/** Deeds up to this one were there when the page was opened. */
const seen = ref<number>()
const dismissed = ref<number>()

/** The last write, and taking it back. */
export function useUndo() {
  const client = useQueryClient()
  const { garden, gardenId } = useGarden()
  const last = computed(() => garden.value?.lastDeed ?? null)
  watch(
    () => garden.value?.id,
    (id) => {
      if (id && seen.value === undefined) seen.value = last.value?.id ?? 0
    },
    { immediate: true },
  )
  /** A write of this visit that was not waved away. */
  const offered = computed(() =>
    last.value && seen.value !== undefined && last.value.id > seen.value && last.value.id !== dismissed.value
      ? last.value
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
    onSettled: () => client.invalidateQueries({ queryKey: keys.garden(gardenId.value) }),
  })
  const undo = async () => {
    if (last.value) await undoing.mutateAsync(last.value.id).catch(() => undefined)
  }
  const dismiss = () => (dismissed.value = last.value?.id)
  return { offered, undo, dismiss, problem: undoing.error, busy: undoing.isPending }
}
