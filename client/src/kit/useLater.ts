import { onBeforeUnmount, ref, type Ref } from 'vue'

const waiting: (() => void)[] = []
let asked = false

/** Browsers that do not say when they are idle are given nothing to wait for. */
const idle = (call: () => void) =>
  'requestIdleCallback' in window ? requestIdleCallback(call, { timeout: 500 }) : call()

function next() {
  waiting.shift()?.()
  asked = waiting.length > 0
  if (asked) idle(next)
}

/**
 * Turns true when the browser has nothing more urgent to do, for one after the other in the order in which they asked: so a touch is answered
 * between two of them.
 */
export function useLater(): Readonly<Ref<boolean>> {
  const there = ref(false)
  const turn = () => (there.value = true)
  waiting.push(turn)
  if (!asked) {
    asked = true
    idle(next)
  }
  onBeforeUnmount(() => {
    const at = waiting.indexOf(turn)
    if (at >= 0) waiting.splice(at, 1)
  })
  return there
}
