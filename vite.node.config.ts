import { copyFileSync, mkdirSync } from 'node:fs'
import { defineConfig, type Plugin } from 'vite'
import { alias, at } from './vite.shared.ts'

const FONTS = 'node_modules/@expo-google-fonts'

/** By the name under which the command line looks for them. */
const FONT_FILES: Readonly<Record<string, string>> = {
  'latin-regular': 'atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular',
  'latin-bold': 'atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold',
  'greek-cyrillic-regular': 'noto-sans/400Regular/NotoSans_400Regular',
  'greek-cyrillic-bold': 'noto-sans/700Bold/NotoSans_700Bold',
  'hebrew-regular': 'noto-sans-hebrew/400Regular/NotoSansHebrew_400Regular',
  'hebrew-bold': 'noto-sans-hebrew/700Bold/NotoSansHebrew_700Bold',
  'arabic-regular': 'noto-sans-arabic/400Regular/NotoSansArabic_400Regular',
  'arabic-bold': 'noto-sans-arabic/700Bold/NotoSansArabic_700Bold',
  'hangul-regular': 'noto-sans-kr/400Regular/NotoSansKR_400Regular',
  'han-regular': 'noto-sans-sc/400Regular/NotoSansSC_400Regular',
}

/** The PDF takes its fonts from files beside the command line. */
const fonts: Plugin = {
  name: 'fonts-beside',
  closeBundle() {
    mkdirSync(at('./dist/fonts'), { recursive: true })
    for (const [name, file] of Object.entries(FONT_FILES)) copyFileSync(at(`./${FONTS}/${file}.ttf`), at(`./dist/fonts/${name}.ttf`))
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
    rolldownOptions: {
      input: { cli: at('./src/cli/main.ts'), server: at('./src/server/main.ts'), check: at('./src/server/check.worker.ts') },
    },
  },
})
