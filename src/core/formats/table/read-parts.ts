import { BASE_CATALOGUE, type Catalogue } from '../../catalogue'
import { Fault, type Problem } from '../../fault'
import type { Said } from '../../language'
import { checkModel, LIMITS, type ModelDocument, type Part } from '../../model'
import { readColourCell, readShapeCell, type CellRead } from '../../names'
import type { Vec } from '../../space'
import {
  cellProblem,
  CellProblems,
  isValue,
  nearestPieces,
  placeIn,
  readColumns,
  readCount,
  readGrid,
  readLength,
  readNumber,
  readTurn,
  unknownPiece,
  type CellProblem,
  type ColumnNames,
  type GridRow,
  type KnownColumn,
  type TableGrid,
  type Value,
} from '../../table'
import { fileText, listInWords } from '../../words'
import type { ReadFile, ReadOptions } from '../format'
import { remarkOf, type Remark } from '../remark'
import { looksLikeStuds, type WrittenPlace } from './studs'

const PLACE = ['x', 'y', 'z'] as const
type ColumnName = 'section' | 'id' | 'shape' | 'colour' | (typeof PLACE)[number] | 'turn' | 'count'
/** The columns of a table of parts; of each its own name first, then other words for it. */
const NAMES: ColumnNames<ColumnName> = {
  section: ['section'],
  id: ['id'],
  shape: ['shape', 'piece', 'part'],
  colour: ['colour', 'color'],
  x: ['x'],
  y: ['y'],
  z: ['z'],
  turn: ['turn', 'angle', 'rotation'],
  count: ['count', 'quantity', 'qty', 'number'],
}
const FIRST_ROW = placeIn({ number: 1, cells: [] })
/** The section of parts that name none. */
const USUAL_SECTION = 'main'
const STUDS_HINT: Said = { key: 'read.studsNotU' }

/**
 * A table of parts as a document; the first section named is the root, and each section is as the table gives it.
 * @throws Fault `not-utf8`, `csv-header`, `csv-row` with all that is wrong, or what `checkModel` throws
 */
export function readPartsTable(bytes: Uint8Array, name: string, options: ReadOptions): ReadFile {
  const grid = readGrid(fileText(bytes))
  const reading = new PartsReading(grid, options)
  for (const row of grid.rows) reading.add(row)
  return reading.finish(name)
}

class PartsReading {
  private readonly catalogue: Catalogue = BASE_CATALOGUE
  private readonly columns
  private readonly problems = new CellProblems()
  private readonly remarks: Remark[] = []
  private readonly words: { row: number; column: string; said: string; as: string }[] = []
  private readonly sections = new Map<string, { parts: Part[]; ids: Set<string> }>()
  /** Places whose columns say no unit. */
  private readonly written: WrittenPlace[] = []
  private readonly cells = new Map<string, CellRead>()
  private section = ''

  constructor(
    private readonly grid: TableGrid,
    private readonly options: ReadOptions,
  ) {
    this.columns = readColumns(grid, NAMES, PLACE)
    const missing = (['shape', 'colour'] as const).filter((column) => !this.columns.known[column])
    if (missing.length > 0)
      throw new Fault('csv-header', `The table has no column for the ${listInWords(missing)}.`, {
        place: 'row 1',
        wayOut: `Name it “${missing.join('” and “')}” in the header. It reads: ${grid.header.cells.join(', ')}.`,
      })
    for (const title of this.columns.others) this.remark(FIRST_ROW, title, { key: 'read.unknownColumn' })
  }

  add(row: GridRow): void {
    if (row.cells.length > this.grid.header.cells.length)
      this.problem(row, undefined, cellProblem({ key: 'cell.moreThanHeader' }, { key: 'cell.quoteCells' }))
    const shape = this.named(row, 'shape', (text) => readShapeCell(text, this.catalogue, this.options.names))
    const colour = this.named(row, 'colour', (text) => readColourCell(text, this.catalogue, this.options.names))
    const turn = this.value(row, 'turn', (text) => readTurn(text, this.grid.separator))
    const at = this.place(row)
    const count = this.count(row, at !== undefined)
    const section = this.sectionOf(row)
    const id = this.idOf(row, section)
    section.parts.push({
      id,
      shape: shape ?? '',
      colour: colour ?? '',
      ...(at ? { at } : {}),
      ...(turn === undefined ? {} : { turn }),
      ...(count === undefined ? {} : { count }),
    })
    if (at && shape !== undefined) this.noteWritten(row, shape, turn)
  }

  finish(name: string): ReadFile {
    if (this.sections.size === 0) throw new Fault('csv-row', 'The table holds no part.', { place: 'row 2' })
    const isStuds = looksLikeStuds(this.written)
    this.problems.refuse(isStuds ? STUDS_HINT : undefined)
    if (isStuds) this.remark(FIRST_ROW, PLACE.join(', '), STUDS_HINT)
    const model = checkModel({
      format: 'jump-rail-model',
      version: 1,
      name: name || 'Model',
      root: [...this.sections.keys()][0],
      sections: [...this.sections].map(([id, { parts }]) => ({ id, name: id, parts })),
    })
    return { model, report: this.report(model, isStuds), remarks: this.remarks }
  }

  private report(model: ModelDocument, isStuds: boolean): ReadFile['report'] {
    const parts = model.sections.flatMap((section) => section.parts ?? [])
    const known = Object.entries(this.columns.known).map(([name, column]) => [column.title, name])
    return {
      parts: parts.filter(({ at }) => at).length,
      loose: parts.filter(({ at }) => !at).reduce((sum, { count = 1 }) => sum + count, 0),
      sections: model.sections.length,
      columns: Object.fromEntries(known) as Record<string, string>,
      leftOut: this.columns.others,
      words: this.words,
      looksLikeStuds: isStuds,
      remarks: this.remarks.map(({ place, said, made }) => ({ place, said, made })),
    }
  }

  private cell(row: GridRow, column: KnownColumn | undefined): string {
    return column ? (row.cells[column.index] ?? '') : ''
  }

  /** A shape or colour; what was read of the same words is remembered, since tables say the same a thousand times. */
  private named(row: GridRow, name: 'shape' | 'colour', read: (text: string) => CellRead): string | undefined {
    const column = this.columns.known[name]!
    const text = this.cell(row, column)
    if (text === '')
      return this.problem(
        row,
        column,
        cellProblem(unknownPiece(name, text), { key: name === 'shape' ? 'cell.nameShape' : 'cell.nameColour' }),
      )
    const key = `${name} ${text}`
    let found = this.cells.get(key)
    if (!found) this.cells.set(key, (found = read(text)))
    if (found.id === undefined) {
      return this.problem(row, column, {
        ...cellProblem(unknownPiece(name, text), nearestPieces(found.nearest)),
        nearest: { kind: name, ids: found.nearest },
      })
    }
    if (found.isTold) {
      this.words.push({ row: row.number, column: column.title, said: text, as: found.id })
      this.remark(placeIn(row, column.title), text, { key: 'read.readAs', about: { as: found.id } })
    }
    return found.id
  }

  private value<T>(row: GridRow, name: ColumnName, read: (text: string) => Value<T>): T | undefined {
    const column = this.columns.known[name]
    const text = this.cell(row, column)
    if (text === '') return undefined
    const found = read(text)
    return isValue(found) ? found.value : this.problem(row, column, found)
  }

  private place(row: GridRow): Vec | undefined {
    const texts = PLACE.map((name) => this.cell(row, this.columns.known[name]))
    const missing = PLACE.filter((_, axis) => texts[axis] === '')
    if (missing.length === 3) return undefined
    const lengths = PLACE.map((name) =>
      this.value(row, name, (text) => readLength(text, this.grid.separator, this.columns.known[name]!.unit)),
    )
    for (const name of missing) {
      const column = this.columns.known[name] ?? { title: name }
      this.problem(row, column, cellProblem({ key: 'cell.placeOrNone', about: { name } }, { key: 'cell.allThree' }))
    }
    const [x, y, z] = lengths
    return x === undefined || y === undefined || z === undefined ? undefined : [x, y, z]
  }

  private count(row: GridRow, isPlaced: boolean): number | undefined {
    const count = this.value(row, 'count', (text) => readCount(text, this.grid.separator))
    if (!isPlaced || count === undefined) return count
    if (count !== 1)
      this.problem(
        row,
        this.columns.known.count,
        cellProblem({ key: 'cell.countsOnce', about: { count: String(count) } }, { key: 'cell.rowForEach' }),
      )
    return undefined
  }

  /** A row that names no section goes on with the one above. */
  private sectionOf(row: GridRow): { parts: Part[]; ids: Set<string> } {
    const said = this.cell(row, this.columns.known.section)
    if (said.length > LIMITS.nameLength)
      this.problem(row, this.columns.known.section, cellProblem({ key: 'cell.longSection' }, { key: 'cell.writeShorter' }))
    if (said !== '') this.section = said
    else if (this.columns.known.section)
      this.remark(placeIn(row), '', { key: 'read.noSectionNamed', about: { section: this.section || USUAL_SECTION } })
    const id = this.section || USUAL_SECTION
    let section = this.sections.get(id)
    if (!section) this.sections.set(id, (section = { parts: [], ids: new Set() }))
    return section
  }

  private idOf(row: GridRow, { ids }: { readonly ids: Set<string> }): string {
    const said = this.cell(row, this.columns.known.id)
    if (said.length > LIMITS.nameLength)
      this.problem(row, this.columns.known.id, cellProblem({ key: 'cell.longId' }, { key: 'cell.writeShorter' }))
    if (said !== '' && ids.has(said))
      this.problem(row, this.columns.known.id, cellProblem({ key: 'cell.twiceId', about: { said } }, { key: 'cell.eachItsOwn' }))
    let id = said === '' ? `row-${row.number}` : said
    while (said === '' && ids.has(id)) id = `${id}-b`
    ids.add(id)
    return id
  }

  private noteWritten(row: GridRow, shape: string, turn: string | undefined): void {
    const columns = PLACE.map((name) => this.columns.known[name])
    if (columns.some((column) => !column || column.hasUnit)) return
    const [x, y, z] = columns.map((column) => readNumber(this.cell(row, column), this.grid.separator) ?? 0)
    this.written.push({ shape: this.catalogue.shapes.get(shape)!, at: [x!, y!, z!], turn })
  }

  private problem(
    row: GridRow,
    column: (Pick<KnownColumn, 'title'> & Partial<KnownColumn>) | undefined,
    what: CellProblem & Pick<Problem, 'nearest'>,
  ): undefined {
    const cell = column && { column: column.title, said: column.index === undefined ? '' : (row.cells[column.index] ?? '') }
    return this.problems.add(row, cell, what)
  }

  private remark(place: Said, said: string, made: Said): void {
    this.remarks.push(remarkOf({ place, said, made, needsPerson: false }))
  }
}
