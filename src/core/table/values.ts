import { cellProblem, type CellProblem } from './cell-problem'
import { turnFromText, turnText, TURNS, turnOfMatrix, rotationMatrix } from '../space'

/** A value read from a cell, or why it cannot be. */
export type Value<T> = { readonly value: T } | CellProblem

export const isValue = <T>(read: Value<T>): read is { readonly value: T } => 'value' in read

const NUMBER = /^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i
/** What is this near a whole u is rounding, not meaning. */
const ROUNDING = 1e-6

/** A number as people write it: with a decimal comma too, where commas do not part cells. */
export function readNumber(text: string, separator: string): number | undefined {
  const plain = text.replace(/−/g, '-').replace(/[\s\u00a0]/g, '')
  const dotted = separator === ',' ? plain : plain.replace(',', '.')
  return NUMBER.test(dotted) ? Number(dotted) : undefined
}

/** A length in whole u; `unit` is u a unit of the column. */
export function readLength(text: string, separator: string, unit: number): Value<number> {
  const number = readNumber(text, separator)
  if (number === undefined) return cellProblem({ key: 'cell.notNumber', about: { text } }, { key: 'cell.numberSuchAs' })
  const exact = number * unit
  const whole = Math.round(exact)
  if (Math.abs(exact - whole) <= ROUNDING) return { value: whole + 0 }
  const written = (length: number): string => String(Number((length / unit).toFixed(4)))
  return cellProblem(
    { key: 'cell.notWhole', about: { text, exact: String(Number(exact.toFixed(4))) } },
    { key: 'cell.eitherWouldDo', about: { low: written(Math.floor(exact)), high: written(Math.ceil(exact)) } },
  )
}

export function readCount(text: string, separator: string): Value<number> {
  const number = readNumber(text, separator)
  return number !== undefined && Number.isInteger(number) && number >= 0
    ? { value: number }
    : cellProblem({ key: 'cell.notCount', about: { text } }, { key: 'cell.wholeNumberSuchAs' })
}

/** The contract's word for a turn, or degrees about the upright axis: 0, 90, 180, 270, anticlockwise seen from above. */
export function readTurn(text: string, separator: string): Value<string | undefined> {
  const word = text.toLowerCase().replace(/−/g, '-').replace(/\s/g, '')
  if (turnFromText(word) !== undefined) return { value: word }
  const degrees = readNumber(text.replace(/°$/, ''), separator)
  if (degrees !== undefined && degrees % 90 === 0 && Math.abs(degrees) <= 360) {
    const turn = turnOfMatrix(rotationMatrix([0, 0, degrees]))!
    return { value: TURNS[turn] === TURNS[0] ? undefined : turnText(turn) }
  }
  return cellProblem({ key: 'cell.notTurn', about: { text } }, { key: 'cell.turnSuchAs' })
}
