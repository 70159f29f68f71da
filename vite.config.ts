import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import { createHash } from 'node:crypto'
import type { Plugin } from 'vite'
import { alias, at } from './vite.shared.ts'

// What the PDF library leans on stands in a file of its own: no file is over 500 kB, and nothing here leans back.
const pdf = { name: 'pdf-texts', test: /node_modules[\\/](node-html-better-parser|html-entities)[\\/]/, priority: 20 }
// Colours are reckoned by workers and pages alike; the PDF library takes more of it than all others.
const colours = { name: 'colours', test: /node_modules[\\/]culori[\\/]/, priority: 20 }
// Sentences, and what says them: workers and pages alike.
const language = {
  name: 'language',
  test: /node_modules[\\/]@intlify[\\/]|src[\\/]core[\\/]language[\\/](words\.ts|messages[\\/]en\.json)/,
  priority: 20,
}
// What designers are told: the shelf tells nothing of it.
const advice = { name: 'advice', test: /src[\\/]core[\\/]language[\\/](advice\.ts|messages[\\/]advice-en\.json)/, priority: 20 }
// The graphics library in two files; a worker has it.
const threeCore = { name: 'three-core', test: /node_modules[\\/]three[\\/]build[\\/]three\.core/, priority: 20 }
const vendor = { name: 'vue', test: /node_modules[\\/](@vue|vue|vue-router|pinia)[\\/]/, priority: 30 }

// What nearly nobody needs is kept when it is first used: fonts of other scripts, the solver.
const RARE = /(NotoSans.*\.ttf|\.wasm)$/

/** The service worker, which knows the files of its build by name. */
const serviceWorker: Plugin = {
  name: 'service-worker',
  apply: 'build',
  buildStart() {
    this.emitFile({ type: 'chunk', id: at('./src/web/offline/service-worker.ts'), fileName: 'sw.js' })
  },
  generateBundle(_, bundle) {
    const files = Object.keys(bundle)
      .filter((name) => name.startsWith('assets/') && !RARE.test(name))
      .sort()
      .map((name) => `/${name}`)
    const worker = bundle['sw.js']
    if (worker?.type !== 'chunk') throw new Error('no service worker was built')
    const version = createHash('sha256').update(files.join()).update(worker.code).digest('hex').slice(0, 12)
    worker.code = `const BUILT_FILES=${JSON.stringify(files)},BUILT_VERSION=${JSON.stringify(version)};${worker.code}`
  },
}

export default defineConfig({
  plugins: [vue(), serviceWorker],
  logLevel: 'warn',
  resolve: { alias },
  worker: { format: 'es', rolldownOptions: { output: { codeSplitting: { groups: [pdf, colours, language, advice, threeCore] } } } },
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
      output: { codeSplitting: { groups: [vendor, pdf, colours, language, advice] } },
    },
  },
})
