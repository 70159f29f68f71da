import { writeHtml } from '../html'
import type { BookletExport } from './booklet-export'

export const offlinePage: BookletExport = {
  id: 'offline-page',
  title: 'One page that works offline',
  extension: '.html',
  mediaType: 'text/html',
  about: 'One file that opens anywhere, offline too, and can be followed step by step.',
  write: async ({ bundle, aliases, assets }) =>
    writeHtml(await assets.followPage(), { ...bundle, ...(aliases.length > 0 ? { names: aliases } : {}) }),
}
