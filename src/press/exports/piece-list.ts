import { inOwnLanguage } from '@core/booklet'
import { catalogueIn } from '@core/catalogue'
import { wordsIn } from '@core/language'
import { catalogueOf } from '@core/model'
import type { BookletExport } from './booklet-export'

export const pieceList: BookletExport = {
  id: 'piece-list',
  title: 'All pieces as a table',
  extension: '.csv',
  mediaType: 'text/csv',
  about: 'One row a piece: how many, of which shape and colour.',
  suffix: 'pieces',
  async write({ bundle, aliases }) {
    const { writePieceTable } = await import('@core/formats')
    const { language } = await inOwnLanguage(bundle)
    return writePieceTable(bundle.plan.inventory, catalogueIn(catalogueOf(bundle.model), wordsIn(language)), aliases)
  },
}
