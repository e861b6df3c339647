import { computed, type Ref, ref } from 'vue'
import { useKept } from '@/kit/useKept'
import type { Schemas } from '@/api/client'

/** A trouble of the look: its number is the bit it has in a leaf. */
export interface Trouble {
  /** Made here, so that sending twice is harmless. */
  id: string
  signs: string[]
  severityPercent: number | null
}

export interface Look {
  /** Each leaf in the order it was turned over: 0 clean, 1 the first trouble, 2 the second, 3 both. */
  leaves: number[]
  /** What is counted one by one, where it is not leaves. */
  on: Schemas['CountedOn']
  /** Where plants are counted: by number from 1, 0 not looked at, 1 clean, 2 affected; null for leaves. */
  plants: number[] | null
  troubles: Trouble[]
  ants: Schemas['Ants']
  helpers: number
  mummies: number
  part: Schemas['PlantPart']
  side: Schemas['BedSide']
  roots: Schemas['RootCheck']
  note: string
  /** Photos that wait on this device, by id. */
  photos: string[]
}

const emptyTrouble = (): Trouble => ({ id: crypto.randomUUID(), signs: [], severityPercent: null })

/** What is sent of what nobody said. */
export const nothingSaid = {
  ants: 'unsaid',
  helpers: 0,
  mummies: 0,
  part: 'unsaid',
  side: 'unsaid',
  roots: 'notLooked',
} as const satisfies Partial<Look>

export const emptyLook = (): Look => ({
  leaves: [],
  on: 'leaves',
  plants: null,
  troubles: [emptyTrouble()],
  ...nothingSaid,
  note: '',
  photos: [],
})

export const affectedBy = (leaves: readonly number[], trouble: number) =>
  leaves.filter((leaf) => leaf & (1 << trouble)).length

/** A look under way, kept on the device until it is sent: a reload or a lost network loses nothing. */
export function useLook(name: string) {
  const draft: Ref<Look> = useKept<Look>(`mauvaise-look-${name}`, emptyLook(), {
    mergeDefaults: true,
  })
  /** The trouble whose signs are on screen. */
  const chosen = ref(0)
  /** Plants with a mark, by number. */
  const marked = (mark: number) => (draft.value.plants ?? []).flatMap((m, i) => (m === mark ? [i + 1] : []))
  const looked = computed(() =>
    draft.value.plants ? marked(1).length + marked(2).length : draft.value.leaves.length,
  )
  const affected = computed(() =>
    draft.value.plants
      ? [marked(2).length]
      : draft.value.troubles.map((_, i) => affectedBy(draft.value.leaves, i)),
  )
  const trouble = computed(() => draft.value.troubles[chosen.value] ?? (draft.value.troubles[0] as Trouble))
  const found = computed(
    () =>
      (affected.value[0] ?? 0) > 0 ||
      draft.value.leaves.some((leaf) => leaf > 0) ||
      draft.value.troubles.some((t) => t.signs.length > 0),
  )

  return {
    draft,
    chosen,
    looked,
    affected,
    trouble,
    found,
    /** Turns to counting plants, or back to leaves. */
    byPlant(count: number | null) {
      draft.value.plants = count === null ? null : Array<number>(count).fill(0)
      draft.value.troubles.splice(1)
      chosen.value = 0
    },
    add: (leaf: number, times = 1) => draft.value.leaves.push(...Array<number>(times).fill(leaf)),
    back: () => draft.value.leaves.pop(),
    toggleSign(sign: string) {
      const signs = trouble.value.signs
      const at = signs.indexOf(sign)
      if (at < 0) signs.push(sign)
      else signs.splice(at, 1)
    },
    addTrouble() {
      draft.value.troubles.push(emptyTrouble())
      chosen.value = draft.value.troubles.length - 1
    },
    /** Takes the second trouble off; its leaves count as what else was on them. */
    dropTrouble() {
      draft.value.troubles.splice(1)
      draft.value.leaves = draft.value.leaves.map((leaf) => leaf & 1)
      chosen.value = 0
    },
    clear() {
      draft.value = emptyLook()
      chosen.value = 0
    },
    /** What is sent. */
    toObservation(
      plantingId: string,
      memberId: string | null,
      walkId: string | null = null,
    ): Schemas['NewObservation'] {
      const { on, plants, troubles, note, ants, helpers, mummies, part, side, roots } = draft.value
      const [first = emptyTrouble(), ...rest] = troubles.map((t, i) => {
        const leavesAffected = affected.value[i] ?? 0
        return {
          id: t.id,
          leavesAffected,
          signs: t.signs.map((sign) => ({ sign, present: true })),
          severityPercent: leavesAffected > 0 ? t.severityPercent : null,
        }
      })
      return {
        ...(first as Schemas['FurtherTrouble']),
        plantingId,
        memberId,
        walkId,
        leavesLooked: looked.value,
        on,
        plants: plants && marked(2),
        ants,
        helpers,
        mummies,
        part,
        side,
        roots,
        note: note || null,
        also: rest,
      }
    },
  }
}
