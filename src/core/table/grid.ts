import Papa from 'papaparse'
import { Fault } from '../fault'
import { plainCell } from '../words'

/** A table as a spreadsheet shows it. */
export interface TableGrid {
  readonly separator: string
  readonly header: GridRow
  readonly rows: readonly GridRow[]
}

/** One row that is not empty. */
export interface GridRow {
  /** As a spreadsheet counts, the header being row 1. */
  readonly number: number
  readonly cells: readonly string[]
}

const SEPARATORS = ['\t', ';', ','] as const
/** Some spreadsheets name the separator in a line of its own, which they do not show. */
const SEPARATOR_LINE = /^sep=(.)\r?\n/i

/**
 * Takes a table apart: separator `,` `;` or tab, told by the header; empty rows and trailing separators are left out, but counted.
 * @param text without its byte-order mark
 * @throws Fault `csv-header` where there is nothing, `csv-row` where quotes are not closed
 */
export function readGrid(text: string): TableGrid {
  const { separator, data, errors } = rawCells(text)
  const broken = errors.find(({ type }) => type === 'Quotes')
  if (broken)
    throw new Fault('csv-row', 'A quotation mark is not closed.', {
      place: `row ${(broken.row ?? 0) + 1}`,
      wayOut: 'Write a quotation mark within a cell twice.',
    })
  const [header, ...rows] = data
    .map((cells, i): GridRow => ({ number: i + 1, cells: trimmed(cells) }))
    .filter(({ cells }) => cells.length > 0)
  if (!header) throw new Fault('csv-header', 'The table is empty.', { place: 'row 1' })
  return { separator, header, rows }
}

/** Every cell as it stands, row by row, and the line that names the separator, where there is one. */
export function rawCells(text: string) {
  const told = SEPARATOR_LINE.exec(text)
  const body = told ? text.slice(told[0].length) : text
  const separator = told?.[1] ?? separatorOf(body)
  return { ...Papa.parse<string[]>(body, { delimiter: separator, skipEmptyLines: false }), separator, line: told?.[0] ?? '' }
}

/** Cells without blanks around them and without empty ones at the end. */
function trimmed(cells: readonly string[]): string[] {
  const plain = cells.map((cell) => plainCell(cell.trim()))
  while (plain.length > 0 && plain.at(-1) === '') plain.pop()
  return plain
}

/** The separator that cuts the header into most columns. */
function separatorOf(text: string): string {
  const line = text.split('\n', 200).find((each) => /[^\s;,"]/.test(each)) ?? ''
  const unquoted = line.replace(/"[^"]*"/g, '')
  const counts = SEPARATORS.map((separator) => unquoted.split(separator).length)
  return SEPARATORS[counts.indexOf(Math.max(...counts))]!
}
