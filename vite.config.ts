import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import { alias, at } from './vite.shared.ts'

export default defineConfig({
  plugins: [vue()],
  logLevel: 'warn',
  resolve: { alias },
  worker: { format: 'es' },
  server: { proxy: { '/api': 'http://127.0.0.1:4173', '/f/': 'http://127.0.0.1:4173', '/follow/': 'http://127.0.0.1:4173' } },
  build: {
    outDir: 'dist/app',
    emptyOutDir: true,
    // The page's policy allows nothing from data addresses.
    assetsInlineLimit: 0,
    target: 'es2022',
    chunkSizeWarningLimit: 900,
    rolldownOptions: {
      checks: { pluginTimings: false },
      input: at('./index.html'),
      output: { codeSplitting: { groups: [{ name: 'vue', test: /node_modules[\\/](@vue|vue|vue-router|pinia)[\\/]/, priority: 30 }] } },
    },
  },
})
