import { tryOnScopeDispose, useWakeLock } from '@vueuse/core'
import { onMounted } from 'vue'
import { useKept } from '@/kit/useKept'

/** Whether the screen stays on where hands are busy, on this device. */
export const keepAwake = useKept('mauvaise-awake', true)

/** Keeps the screen on while the component is there, where the browser can. */
export function useAwake() {
  const { isSupported, request, release } = useWakeLock()
  onMounted(async () => {
    if (!isSupported.value || !keepAwake.value) return
    try {
      await request('screen')
    } catch {
      // A phone low on battery says no: the screen goes dark as usual.
    }
  })
  tryOnScopeDispose(() => void release())
  return isSupported
}
