import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import PrimeVue from 'primevue/config'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router'
import { MauvaisePreset } from './theme'

const queryClient = new QueryClient({
  defaultOptions: {
    // What was answered is replaced and never changed: it need not be watched in its depths.
    queries: { staleTime: 15_000, retry: 1, networkMode: 'always', shallow: true },
    mutations: { networkMode: 'always' },
  },
})

createApp(App)
  .use(router)
  .use(VueQueryPlugin, { queryClient })
  .use(PrimeVue, {
    theme: {
      preset: MauvaisePreset,
      // Both themes come from our own variables, so PrimeVue never switches.
      options: { darkModeSelector: false, cssLayer: { name: 'primevue', order: 'primevue' } },
    },
  })
  .mount('#app')
