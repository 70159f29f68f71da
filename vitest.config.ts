import { availableParallelism } from 'node:os'
import { alias } from './vite.shared.ts'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  plugins: [vue()],
  resolve: { alias },
  test: {
    // Vitest leaves one processor to itself, which on a machine of two halves the speed.
    maxWorkers: availableParallelism(),
    reporters: ['default', './tests/support/closing-line.ts'],
    projects: [
      {
        extends: true,
        test: {
          name: 'core',
          environment: 'node',
          // Pure code needs no fresh world a file, and loading it 90 times costs more than the tests.
          isolate: false,
          include: ['src/{core,press,solver,cli}/**/*.test.ts', 'tests/**/*.test.ts'],
          testTimeout: 60_000,
        },
      },
      // Its disks are made to fail, so each file has the modules to itself.
      { extends: true, test: { name: 'server', environment: 'node', include: ['src/server/**/*.test.ts'], testTimeout: 60_000 } },
      // A fresh world a file took longer than the tests; each test takes back what it changes of the page.
      {
        extends: true,
        test: { name: 'web', environment: 'happy-dom', isolate: false, testTimeout: 60_000, include: ['src/web/**/*.test.ts'] },
      },
    ],
  },
})
