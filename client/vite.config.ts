import { fileURLToPath, URL } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { VitePWA } from 'vite-plugin-pwa'
import { compression } from 'vite-plugin-compression2'
import { defineConfig } from 'vitest/config'
import { styledAtBuild } from './build/controlStyles.ts'
import { messagesReadAtBuild } from './build/messagesRead.ts'
import { piecesAskedForThemselves, startBesideFirst, startPiece } from './build/startPieces.ts'

export default defineConfig({
  plugins: [
    vue(),
    styledAtBuild,
    messagesReadAtBuild,
    piecesAskedForThemselves,
    startBesideFirst,
    // The app and what was last read of the garden stay on the device, for a walk out of reach of the network.
    VitePWA({
      // A new version waits until no page of the old one is open, whose files would be gone.
      registerType: 'prompt',
      // `outbox/useKeptApp.ts` does, when the first screen stands.
      injectRegister: null,
      includeAssets: ['icon.svg', 'apple-touch-icon.png'],
      manifest: {
        id: '/',
        name: 'Mauvaise',
        short_name: 'Mauvaise',
        description: 'Scouting, sprays and records of a vegetable garden.',
        theme_color: '#2b1a33',
        background_color: '#f1eef5',
        display: 'standalone',
        start_url: '/',
        icons: [
          { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' },
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png', purpose: 'any' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'any' },
          { src: '/icon-maskable-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
        ],
        shortcuts: [
          { name: 'Walk', url: '/walk', icons: [{ src: '/icon-192.png', sizes: '192x192' }] },
          { name: 'Tonight', url: '/', icons: [{ src: '/icon-192.png', sizes: '192x192' }] },
        ],
      },
      workbox: {
        // On a first visit the page that is open is kept ready as well.
        clientsClaim: true,
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        navigateFallbackDenylist: [/^\/api\//, /^\/openapi\//],
        runtimeCaching: [
          {
            urlPattern: ({ url }) => url.pathname.startsWith('/api/catalogue/'),
            handler: 'StaleWhileRevalidate',
            options: { cacheName: 'catalogue' },
          },
          {
            urlPattern: ({ url }) =>
              /^\/api\/(state$|home$|gardens\/)/.test(url.pathname) &&
              !/\/(sample|changes)$/.test(url.pathname),
            handler: 'NetworkFirst',
            options: { cacheName: 'garden', networkTimeoutSeconds: 5, expiration: { maxEntries: 300 } },
          },
        ],
      },
    }),
    // Packed once and well, instead of in haste at each request.
    compression({ algorithms: ['brotliCompress'], include: /\.(js|css|svg|webmanifest)$/ }),
  ],
  define: {
    // What is never called need not be read.
    __VUE_PROD_DEVTOOLS__: false,
    __INTLIFY_DROP_MESSAGE_COMPILER__: true,
  },
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  build: {
    outDir: fileURLToPath(new URL('../src/Mauvaise.Web/wwwroot', import.meta.url)),
    emptyOutDir: true,
    target: 'baseline-widely-available',
    modulePreload: { polyfill: false },
    // In pieces it were sixty requests for what fits into one of 24 kB.
    cssCodeSplit: false,
    rolldownOptions: { output: { codeSplitting: { groups: [{ name: startPiece, debugName: 'start' }] } } },
  },
  server: { port: 5173, strictPort: true, proxy: { '/api': 'http://127.0.0.1:5290' } },
  test: {
    environment: 'happy-dom',
    // They start sooner than processes; each spec has modules and a page of its own all the same.
    pool: 'threads',
    // One fewer than there are processors is the usual, which on two of them is one.
    maxWorkers: '100%',
    // Ends what hangs, and judges nothing: the machine may be slow.
    testTimeout: 60_000,
    expect: { poll: { timeout: 20_000 } },
    include: ['tests/**/*.spec.ts'],
    // A test reads it; all other styles are nothing to them.
    css: { include: [/base\.css/] },
    setupFiles: ['tests/setup.ts'],
  },
})
