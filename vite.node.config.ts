import { copyFileSync, mkdirSync } from 'node:fs'
import { defineConfig, type Plugin } from 'vite'
import { alias, at } from './vite.shared.ts'

const FONTS = 'node_modules/@expo-google-fonts/atkinson-hyperlegible-next'

/** The PDF takes its fonts from files beside the command line. */
const fonts: Plugin = {
  name: 'fonts-beside',
  closeBundle() {
    mkdirSync(at('./dist/fonts'), { recursive: true })
    copyFileSync(at(`./${FONTS}/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf`), at('./dist/fonts/regular.ttf'))
    copyFileSync(at(`./${FONTS}/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf`), at('./dist/fonts/bold.ttf'))
  },
}

/** The command line and the server with everything inside, so that they start quickly. */
export default defineConfig({
  plugins: [fonts],
  logLevel: 'warn',
  resolve: { alias },
  ssr: { noExternal: true, external: ['fastify', '@fastify/static', '@fastify/compress', '@aws-sdk/client-s3', 'ioredis', 'highs'] },
  build: {
    ssr: true,
    target: 'node20',
    outDir: 'dist/node',
    emptyOutDir: true,
    rolldownOptions: { input: { cli: at('./src/cli/main.ts'), server: at('./src/server/main.ts'), check: at('./src/server/check.worker.ts') } },
  },
})
