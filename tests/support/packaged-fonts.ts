import { readFileSync } from 'node:fs'
import type { FontSource } from '../../src/press/type/load'

const ROOT = new URL('../../node_modules/@expo-google-fonts/', import.meta.url).pathname

const NAMES = {
  latin: ['atkinson-hyperlegible-next', 'AtkinsonHyperlegibleNext'],
  'greek-cyrillic': ['noto-sans', 'NotoSans'],
  hebrew: ['noto-sans-hebrew', 'NotoSansHebrew'],
  arabic: ['noto-sans-arabic', 'NotoSansArabic'],
  hangul: ['noto-sans-kr', 'NotoSansKR'],
  han: ['noto-sans-sc', 'NotoSansSC'],
} as const

/** The fonts as they lie in the packages. */
export const packagedFont: FontSource = (face, weight) => {
  const [folder, name] = NAMES[face]
  const style = weight === 'bold' ? '700Bold' : '400Regular'
  return Promise.resolve(new Uint8Array(readFileSync(`${ROOT}${folder}/${style}/${name}_${style}.ttf`)))
}
