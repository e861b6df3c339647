import { useQueryClient } from '@tanstack/vue-query'
import { onScopeDispose, watch } from 'vue'
import { page } from '@/api/client'
import { readAnew } from './readAnew'
import { keys, useGarden } from './useGarden'

/** Reads the garden anew when somebody else wrote to it. The browser keeps the line open and takes it up again by itself. */
export function useNews() {
  const client = useQueryClient()
  const { gardenId } = useGarden()
  let line: EventSource | undefined
  const close = () => line?.close()
  watch(
    gardenId,
    (id) => {
      close()
      if (!id || typeof EventSource === 'undefined') return
      line = new EventSource(`/api/gardens/${id}/changes`)
      line.addEventListener('changed', (event: MessageEvent<string>) => {
        if (event.data !== page) void readAnew(client, keys.garden(id))
      })
    },
    { immediate: true },
  )
  onScopeDispose(close)
}
