import { alias } from './vite.shared.ts'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  plugins: [vue()],
  resolve: { alias },
  test: {
    reporters: ['default', './tests/support/closing-line.ts'],
    projects: [
      {
        extends: true,
        test: {
          name: 'core',
          environment: 'node',
          include: ['src/{core,press,cli,server}/**/*.test.ts', 'tests/**/*.test.ts'],
          testTimeout: 60_000,
        },
      },
      { extends: true, test: { name: 'web', environment: 'happy-dom', include: ['src/web/**/*.test.ts'] } },
    ],
  },
})
