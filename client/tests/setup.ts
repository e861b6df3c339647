import { speak } from '@/language'

// PrimeVue's overlays ask for this; jsdom has none.
window.matchMedia ??= (query: string) =>
  ({
    matches: false,
    media: query,
    addEventListener() {},
    removeEventListener() {},
  }) as unknown as MediaQueryList

await speak('en')
