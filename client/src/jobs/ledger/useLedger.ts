import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenQuery } from '@/garden/useGarden'

const page = 100

/** What of the ledger is wanted. It lives in the address, so that it can be kept, sent and gone back to. */
export interface LedgerAsk {
  kind?: Schemas['LedgerKind']
  from?: string
  to?: string
  place?: string
  material?: string
  target?: string
  member?: string
}

const fields = ['kind', 'from', 'to', 'place', 'material', 'target', 'member'] as const

export function useLedger() {
  const route = useRoute()
  const router = useRouter()
  const { gardenId } = useGarden()
  const ask = computed<LedgerAsk>(() =>
    Object.fromEntries(
      fields.map((f) => [f, typeof route.query[f] === 'string' ? route.query[f] : undefined]),
    ),
  )
  const take = computed(() => Number(route.query.take ?? page))
  const query = useGardenQuery(
    computed(() => ['ledger', ask.value, take.value]),
    (id) =>
      answer(
        api.GET('/api/gardens/{gardenId}/ledger', {
          params: { path: { gardenId: id }, query: { ...ask.value, take: take.value } },
        }),
      ),
  )
  const set = (more: LedgerAsk) =>
    void router.replace({ query: { ...route.query, ...more, take: undefined } })
  const clear = () => void router.replace({ query: {} })
  const more = () => void router.replace({ query: { ...route.query, take: String(take.value + page) } })
  /** Address of the same stretch as a table. */
  const table = computed(() => {
    const wanted = new URLSearchParams(
      Object.entries(ask.value).filter((e): e is [string, string] => typeof e[1] === 'string'),
    )
    return `/api/gardens/${gardenId.value}/ledger/table.csv?${wanted}`
  })
  return { ask, query, set, clear, more, table }
}

/** Every mix with a dose, for what is logged by hand or put in a trial. */
export function useRecipes() {
  return useGardenQuery(['recipes'], (gardenId) =>
    answer(api.GET('/api/gardens/{gardenId}/ledger/recipes', { params: { path: { gardenId } } })),
  )
}
