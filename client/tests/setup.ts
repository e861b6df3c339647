import { indexedDB } from 'fake-indexeddb'
import { speak } from '@/language'

/** A page in English, as the controls and drawings expect it. */
async function setTheStage() {
  // PrimeVue's overlays ask for this; jsdom has none.
  window.matchMedia ??= (query: string) =>
    ({
      matches: false,
      media: query,
      addEventListener() {},
      removeEventListener() {},
    }) as unknown as MediaQueryList

  // jsdom would take PrimeVue's styles apart in each test, and never draw by them.
  const usual = Object.getOwnPropertyDescriptor(Node.prototype, 'textContent') as PropertyDescriptor
  Object.defineProperty(HTMLStyleElement.prototype, 'textContent', {
    ...usual,
    set(this: HTMLStyleElement, value: string) {
      if (!this.dataset.primevueStyleId) usual.set?.call(this, value)
    },
  })

  // jsdom lays nothing out: nothing scrolls, and nothing ever changes its size.
  window.scrollTo = () => {}
  window.ResizeObserver ??= class {
    observe() {}
    unobserve() {}
    disconnect() {}
  }
  await speak('en')
}

// Specs that ask for no page, with "@vitest-environment node" in their first line, have none made for them.
if ('document' in globalThis) await setTheStage()

// What waits to be sent is kept in the browser's own database; jsdom has none.
globalThis.indexedDB = indexedDB
