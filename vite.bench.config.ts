import { defineConfig } from 'vite'
import { alias, at } from './vite.shared.ts'

/** The bench, bundled as the application is, so that what is measured is what ships. */
export default defineConfig({
  logLevel: 'warn',
  resolve: { alias },
  ssr: { noExternal: true, external: ['highs'] },
  build: {
    ssr: true,
    target: 'node20',
    outDir: 'dist/bench',
    emptyOutDir: true,
    rolldownOptions: { input: { run: at('./bench/run.ts'), worker: at('./bench/worker.ts'), memory: at('./bench/memory.ts') } },
  },
})
