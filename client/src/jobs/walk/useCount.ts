import { useLocalStorage } from '@vueuse/core'
import { computed, type Ref } from 'vue'
import type { Schemas } from '@/api/client'

export interface CountDraft {
  /** Made here, so that sending twice is harmless. */
  id: string
  /** Each leaf in the order it was turned over; true is affected. */
  leaves: boolean[]
  signs: string[]
  ants: Schemas['Ants']
  helpers: number
  mummies: number
  note: string
}

export function emptyDraft(): CountDraft {
  return { id: crypto.randomUUID(), leaves: [], signs: [], ants: 'none', helpers: 0, mummies: 0, note: '' }
}

/** A count under way, kept on the device until it is sent: a reload or a lost network loses nothing. */
export function useCount(name: string) {
  const draft: Ref<CountDraft> = useLocalStorage<CountDraft>(`mauvaise-count-${name}`, emptyDraft(), {
    mergeDefaults: true,
  })
  const affected = computed(() => draft.value.leaves.filter(Boolean).length)
  const looked = computed(() => draft.value.leaves.length)
  const add = (what: 'clean' | 'affected') => draft.value.leaves.push(what === 'affected')
  const back = () => draft.value.leaves.pop()
  const toggleSign = (sign: string) => {
    const at = draft.value.signs.indexOf(sign)
    if (at < 0) draft.value.signs.push(sign)
    else draft.value.signs.splice(at, 1)
  }
  const clear = () => (draft.value = emptyDraft())
  /** What is sent. */
  const toObservation = (plantingId: string, memberId: string | null): Schemas['NewObservation'] => ({
    id: draft.value.id,
    plantingId,
    leavesLooked: looked.value,
    leavesAffected: affected.value,
    ants: draft.value.ants,
    helpers: draft.value.helpers,
    mummies: draft.value.mummies,
    signs: draft.value.signs.map((sign) => ({ sign, present: true })),
    note: draft.value.note || null,
    memberId,
  })
  return { draft, affected, looked, add, back, toggleSign, clear, toObservation }
}
