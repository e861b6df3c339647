import { afterEach, beforeEach, expect } from 'vitest'
import { defineComponent, h } from 'vue'
import { useGarden } from '@/garden/useGarden'
import { open, type Server } from './mounted'
import { recorded } from './recorded'

/** What is used by a screen that shows nothing else. */
export async function using<T>(use: () => T, server: Server = recorded) {
  let used: T | undefined
  const screen = await open(
    '/',
    server,
    defineComponent({
      setup() {
        used = use()
        return () => h('p', 'here')
      },
    }),
  )
  if (used === undefined) throw new Error('nothing was used')
  return { used, screen }
}

/** The same with the garden that every screen knows. */
export async function usingGarden<T>(use: () => T, server: Server = recorded) {
  const made = await using(() => ({ of: useGarden(), it: use() }), server)
  await expect.poll(() => made.used.of.garden.value).toBeDefined()
  return { it: made.used.it, of: made.used.of, screen: made.screen }
}

/** The app as recorded, and the addresses that it was asked for. */
export function listening(server: Server = recorded) {
  const asked: string[] = []
  return {
    asked,
    server: ((request) => {
      const { pathname, search } = new URL(request.url)
      asked.push(pathname + search)
      return server(request)
    }) satisfies Server,
  }
}

/** Gives the made-up page something that it has not, or has otherwise. */
export function give(owner: object, name: string, value: unknown) {
  const before = Object.getOwnPropertyDescriptor(owner, name)
  Object.defineProperty(owner, name, { configurable: true, writable: true, value })
  given.push(() =>
    before ? Object.defineProperty(owner, name, before) : Reflect.deleteProperty(owner, name),
  )
}
const given: (() => void)[] = []
beforeEach(() => {
  localStorage.clear()
  window.dispatchEvent(new StorageEvent('storage', { key: null, storageArea: localStorage }))
})
afterEach(() => {
  for (const back of given.splice(0)) back()
})
