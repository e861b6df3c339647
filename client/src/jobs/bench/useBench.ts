import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import { useGardenQuery } from '@/garden/useGarden'

/** What is asked of the bench. All of it stands in the address, so that a reload, a link or the mix card shows the same. */
export interface BenchAsk {
  planting: string[]
  target?: string
  recipe?: string
  step?: Schemas['DoseStep']
  sprayer?: string
  size?: number
  add: string[]
  dose?: number
  soap?: string
  bottle?: number
  at?: string
  patch?: boolean
  /** A second trouble that the same filling is against. */
  also?: string
  /** Numbers of the plants that it is for; all of them where there are none. */
  plants: number[]
}

const steps: Schemas['DoseStep'][] = ['gentle', 'usual', 'strong']

export function useBench() {
  const route = useRoute()
  const router = useRouter()
  const one = (name: string) => {
    const value = route.query[name]
    return typeof value === 'string' && value !== '' ? value : undefined
  }
  const many = (name: string) => [route.query[name] ?? []].flat().filter((p): p is string => p !== null)
  const number = (name: string) => {
    const value = Number(one(name))
    return Number.isFinite(value) && value > 0 ? value : undefined
  }
  const ask = computed<BenchAsk>(() => ({
    planting: many('planting'),
    target: one('target'),
    recipe: one('recipe'),
    step: steps.find((s) => s === one('step')),
    sprayer: one('sprayer'),
    size: number('size'),
    add: many('add'),
    dose: number('dose'),
    soap: one('soap'),
    bottle: number('bottle'),
    at: one('at'),
    patch: one('patch') === 'true' || undefined,
    also: one('also'),
    plants: many('plants').map(Number).filter(Number.isInteger),
  }))

  /** Puts a change into the address; what becomes undefined leaves it. */
  function change(more: Partial<BenchAsk>) {
    const query = Object.fromEntries(
      Object.entries({ ...ask.value, ...more })
        .filter(([, v]) => v !== undefined)
        .map(([k, v]) => [k, Array.isArray(v) ? v.map(String) : String(v)]),
    )
    return router.replace({ query })
  }

  const query = useGardenQuery(
    computed(() => ['bench', ask.value]),
    (gardenId) => {
      const { patch, bottle, ...rest } = ask.value
      return answer(
        api.GET('/api/gardens/{gardenId}/bench', {
          params: { path: { gardenId }, query: { ...rest, bottlePercent: bottle, patchTest: patch } },
        }),
      )
    },
  )
  return { ask, change, ...query }
}
