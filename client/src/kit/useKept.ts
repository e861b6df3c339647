import { useStorage, type useLocalStorage } from '@vueuse/core'

/** Something that is kept on this device; where the browser keeps nothing it lasts as long as the page. */
export const useKept = ((key: string, initial: unknown, options = {}) =>
  // It looks for the device's storage itself, and goes on without where it may not have it.
  useStorage(key, initial, undefined, options)) as typeof useLocalStorage
