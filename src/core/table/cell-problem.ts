import { Fault, type Problem } from '../fault'
import { ADVICE_IN_ENGLISH, type Said } from '../language'
import { plural } from '../words'
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

/** So many wrong cells are found before a table is refused unread: a table of nothing else must not keep a machine busy. */
const MOST_PROBLEMS = 2000

/** All that is wrong with the cells of a table, told at once. */
export class CellProblems {
  private readonly found: Problem[] = []

  /**
   * Notes what is wrong with a cell, or with a row.
   * @throws Fault `csv-row` where so much is wrong that the rest need not be read
   */
  add(
    row: GridRow,
    cell: { readonly column: string; readonly said: string } | undefined,
    what: CellProblem & Pick<Problem, 'nearest'>,
  ): undefined {
    const place = placeIn(row, cell?.column)
    this.found.push({ place: ADVICE_IN_ENGLISH.say(place), row: row.number, ...cell, ...what, told: { place, ...what.told } })
    if (this.found.length >= MOST_PROBLEMS) this.refuse()
    return undefined
  }

  /** @param hint what may be behind it all. @throws Fault `csv-row` where any cell could not be read, with all of them */
  refuse(hint?: Said): void {
    const [first, ...others] = this.found
    if (!first) return
    const problems = this.found
    const known = hint && ADVICE_IN_ENGLISH.say(hint)
    if (others.length === 0) {
      const wayOut = [first.wayOut, known].filter(Boolean).join(' ')
      throw new Fault('csv-row', first.message, { place: first.place, wayOut, problems })
    }
    const least = problems.length < MOST_PROBLEMS ? '' : 'At least '
    throw new Fault('csv-row', `${least}${plural(problems.length, 'cell', 'cells')} of the table cannot be read.`, {
      problems,
      wayOut: known ?? 'Each is told with what would do.',
    })
  }
}
