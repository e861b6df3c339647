import { useEventListener, useLocalStorage } from '@vueuse/core'
import { onScopeDispose, ref } from 'vue'
import { useRouter } from 'vue-router'
import { useUndo } from './useUndo'

export interface Shortcut {
  key: string
  does: string
}

const jobs: Record<string, { route: string; does: string }> = {
  b: { route: 'board', does: 'Board' },
  w: { route: 'walk', does: 'Walk: count leaves' },
  d: { route: 'decide', does: 'Decide: the steps against what was found' },
  r: { route: 'rota', does: 'Rota: the plan of the fortnight' },
  m: { route: 'bench', does: 'Bench: mix a spray' },
  h: { route: 'hours', does: 'Good hours' },
  c: { route: 'check-backs', does: 'Check back' },
  l: { route: 'ledger', does: 'Ledger: everything done' },
  t: { route: 'trials', does: 'Trials' },
  y: { route: 'almanac', does: 'Almanac: the season looked back at' },
  g: { route: 'garden', does: 'Garden: places and plantings' },
  k: { route: 'weather', does: 'Weather: what is known, and by whom' },
}

/** What `?` lists. */
export const shortcuts: Shortcut[] = [
  ...Object.entries(jobs).map(([key, job]) => ({ key, does: job.does })),
  { key: 'u', does: 'Undo the last thing written' },
  { key: '/', does: 'Find a place, crop or screen' },
  { key: '?', does: 'This list' },
  { key: '↑ ↓ Enter', does: 'On the Board: choose a place and open it' },
  { key: '← → + −', does: 'On the Board: move and zoom the time' },
  { key: 'a s d 5', does: 'On a count: clean, affected, one back, five clean' },
  { key: 'f e', does: 'On a count of two troubles: the second, both' },
]

/** Keys that the screen at hand has a meaning of its own for: one meaning a key and screen. */
const claimed = ref<ReadonlySet<string>>(new Set())

/** Takes keys for as long as a part of a screen is there. */
export function claimKeys(letters: readonly string[]) {
  claimed.value = new Set([...claimed.value, ...letters])
  onScopeDispose(() => {
    claimed.value = new Set([...claimed.value].filter((k) => !letters.includes(k)))
  })
}

/** Letters that start jobs can be switched off, for whoever speaks to the screen or hits keys by chance. */
export const lettersOn = useLocalStorage('mauvaise-letters', true)

const helpOpen = ref(false)
export const findOpen = ref(false)

/** True while the person types into something, so that letters are letters. */
export function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable ||
      ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName) ||
      target.getAttribute('role') === 'combobox')
  )
}

/** Single letters start the jobs. */
export function useKeys() {
  const router = useRouter()
  const { ask } = useUndo()
  useEventListener(document, 'keydown', (event: KeyboardEvent) => {
    if (
      event.ctrlKey ||
      event.metaKey ||
      event.altKey ||
      isTyping(event.target) ||
      helpOpen.value ||
      !lettersOn.value ||
      claimed.value.has(event.key) ||
      findOpen.value
    )
      return
    const job = jobs[event.key]
    if (job) void router.push({ name: job.route })
    else if (event.key === 'u') void ask()
    else if (event.key === '?') helpOpen.value = true
    else if (event.key === '/') findOpen.value = true
    else return
    event.preventDefault()
  })
  return { helpOpen, findOpen }
}
