import { allocate, type Supply } from './allocate'
import type { Kit } from './books'
import type { Books } from './made'
import { deskKey, kindOf, tallyPieces, type DeskPiece } from './piece'

/** Pieces that are covered, by the stock or by a kit. */
interface CoveredPiece extends DeskPiece {
  /** `stock`, or the id of a kit. */
  readonly from: string
}

export interface Coverage {
  readonly covered: readonly CoveredPiece[]
  readonly missing: readonly DeskPiece[]
  /** What is there and not used. */
  readonly spare: readonly DeskPiece[]
}

/** A kit that is there, and how many of it. */
export interface KitHad {
  readonly kit: Kit
  readonly count: number
}

/** The kits of the books with how many of each are there. */
export const kitsHad = ({ kits, had }: Pick<Books, 'kits' | 'had'>): KitHad[] => kits.map((kit) => ({ kit, count: had[kit.id] ?? 0 }))

/** What of a need is there: the stock first, then the kits in their order. Of pieces in any colour the colour that is taken is told. */
export function cover(need: readonly DeskPiece[], stock: readonly DeskPiece[], kits: readonly KitHad[]): Coverage {
  const supplies: Supply<string>[] = [
    ...tallyPieces(stock).map((piece) => ({ ...piece, from: 'stock' })),
    ...kits.flatMap(({ kit, count }) => tallyPieces(kit.pieces).map((piece) => ({ ...piece, count: piece.count * count, from: kit.id }))),
  ].filter(({ count }) => count > 0)
  const { taken, missing, left } = allocate(need, supplies)
  const covered = new Map<string, CoveredPiece>()
  for (const { need: piece, supply, count } of taken) {
    const key = `${supply.from}\n${supply.colour}\n${deskKey(piece)}`
    const known = covered.get(key)
    covered.set(key, {
      ...kindOf({ ...piece, colour: supply.colour }),
      count: (known?.count ?? 0) + count,
      from: supply.from,
    })
  }
  return { covered: [...covered.values()], missing, spare: tallyPieces(left.map((piece) => ({ ...kindOf(piece), count: piece.count }))) }
}
