import type { Catalogue } from '../catalogue'
import type { Alias } from '../names'
import { isValue, readCount } from '../table'
import { tableText } from '../words'
import { PIECE_COLUMNS, PieceTable } from './piece-table'
import { tallyPieces, type DeskPiece } from './piece'

const COLUMNS = {
  names: { ...PIECE_COLUMNS, count: ['count', 'quantity', 'qty', 'number'] },
  needed: ['shape', 'colour', 'count'],
} as const

/** What was read of a table of pieces in stock. */
export interface StockRead {
  readonly pieces: readonly DeskPiece[]
  readonly words: PieceTable<'count'>['words']
  /** Columns that nobody knows. */
  readonly leftOut: readonly string[]
}

/**
 * A table of pieces in stock, written as people write tables; equal pieces are added up.
 * @throws Fault `not-utf8`, `csv-header`, `csv-row` with all that is wrong
 */
export function readStock(bytes: Uint8Array, catalogue: Catalogue, aliases: readonly Alias[] = []): StockRead {
  const table = new PieceTable<'count'>(bytes, COLUMNS, catalogue, aliases)
  const pieces = table.rows.flatMap((row): DeskPiece[] => {
    const piece = table.piece(row)
    const read = readCount(table.cell(row, 'count'), table.separator)
    const count = isValue(read) ? read.value : table.problem(row, 'count', read)
    return piece === undefined || count === undefined ? [] : [{ ...piece, count }]
  })
  table.refuse()
  return { pieces: tallyPieces(pieces), words: table.words, leftOut: table.leftOut }
}

/** The same as a table that `readStock` reads. */
export function writeStock(pieces: readonly DeskPiece[]): string {
  const hasLengths = pieces.some(({ lengthMm }) => lengthMm !== undefined)
  return tableText(
    hasLengths ? ['shape', 'colour', 'count', 'lengthMm'] : ['shape', 'colour', 'count'],
    pieces.map(({ shape, colour, count, lengthMm }) => [shape, colour, count, ...(hasLengths ? [lengthMm ?? ''] : [])]),
  )
}
