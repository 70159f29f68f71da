import Papa from 'papaparse'
import { fileText } from '../file-text'
import { readGrid } from './grid'

/** What stands in the header of a table, column after column. @throws Fault where there is no table */
export const tableHeader = (bytes: Uint8Array): readonly string[] => readGrid(fileText(bytes)).header.cells

/**
 * The table with one cell written anew.
 * @param row as a spreadsheet counts, from 1
 * @param column as the header writes it, or its place from 0
 */
export function mendCell(bytes: Uint8Array, row: number, column: string | number, value: string): Uint8Array<ArrayBuffer> {
  const text = fileText(bytes)
  const grid = readGrid(text)
  const told = /^sep=.\r?\n/i.exec(text)?.[0] ?? ''
  const { data } = Papa.parse<string[]>(text.slice(told.length), { delimiter: grid.separator, skipEmptyLines: false })
  const at = typeof column === 'number' ? column : grid.header.cells.indexOf(column)
  const cells = data[row - 1]
  if (cells && at >= 0) {
    while (cells.length <= at) cells.push('')
    cells[at] = value
  }
  return new TextEncoder().encode(told + Papa.unparse(data, { delimiter: grid.separator, newline: '\n' }))
}
