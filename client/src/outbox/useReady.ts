import { languageHeader } from '@/api/client'
import { useEventListener, useIntervalFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useGarden } from '@/garden/useGarden'
import { useKept } from '@/kit/useKept'

/** How long what is on the device counts as fresh. */
const freshForMs = 30 * 60_000

/** By garden, when all that an evening needs was last fetched, by this device's clock. */
const fetchedAt = useKept<Record<string, number>>('mauvaise-ready', {})

/** What an evening out of reach of the network reads: addresses as the screens ask for them. */
export function needed(gardenId: string): string[] {
  const garden = `/api/gardens/${gardenId}`
  return [
    '/api/state',
    '/api/home',
    garden,
    ...['round', 'board', 'decide', 'plan', 'check-backs', 'batches/left', 'shelf', 'bench', 'naming'].map(
      (what) => `${garden}/${what}`,
    ),
    ...['signs', 'crop-signs', 'targets', 'groups', 'materials', 'crops'].map(
      (what) => `/api/catalogue/${what}`,
    ),
  ]
}

/** Fetches what an evening needs, so that it is on the device; the service worker keeps it. */
export function useReady() {
  const { gardenId, plantings } = useGarden()
  const busy = ref(false)
  /** Without a service worker nothing is kept, so nothing is fetched. */
  const keeps = () => 'serviceWorker' in navigator && navigator.serviceWorker.controller !== null

  async function fetchAll() {
    if (busy.value || !gardenId.value || !keeps()) return
    busy.value = true
    const id = gardenId.value
    try {
      // One after the other: the screen that is open comes first.
      for (const address of needed(id)) if (!(await fetch(address, { headers: languageHeader() })).ok) return
      fetchedAt.value = { ...fetchedAt.value, [id]: Date.now() }
    } catch {
      // No network: what is on the device stays as it is.
    } finally {
      busy.value = false
    }
  }

  return {
    at: computed(() => fetchedAt.value[gardenId.value]),
    busy,
    keeps,
    fetchAll,
    /** Fetches now, and again whenever it is no longer fresh. */
    keepReady() {
      const when = () => {
        if (Date.now() - (fetchedAt.value[gardenId.value] ?? 0) > freshForMs) void fetchAll()
      }
      watch(
        () => plantings.value.length > 0,
        (there) => there && when(),
        { immediate: true },
      )
      // On a first visit the worker comes after the garden.
      useEventListener(navigator.serviceWorker, 'controllerchange', when)
      useIntervalFn(when, freshForMs)
    },
  }
}
