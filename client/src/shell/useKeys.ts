import { tell } from '@/language'
import { useKept } from '@/kit/useKept'
import { useEventListener } from '@vueuse/core'
import { onScopeDispose, ref } from 'vue'
import { useRouter } from 'vue-router'
import { useUndo } from './useUndo'

export interface Shortcut {
  key: string
  does: string
}

const jobs: Record<string, { route: string; does: string }> = {
  b: { route: 'board', does: tell('board.board') },
  w: { route: 'walk', does: tell('shell.walkCountLeaves') },
  d: { route: 'decide', does: tell('shell.decideTheStepsAgainstWhat') },
  r: { route: 'rota', does: tell('shell.rotaThePlanOfTheFortnight') },
  m: { route: 'bench', does: tell('shell.benchMixASpray') },
  h: { route: 'hours', does: tell('place.goodHours') },
  c: { route: 'check-backs', does: tell('checkback.checkBack') },
  l: { route: 'ledger', does: tell('shell.ledgerEverythingDone') },
  t: { route: 'trials', does: tell('ledger.trials') },
  y: { route: 'almanac', does: tell('shell.almanacTheSeasonLookedBack') },
  g: { route: 'garden', does: tell('shell.gardenPlacesAndPlantings') },
  k: { route: 'weather', does: tell('shell.weatherWhatIsKnown') },
}

/** What `?` lists. */
export const shortcuts: Shortcut[] = [
  ...Object.entries(jobs).map(([key, job]) => ({ key, does: job.does })),
  { key: 'u', does: tell('shell.undoTheLastThingWritten') },
  { key: '/', does: tell('shell.findAPlaceCropOrScreen') },
  { key: '?', does: tell('shell.thisList') },
  { key: '↑ ↓ Enter', does: tell('shell.onTheBoardChooseAPlace') },
  { key: '← → + −', does: tell('shell.onTheBoardMoveAndZoom') },
  { key: 'a s d 5', does: tell('shell.onACountCleanAffectedOne') },
  { key: 'f e', does: tell('shell.onACountOfTwoTroubles') },
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
export const lettersOn = useKept('mauvaise-letters', true)

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

/** True where Enter has a meaning of its own; on a heading or on the bare page it has none. */
export const isControl = (target: EventTarget | null): boolean =>
  target instanceof Element && target.closest('a, button, summary, [tabindex="0"]') !== null

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
