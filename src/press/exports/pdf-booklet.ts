import type { BookletExport } from './booklet-export'

export const pdfBooklet: BookletExport = {
  id: 'pdf',
  title: 'PDF',
  extension: '.pdf',
  mediaType: 'application/pdf',
  about: 'Every page of the booklet, to print.',
  usesPaper: true,
  async write({ progress, ...input }) {
    // Larger than all else of the screen that offers it: loaded when it is asked for.
    const [{ prepareSheets }, { writePdf }] = await Promise.all([import('../sheets'), import('../pdf/write')])
    const { laid, doc, faces, painter } = await prepareSheets(input)
    return writePdf(laid, { doc, faces, painter, ...(progress ? { progress } : {}) })
  },
}
