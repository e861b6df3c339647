import { ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'

export type Town = Schemas['TownAnswer']

/** Towns by what is typed; a late answer never takes the place of a newer one. */
export function useTowns() {
  const towns = ref<Town[]>([])
  const trouble = ref('')
  /** Something was looked for, and nothing is called that. */
  const none = ref(false)
  let asked = 0
  async function find(name: string) {
    const mine = ++asked
    try {
      const found = await answer(api.GET('/api/catalogue/towns', { params: { query: { name } } }))
      if (mine === asked) [towns.value, none.value, trouble.value] = [found, found.length === 0, '']
    } catch (error) {
      if (mine === asked) trouble.value = (error as Error).message
    }
  }
  return { towns, none, trouble, find }
}
