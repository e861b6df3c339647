import { onScopeDispose } from 'vue'
import { START_LOCATION, useRouter } from 'vue-router'

/**
 * After a change of page the focus is on the new heading: it is read aloud, and Tab goes on from there instead of through all bars once more. Whoever
 * put the focus somewhere on the new page by then keeps it.
 */
export function useHeadingFocus(main: () => HTMLElement | null) {
  let watching: MutationObserver | undefined
  const heading = () => main()?.querySelector<HTMLElement>('h1') ?? null

  function focusOnceThere(left: HTMLElement | null) {
    const before = document.activeElement
    const tryIt = () => {
      const to = heading()
      if (!to || to === left) return
      watching?.disconnect()
      const now = document.activeElement
      if (now !== before && now !== document.body && now !== null) return
      to.tabIndex = -1
      to.focus({ preventScroll: true })
    }
    watching?.disconnect()
    watching = new MutationObserver(tryIt)
    const page = main()
    if (page) watching.observe(page, { childList: true, subtree: true })
    tryIt()
  }

  const stop = useRouter().afterEach((to, from, failure) => {
    if (!failure && from !== START_LOCATION && to.path !== from.path) focusOnceThere(heading())
  })
  onScopeDispose(() => {
    stop()
    watching?.disconnect()
  })
}
