import type { Kit } from './books'
import { cover, type KitHad } from './cover'
import { piecesIn, type DeskPiece } from './piece'

/** How many whole ones can be made of what is there, and what runs out first. */
export interface Batch {
  readonly whole: number
  /** What the next one lacks. */
  readonly lacks: readonly DeskPiece[]
}

/** More are not counted. */
const MOST_WHOLE = 100_000

const timesNeed = (need: readonly DeskPiece[], copies: number): DeskPiece[] =>
  need.map((piece) => ({ ...piece, count: piece.count * copies }))

/** @param need of one */
export function batchOf(need: readonly DeskPiece[], stock: readonly DeskPiece[], kits: readonly KitHad[]): Batch {
  if (piecesIn(need) === 0) return { whole: 0, lacks: [] }
  const lacking = (copies: number): readonly DeskPiece[] => cover(timesNeed(need, copies), stock, kits).missing
  // Each one takes as much as the one before, so what lacks only grows: the border is found by halving.
  let [low, high] = [0, 1]
  while (high <= MOST_WHOLE && lacking(high).length === 0) [low, high] = [high, high * 2]
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if (lacking(middle).length === 0) low = middle
    else high = middle
  }
  return { whole: low, lacks: lacking(low + 1) }
}

/** What so many of a kit cover of a need, and what is needed beside them. */
export interface KitCoverage {
  readonly kits: number
  readonly covered: number
  readonly extras: readonly DeskPiece[]
}

/** With none, one, two … of a kit, as long as one more covers more. */
export function coverageByKits(need: readonly DeskPiece[], kit: Kit, most = 4): KitCoverage[] {
  const all = piecesIn(need)
  const found: KitCoverage[] = []
  for (let kits = 1; kits <= most; kits++) {
    const { missing } = cover(need, [], [{ kit, count: kits }])
    const covered = all - piecesIn(missing)
    if (covered === 0 || covered === found[found.length - 1]?.covered) break
    found.push({ kits, covered, extras: missing })
  }
  return found
}
