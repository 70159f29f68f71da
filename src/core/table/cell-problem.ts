import type { Problem } from '../fault'
import { ADVICE_IN_ENGLISH, type Said } from '../language'
import type { GridRow } from './grid'

/** What is wrong with a cell, and what would do: in English, and as data for whoever reads another language. */
export interface CellProblem {
  readonly message: string
  readonly wayOut: string
  readonly told: { readonly message: Said; readonly wayOut: Said }
}

export const cellProblem = (message: Said, wayOut: Said): CellProblem => ({
  message: ADVICE_IN_ENGLISH.say(message),
  wayOut: ADVICE_IN_ENGLISH.say(wayOut),
  told: { message, wayOut },
})

/** A cell that names no shape or colour, or none that is known. */
export function unknownPiece(name: 'shape' | 'colour', text: string): Said {
  if (text === '') return { key: name === 'shape' ? 'cell.noShape' : 'cell.noColour' }
  return { key: name === 'shape' ? 'cell.unknownShape' : 'cell.unknownColour', about: { text } }
}

export const nearestPieces = (ids: readonly string[]): Said => ({ key: 'cell.nearest', about: { nearest: { list: ids, by: 'or' } } })

/** "row 7, column x", or the whole row. */
export function placeIn({ number }: GridRow, column?: string): Said {
  const row = String(number)
  return column === undefined ? { key: 'read.row', about: { row } } : { key: 'read.column', about: { row, column } }
}

/** What is wrong, in its place. */
export function problemIn(row: GridRow, cell: { readonly column: string; readonly said: string } | undefined, what: CellProblem): Problem {
  const place = placeIn(row, cell?.column)
  return { place: ADVICE_IN_ENGLISH.say(place), row: row.number, ...cell, ...what, told: { place, ...what.told } }
}
