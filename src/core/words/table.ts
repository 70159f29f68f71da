import Papa from 'papaparse'

/** What a spreadsheet would take for a formula at the beginning of a cell. */
const FORMULA = /^[=+\-@\t\r]/

/**
 * A table as text. A cell that a spreadsheet would run as a formula is written with an apostrophe before it, which spreadsheets
 * hide and `plainCell` takes off again; numbers stay numbers.
 */
export const tableText = (fields: readonly string[], rows: readonly (readonly (string | number)[])[]): string =>
  `${Papa.unparse({ fields: [...fields], data: rows.map((row) => row.map(safeCell)) }, { newline: '\n' })}\n`

/** The turn of a part is one of 24 texts, and is written as it is: outside tools read it. */
const TURN = /^[+-][xyz][+-][xyz]$/

const safeCell = (cell: string | number): string | number =>
  typeof cell === 'string' && !TURN.test(cell) && (FORMULA.test(cell) || /^'/.test(cell)) ? `'${cell}` : cell

/** What was meant by a cell that `tableText` wrote. */
export const plainCell = (cell: string): string => (/^'([=+\-@\t\r']|$)/.test(cell) ? cell.slice(1) : cell)
