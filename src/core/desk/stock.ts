import { isByLength, type Catalogue } from '../catalogue'
import { Fault, type Problem } from '../fault'
import { readColourCell, readShapeCell, type Alias, type CellRead } from '../names'
import {
  isValue,
  readColumns,
  readCount,
  readGrid,
  readNumber,
  type ColumnNames,
  type GridRow,
  type KnownColumns,
  type TableGrid,
} from '../table'
import { fileText, listInWords, plural, tableText } from '../words'
import { tallyPieces, type DeskPiece } from './piece'

type StockColumn = 'shape' | 'colour' | 'count' | 'lengthMm'
const NAMES: ColumnNames<StockColumn> = {
  shape: ['shape', 'piece', 'part'],
  colour: ['colour', 'color'],
  count: ['count', 'quantity', 'qty', 'number'],
  lengthMm: ['lengthmm', 'length mm', 'length (mm)', 'length'],
}
const NEEDED = ['shape', 'colour', 'count'] as const

/** What was read of a table of pieces in stock. */
export interface StockRead {
  readonly pieces: readonly DeskPiece[]
  /** Words that were read as ids, row by row: to be told. */
  readonly words: readonly { readonly row: number; readonly said: string; readonly as: string }[]
  /** Columns that nobody knows. */
  readonly leftOut: readonly string[]
}

/**
 * A table of pieces in stock, written as people write tables; equal pieces are added up.
 * @throws Fault `not-utf8`, `csv-header`, `csv-row` with all that is wrong
 */
export function readStock(bytes: Uint8Array, catalogue: Catalogue, names: readonly Alias[] = []): StockRead {
  const grid = readGrid(fileText(bytes))
  const columns = readColumns(grid, NAMES, [])
  const missing = NEEDED.filter((column) => !columns.known[column])
  if (missing.length > 0)
    throw new Fault('csv-header', `The table has no column for the ${listInWords(missing)}.`, {
      place: 'row 1',
      wayOut: `It needs the columns ${listInWords(NEEDED)}.`,
    })
  const reading = new StockReading(grid, columns, catalogue, names)
  const pieces = grid.rows.flatMap((row) => reading.row(row) ?? [])
  reading.refuse()
  return { pieces: tallyPieces(pieces), words: reading.words, leftOut: columns.others }
}

class StockReading {
  readonly words: { row: number; said: string; as: string }[] = []
  private readonly problems: Problem[] = []

  constructor(
    private readonly grid: TableGrid,
    private readonly columns: KnownColumns<StockColumn>,
    private readonly catalogue: Catalogue,
    private readonly names: readonly Alias[],
  ) {}

  row(row: GridRow): DeskPiece | undefined {
    const shape = this.named(row, 'shape', readShapeCell)
    const colour = this.named(row, 'colour', readColourCell)
    const read = readCount(this.cell(row, 'count'), this.grid.separator)
    const count = isValue(read) ? read.value : this.problem(row, 'count', read)
    const lengthMm = this.length(row, shape)
    if (shape === undefined || colour === undefined || count === undefined) return undefined
    return { shape, colour, count, ...(lengthMm === undefined ? {} : { lengthMm }) }
  }

  /** @throws Fault `csv-row` where any cell could not be read */
  refuse(): void {
    const [first] = this.problems
    if (!first) return
    const isOne = this.problems.length === 1
    throw new Fault('csv-row', isOne ? first.message : `${plural(this.problems.length, 'cell', 'cells')} of the table cannot be read.`, {
      ...(isOne ? { place: first.place } : {}),
      wayOut: (isOne ? first.wayOut : undefined) ?? 'Each is told with what would do.',
      problems: this.problems,
    })
  }

  private cell(row: GridRow, name: StockColumn): string {
    const column = this.columns.known[name]
    return column ? (row.cells[column.index] ?? '') : ''
  }

  private named(row: GridRow, name: 'shape' | 'colour', read: (text: string, catalogue: Catalogue, names: readonly Alias[]) => CellRead) {
    const said = this.cell(row, name)
    const found = read(said, this.catalogue, this.names)
    if (found.id === undefined)
      return this.problem(row, name, {
        message: said === '' ? `There is no ${name}.` : `“${said}” is no ${name} that is known.`,
        wayOut: `The nearest: ${listInWords(found.nearest, 'or')}.`,
      })
    if (found.isTold) this.words.push({ row: row.number, said, as: found.id })
    return found.id
  }

  private length(row: GridRow, shape: string | undefined): number | undefined {
    const said = this.cell(row, 'lengthMm')
    if (said === '' || shape === undefined) return undefined
    const length = readNumber(said, this.grid.separator)
    if (length === undefined || length <= 0)
      return this.problem(row, 'lengthMm', { message: `“${said}” is no length.`, wayOut: 'Write a number of mm, such as 40.' })
    if (!isByLength(shape))
      return this.problem(row, 'lengthMm', { message: `A ${shape} is not cut to a length.`, wayOut: 'Leave the length empty.' })
    return length
  }

  private problem(row: GridRow, name: StockColumn, what: Pick<Problem, 'message' | 'wayOut'>): undefined {
    const column = this.columns.known[name]!.title
    this.problems.push({ place: `row ${row.number}, column ${column}`, row: row.number, column, said: this.cell(row, name), ...what })
    return undefined
  }
}

/** The same as a table that `readStock` reads. */
export function writeStock(pieces: readonly DeskPiece[]): string {
  const hasLengths = pieces.some(({ lengthMm }) => lengthMm !== undefined)
  return tableText(
    hasLengths ? ['shape', 'colour', 'count', 'lengthMm'] : ['shape', 'colour', 'count'],
    pieces.map(({ shape, colour, count, lengthMm }) => [shape, colour, count, ...(hasLengths ? [lengthMm ?? ''] : [])]),
  )
}
