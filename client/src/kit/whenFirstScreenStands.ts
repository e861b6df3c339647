import { useIsFetching } from '@tanstack/vue-query'
import { watchDebounced } from '@vueuse/core'

/** When nothing was asked for so long, the first screen stands. */
const stillMs = 500

/** Does once, when the first screen stands, what would hold it up on a slow line. */
export function whenFirstScreenStands(then: () => void) {
  const { stop } = watchDebounced(
    useIsFetching(),
    (asked) => {
      if (asked > 0) return
      stop()
      then()
    },
    { debounce: stillMs, immediate: true },
  )
}
