import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount, type VueWrapper } from '@vue/test-utils'
import PrimeVue from 'primevue/config'
import { afterEach, beforeEach, expect, vi } from 'vitest'
import { type Component, h } from 'vue'
import { RouterView } from 'vue-router'
import { controlWords } from '@/kit/controlWords'
import { router } from '@/router'

/** What answers the requests of a screen that is mounted without the app. */
export type Server = (request: Request) => Promise<Response>

export const json = (body: unknown, status = 200) =>
  new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } })

/** What a screen complained of since the test began. */
export const faults: unknown[] = []

let mounted: VueWrapper | undefined
let onItsWay = 0

/** Mounts a screen, or another component at its address, before a server. */
export async function open(path: string, server: Server, component: Component = RouterView) {
  onItsWay = 0
  vi.stubGlobal('fetch', async (asked: Request | string, init?: RequestInit) => {
    onItsWay++
    try {
      return await server(asked instanceof Request ? asked : new Request(location.origin + asked, init))
    } finally {
      onItsWay--
    }
  })
  await router.push(path)
  mounted = mount(
    { render: () => h(component) },
    {
      attachTo: document.body,
      global: {
        plugins: [
          router,
          [PrimeVue, { theme: 'none', locale: controlWords() }],
          [
            VueQueryPlugin,
            { queryClient: new QueryClient({ defaultOptions: { queries: { retry: false } } }) },
          ],
        ],
        config: { errorHandler: (e) => faults.push(e) },
      },
    },
  )
  return mounted
}

/** The words on screen, without those that first open. */
export function seen(screen: VueWrapper): string {
  const shown = screen.element.parentElement?.cloneNode(true) as HTMLElement
  for (const closed of shown.querySelectorAll('details:not([open]) > :not(summary)')) closed.remove()
  return shown.textContent?.trim() ?? ''
}

/** Waits until something can be had; its time ends what hangs, and judges nothing. */
export const had = <T>(what: () => T): Promise<T> => vi.waitFor(what, { timeout: 20_000 })

/** Waits until a screen has all that it asked for. */
export const settled = (screen: VueWrapper) =>
  had(() => {
    expect(onItsWay).toBe(0)
    const words = seen(screen)
    expect(words).not.toMatch(/One moment\./)
    expect(words).not.toBe('')
  })

/** What a screen reader would call a control. */
export function nameOf(control: Element): string {
  const told = [
    control
      .getAttribute('aria-labelledby')
      ?.split(' ')
      .map((id) => document.getElementById(id)?.textContent)
      .join(' '),
    control.getAttribute('aria-label'),
    control.id && document.querySelector(`label[for="${control.id}"]`)?.textContent,
    control.closest('label')?.textContent,
    control.textContent,
    control.getAttribute('title'),
  ].find((name) => name?.trim())
  return told?.replaceAll(/\s+/g, ' ').trim() ?? ''
}

const named = (name: string | RegExp) => (control: Element) =>
  typeof name === 'string' ? nameOf(control) === name : name.test(nameOf(control))

/** The one control of that name: whole words, or a pattern. */
export function control(selector: string, name: string | RegExp): HTMLElement {
  const all = [...document.querySelectorAll<HTMLElement>(selector)]
  const found = all.filter(named(name))
  if (found.length !== 1)
    throw new Error(`${String(found.length)} of "${String(name)}" among: ${all.map(nameOf).join(' | ')}`)
  return found[0] as HTMLElement
}

export const button = (name: string | RegExp) => control('button, [role=button], summary', name)

/** A tap on a button, and what follows at once. */
export async function press(name: string | RegExp) {
  button(name).click()
  await flushPromises()
}

/** Sets or clears a tick. */
export async function tick(name: string | RegExp) {
  control('input', name).click()
  await flushPromises()
}

/** Types into a field, as whole words at once. */
export async function fill(name: string | RegExp, value: string) {
  const field = control('input, textarea', name) as HTMLInputElement
  field.value = value
  field.dispatchEvent(new Event('input', { bubbles: true }))
  field.dispatchEvent(new Event('change', { bubbles: true }))
  field.dispatchEvent(new Event('blur', { bubbles: true }))
  await flushPromises()
}

/** Chooses from a list, or one more where several may be chosen. */
export async function choose(name: string | RegExp, option: string | RegExp) {
  const list = control('[role=combobox]', name)
  ;(list.closest<HTMLElement>('.p-multiselect') ?? list).click()
  const wanted = await had(() =>
    control(`#${list.getAttribute('aria-controls') ?? 'closed'} [role=option]`, option),
  )
  // One kind of list takes the finger coming down, the other its going up.
  wanted.dispatchEvent(new MouseEvent('mousedown', { bubbles: true }))
  wanted.click()
  await flushPromises()
}

export async function key(letter: string, target: EventTarget = document.body) {
  target.dispatchEvent(new KeyboardEvent('keydown', { key: letter, bubbles: true }))
  await flushPromises()
}

beforeEach(() => {
  faults.length = 0
  vi.spyOn(console, 'warn').mockImplementation((...told) => faults.push(told[0]))
})
afterEach(() => {
  mounted?.unmount()
  mounted = undefined
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
})
