import { isByLength, type Catalogue } from '../catalogue'
import { Fault } from '../fault'
import { readColourCell, readShapeCell, type Alias, type CellRead } from '../names'
import {
  cellProblem,
  CellProblems,
  nearestPieces,
  readColumns,
  readGrid,
  readNumber,
  unknownPiece,
  type CellProblem,
  type ColumnNames,
  type GridRow,
  type KnownColumns,
  type TableGrid,
} from '../table'
import { fileText, listInWords } from '../words'

/** Columns of every table of pieces, as people call them. */
type PieceColumn = 'shape' | 'colour' | 'lengthMm'
export const PIECE_COLUMNS: ColumnNames<PieceColumn> = {
  shape: ['shape', 'piece', 'part'],
  colour: ['colour', 'color'],
  lengthMm: ['lengthmm', 'length mm', 'length (mm)', 'length'],
}

/** Words that were read as ids, row by row: to be told. */
interface ReadWords {
  readonly row: number
  readonly said: string
  readonly as: string
}

/** A table of pieces, written as people write tables: its rows one by one, and all that is wrong with its cells. */
export class PieceTable<Column extends string> {
  readonly words: ReadWords[] = []
  readonly rows: readonly GridRow[]
  private readonly problems = new CellProblems()
  private readonly grid: TableGrid
  private readonly columns: KnownColumns<Column | PieceColumn>

  /** @throws Fault `not-utf8`, `csv-header` where a column that it needs is missing */
  constructor(
    bytes: Uint8Array,
    columns: { readonly names: ColumnNames<Column | PieceColumn>; readonly needed: readonly (Column | PieceColumn)[] },
    private readonly catalogue: Catalogue,
    private readonly aliases: readonly Alias[],
  ) {
    this.grid = readGrid(fileText(bytes))
    this.rows = this.grid.rows
    this.columns = readColumns(this.grid, columns.names, [])
    const missing = columns.needed.filter((column) => !this.columns.known[column])
    if (missing.length === 0) return
    throw new Fault('csv-header', `The table has no column for the ${listInWords(missing)}.`, {
      place: 'row 1',
      wayOut: `It needs the columns ${listInWords(columns.needed)}.`,
    })
  }

  /** Columns that nobody knows. */
  get leftOut(): readonly string[] {
    return this.columns.others
  }

  get separator(): string {
    return this.grid.separator
  }

  /** Its shape, colour and length; undefined where one of them cannot be read, which is noted. */
  piece(row: GridRow): { shape: string; colour: string; lengthMm?: number } | undefined {
    const shape = this.named(row, 'shape', readShapeCell)
    const colour = this.named(row, 'colour', readColourCell)
    const lengthMm = this.length(row, shape)
    return shape === undefined || colour === undefined ? undefined : { shape, colour, ...(lengthMm === undefined ? {} : { lengthMm }) }
  }

  cell(row: GridRow, name: Column | PieceColumn): string {
    const column = this.columns.known[name]
    return column ? (row.cells[column.index] ?? '') : ''
  }

  /** Notes what is wrong with a cell. */
  problem(row: GridRow, name: Column | PieceColumn, what: CellProblem): undefined {
    const column = this.columns.known[name]?.title ?? name
    return this.problems.add(row, { column, said: this.cell(row, name) }, what)
  }

  /** @throws Fault `csv-row` where any cell could not be read, with all of them */
  refuse(): void {
    this.problems.refuse()
  }

  private named(row: GridRow, name: 'shape' | 'colour', read: (text: string, catalogue: Catalogue, names: readonly Alias[]) => CellRead) {
    const said = this.cell(row, name)
    const found = read(said, this.catalogue, this.aliases)
    if (found.id === undefined) return this.problem(row, name, cellProblem(unknownPiece(name, said), nearestPieces(found.nearest)))
    if (found.isTold) this.words.push({ row: row.number, said, as: found.id })
    return found.id
  }

  private length(row: GridRow, shape: string | undefined): number | undefined {
    const said = this.cell(row, 'lengthMm')
    if (said === '' || shape === undefined) return undefined
    const length = readNumber(said, this.separator)
    if (length === undefined || length <= 0)
      return this.problem(row, 'lengthMm', cellProblem({ key: 'cell.notLength', about: { text: said } }, { key: 'cell.lengthSuchAs' }))
    if (!isByLength(shape))
      return this.problem(row, 'lengthMm', cellProblem({ key: 'cell.notCut', about: { shape } }, { key: 'cell.leaveLengthEmpty' }))
    return length
  }
}
