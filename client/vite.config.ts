import { fileURLToPath, URL } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  plugins: [vue()],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  build: {
    outDir: fileURLToPath(new URL('../src/Mauvaise.Web/wwwroot', import.meta.url)),
    emptyOutDir: true,
    target: 'baseline-widely-available',
  },
  server: { port: 5173, strictPort: true, proxy: { '/api': 'http://127.0.0.1:5290' } },
  test: {
    environment: 'jsdom',
    include: ['tests/**/*.spec.ts'],
    setupFiles: ['tests/setup.ts'],
  },
})
