import { languageFile, LANGUAGES } from '@core/language'
import { writeHtml, type LanguageFiles } from '../html'
import type { BookletExport } from './booklet-export'

export const offlinePage: BookletExport = {
  id: 'offline-page',
  title: 'One page that works offline',
  extension: '.html',
  mediaType: 'text/html',
  about: 'One file that opens anywhere, offline too, and can be followed step by step.',
  write: async ({ bundle, aliases, assets }) => {
    const others = LANGUAGES.filter((language) => language !== 'en')
    const files = await Promise.all(others.map(languageFile))
    const languages = Object.fromEntries(others.map((language, i) => [language, files[i]])) as LanguageFiles
    return writeHtml(await assets.followPage(), { ...bundle, ...(aliases.length > 0 ? { names: aliases } : {}) }, languages)
  },
}
