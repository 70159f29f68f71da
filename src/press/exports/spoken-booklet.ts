import { inOwnLanguage, spokenText } from '@core/booklet'
import type { BookletExport } from './booklet-export'

export const spokenBooklet: BookletExport = {
  id: 'spoken-booklet',
  title: 'In words alone',
  extension: '.txt',
  mediaType: 'text/plain',
  about: 'Every step with the place of each part, to be read aloud.',
  suffix: 'words',
  write: async ({ bundle }) => spokenText(await inOwnLanguage(bundle)),
}
