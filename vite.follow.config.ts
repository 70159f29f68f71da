import vue from '@vitejs/plugin-vue'
import { readFileSync } from 'node:fs'
import { defineConfig, type Plugin } from 'vite'
import { LANGUAGES } from './src/core/language/languages.ts'
import { alias, at } from './vite.shared.ts'

/** Every browser that runs the page reads the newer of the two formats in which each face comes. */
const withoutOldFonts = (css: string): string => css.replace(/,\s*url\(["']?data:font\/woff;base64,[^)]*\)\s*format\(["']woff["']\)/g, '')

/** Draws script and style into the page, so that a booklet is one file that opens from a disk. */
const oneFile: Plugin = {
  name: 'one-file',
  enforce: 'post',
  generateBundle(_options, bundle) {
    const page = Object.values(bundle).find((file) => file.fileName.endsWith('.html'))
    if (page?.type !== 'asset') throw new Error('the follower has no page')
    let html = String(page.source)
    for (const file of Object.values(bundle)) {
      if (file.type === 'chunk') {
        const code = file.code.replace(/<\/script/g, '<\\/script')
        const tag = new RegExp(`<script type="module"[^>]*${file.fileName}"></script>`)
        if (!tag.test(html)) throw new Error(`the page does not load ${file.fileName}`)
        // The script stands last in the body, behind the bundle that it reads.
        html = html.replace(tag, '').replace('</body>', () => `<script type="module">${code}</script></body>`)
        delete bundle[file.fileName]
      } else if (file.fileName.endsWith('.css')) {
        const tag = new RegExp(`<link rel="stylesheet"[^>]*${file.fileName}">`)
        html = html.replace(tag, () => `<style>${withoutOldFonts(String(file.source))}</style>`)
        delete bundle[file.fileName]
      }
    }
    page.source = html
  },
}

/** The words of each language but English, as the follower fetches them beside a published booklet. */
const words: Plugin = {
  name: 'words',
  generateBundle() {
    const messages = at('./src/core/language/messages/')
    const read = (name: string): object => JSON.parse(readFileSync(`${messages}${name}.json`, 'utf8')) as object
    for (const language of LANGUAGES) {
      if (language === 'en') continue
      const source = JSON.stringify({ messages: read(language), ...read(`pieces-${language}`) })
      this.emitFile({ type: 'asset', fileName: `words/${language}.json`, source })
    }
  },
}

export default defineConfig({
  plugins: [vue(), words, oneFile],
  logLevel: 'warn',
  resolve: { alias },
  worker: { format: 'iife' },
  publicDir: false,
  build: {
    outDir: 'dist/follow',
    emptyOutDir: true,
    target: 'es2022',
    assetsInlineLimit: 10_000_000,
    cssCodeSplit: false,
    modulePreload: false,
    rolldownOptions: { checks: { pluginTimings: false }, input: at('./follow.html'), output: { codeSplitting: false } },
  },
})
