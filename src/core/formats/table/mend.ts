import Papa from 'papaparse'
import { rawCells, readGrid, type GridRow } from '../../table'
import { fileText } from '../../words'

/** The header of a table, with the row it stands in. @throws Fault where there is no table */
export const tableHeader = (bytes: Uint8Array): GridRow => readGrid(fileText(bytes)).header

/**
 * The table with one cell written anew.
 * @param row as a spreadsheet counts, from 1
 * @param column as the header writes it, or its place from 0
 */
export function mendCell(bytes: Uint8Array, row: number, column: string | number, value: string): Uint8Array<ArrayBuffer> {
  const { data, separator, line } = rawCells(fileText(bytes))
  const at = typeof column === 'number' ? column : tableHeader(bytes).cells.indexOf(column)
  const cells = data[row - 1]
  if (cells && at >= 0) {
    while (cells.length <= at) cells.push('')
    cells[at] = value
  }
  return new TextEncoder().encode(line + Papa.unparse(data, { delimiter: separator, newline: '\n' }))
}
