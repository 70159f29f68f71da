import { Fault } from '@core/fault'
import { listInWords } from '@core/words'
import type { BookletExport } from './booklet-export'
import { offlinePage } from './offline-page'
import { pdfBooklet } from './pdf-booklet'
import { pieceList } from './piece-list'
import { spokenBooklet } from './spoken-booklet'
import { stepDrawings } from './step-drawings'

/** Every file that a booklet goes out as, in the order of the buttons. A new one is a file of its own and a line here. */
export const EXPORTS: readonly BookletExport[] = [offlinePage, pdfBooklet, spokenBooklet, pieceList, stepDrawings]

/** @throws Fault `unknown-format` where no booklet is written by such a name */
export function exportFor(fileName: string): BookletExport {
  const found = EXPORTS.find(({ extension }) => fileName.toLowerCase().endsWith(extension))
  if (found) return found
  const known = listInWords(
    EXPORTS.map(({ extension }) => extension),
    'or',
  )
  throw new Fault('unknown-format', 'The format to write is not known.', { place: fileName, wayOut: `Known: ${known}.` })
}
