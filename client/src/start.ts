import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import PrimeVue from 'primevue/config'
import { createApp } from 'vue'
import App from './App.vue'
import { useGarden } from './garden/useGarden'
import { controlWords } from './kit/controlWords'
import { nextTurn } from './kit/nextTurn'
import { router } from './router'

const queryClient = new QueryClient({
  defaultOptions: {
    // What was answered is replaced and never changed: it need not be watched in its depths.
    queries: { staleTime: 15_000, retry: 1, networkMode: 'always', shallow: true },
    mutations: { networkMode: 'always' },
  },
})

/** Puts the app where the page has room for it, in turns between which a touch is answered. */
export async function start() {
  // From here on the first screen is looked for.
  const app = createApp(App).use(router)
  await nextTurn()
  // How its controls look is reckoned when the client is built.
  app.use(VueQueryPlugin, { queryClient }).use(PrimeVue, { theme: 'none', locale: controlWords() })
  // All screens share it; the first is not held up by its making.
  app.runWithContext(useGarden)
  await nextTurn()
  app.mount('#app')
}
