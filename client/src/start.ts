import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import PrimeVue from 'primevue/config'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router'
import { MauvaisePreset } from './theme'

const queryClient = new QueryClient({
  defaultOptions: {
    queries: { staleTime: 15_000, retry: 1, networkMode: 'always' },
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
