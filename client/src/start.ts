import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import PrimeVue from 'primevue/config'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router'

const queryClient = new QueryClient({
  defaultOptions: {
    // What was answered is replaced and never changed: it need not be watched in its depths.
    queries: { staleTime: 15_000, retry: 1, networkMode: 'always', shallow: true },
    mutations: { networkMode: 'always' },
  },
})

/** Puts the app where the page has room for it. */
export const start = () =>
  createApp(App)
    .use(router)
    .use(VueQueryPlugin, { queryClient })
    // How its controls look is reckoned when the client is built.
    .use(PrimeVue, { theme: 'none' })
    .mount('#app')
