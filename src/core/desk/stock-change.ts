import { kindOf, deskKey, tallyPieces, type DeskPiece } from './piece'
import type { Books } from './made'

/** Older changes are forgotten. */
const MOST_REMEMBERED = 300

/** What turns one stock into another; counts below 0 went out. */
export function stockDifference(before: readonly DeskPiece[], after: readonly DeskPiece[]): DeskPiece[] {
  const kinds = new Map<string, { readonly kind: Omit<DeskPiece, 'count'>; count: number }>()
  const note = (pieces: readonly DeskPiece[], sign: 1 | -1): void => {
    for (const piece of pieces) {
      const key = deskKey(piece)
      const known = kinds.get(key) ?? { kind: kindOf(piece), count: 0 }
      known.count += sign * piece.count
      kinds.set(key, known)
    }
  }
  note(after, 1)
  note(before, -1)
  return [...kinds.values()].filter(({ count }) => count !== 0).map(({ kind, count }) => ({ ...kind, count }))
}

/**
 * The books with pieces put in or taken out; no more is taken out than is there, and what really changed is remembered.
 * @param pieces counts below 0 are taken out
 */
export function withStockChanged(books: Books, pieces: readonly DeskPiece[], what: string, at: number): Books {
  const counts = new Map(books.stock.map((piece) => [deskKey(piece), piece]))
  for (const piece of pieces) {
    const key = deskKey(piece)
    const count = Math.max(0, (counts.get(key)?.count ?? 0) + piece.count)
    counts.set(key, { ...kindOf(piece), count })
  }
  return withStock(books, tallyPieces([...counts.values()].filter(({ count }) => count > 0)), what, at)
}

/** The books with another stock, and what changed by it remembered. */
export function withStock(books: Books, stock: readonly DeskPiece[], what: string, at: number): Books {
  const pieces = stockDifference(books.stock, stock)
  const log = pieces.length === 0 ? books.log : [{ at, what, pieces }, ...books.log].slice(0, MOST_REMEMBERED)
  return { ...books, stock, log }
}
