import { makePages, spokenPlaces } from '@core/booklet'
import { catalogueOf } from '@core/model'
import { aliasText } from '@core/names'
import type { BookletExport } from './booklet-export'

/** Pictures of steps are drawn for so many dots where they stay dots, px. */
const PICTURE = { width: 800, height: 600 }

export const pdfBooklet: BookletExport = {
  id: 'pdf',
  title: 'PDF',
  extension: '.pdf',
  mediaType: 'application/pdf',
  about: 'Every page of the booklet, to print.',
  usesPaper: true,
  async write({ bundle, paper, aliases, assets, progress }) {
    // Larger than all else of the screen that offers it: loaded when it is asked for.
    const [{ writePdf }, { BookletPainter }, { LEAST_STUD_PX }] = await Promise.all([
      import('../pdf'),
      import('../paint'),
      import('../step-cells'),
    ])
    return writePdf({
      pages: makePages(bundle),
      catalogue: catalogueOf(bundle.model),
      paper,
      font: (face, weight) => assets.font(face, weight),
      spoken: ({ spoken, section, number }) => [spoken, ...spokenPlaces(bundle, section, number)].join(' '),
      painter: new BookletPainter(bundle, PICTURE, { leastStud: LEAST_STUD_PX }),
      beside: (kind, id) => aliasText(aliases, kind, id),
      ...(progress ? { progress } : {}),
    })
  },
}
