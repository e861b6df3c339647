import { whenFirstScreenStands } from '@/kit/whenFirstScreenStands'

/**
 * Has the app itself kept on the device, by its service worker, for when there is no network. It is fetched whole for that, which waits until
 * the first screen stands: on a slow line each would hold up the other.
 */
export function useKeptApp() {
  // While it is developed there is no worker.
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return
  whenFirstScreenStands(() => {
    // A browser that keeps nothing works with the network alone; what is on the device is told where one sets out.
    navigator.serviceWorker.register('/sw.js', { scope: '/' }).catch(reportError)
  })
}
