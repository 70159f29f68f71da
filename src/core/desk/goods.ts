import type { Kit, OfferBook, PieceOffer } from './books'
import { serves } from './allocate'
import { toCents, type Cents } from './money'
import { kindOf, piecesIn, tallyPieces, type DeskPiece } from './piece'

/** One thing on offer: so many pieces of a kind, or a kit, that are bought together. */
export interface Goods {
  /** Number of its supplier. */
  readonly supplier: number
  readonly cents: Cents
  /** Most that can be bought, in units of this. */
  readonly available: number
  /** What one unit brings. */
  readonly brings: readonly DeskPiece[]
  /** Numbers of the needs that it serves. */
  readonly serves: readonly number[]
  /** The kit's id; none where pieces are bought. */
  readonly kit?: string
  /** Sold from one roll: goods of one roll share what is available, in pieces. */
  readonly roll?: number
}

/** All that is on offer, as units to buy; zero-priced and sold-out goods included where they serve. */
export function goodsOf(missing: readonly DeskPiece[], { suppliers }: OfferBook, kits: readonly Kit[]): Goods[] {
  const byId = new Map(kits.map((kit) => [kit.id, kit]))
  const needs = new NeedTable(missing)
  let rolls = 0
  return suppliers.flatMap((supplier, i) => [
    ...supplier.offers.flatMap((offer): Goods[] => {
      if (offer.perMetre === true) return fromRoll(offer, i, needs, rolls++)
      const { lot = 1, available = Infinity } = offer
      const brings = [{ ...kindOf({ ...offer, count: lot }), count: lot }]
      return [
        {
          supplier: i,
          cents: toCents(offer.price) * lot,
          available: Math.floor(available / lot),
          brings,
          serves: needs.servedBy(brings),
        },
      ]
    }),
    ...supplier.kits.flatMap((offer): Goods[] => {
      const kit = byId.get(offer.id)
      if (!kit) return []
      const brings = tallyPieces(kit.pieces)
      return [
        {
          supplier: i,
          cents: toCents(offer.price),
          available: offer.available ?? Infinity,
          brings,
          serves: needs.servedBy(brings),
          kit: kit.id,
        },
      ]
    }),
  ])
}

/** Cut from a roll: goods of each length that is needed; a piece costs whole cents. */
function fromRoll(offer: PieceOffer, supplier: number, needs: NeedTable, roll: number): Goods[] {
  const { lot = 1, available = Infinity, price, shape, colour } = offer
  return needs.lengthsOf(shape).map((lengthMm) => {
    const brings = [{ shape, colour, lengthMm, count: lot }]
    return {
      supplier,
      cents: Math.round((toCents(price) * lengthMm) / 1000) * lot,
      available: Math.floor(available / lot),
      brings,
      serves: needs.servedBy(brings),
      roll,
    }
  })
}

/** What is needed, found by shape. */
class NeedTable {
  private readonly byShape = new Map<string, number[]>()

  constructor(private readonly needs: readonly DeskPiece[]) {
    needs.forEach(({ shape }, i) => this.byShape.set(shape, [...(this.byShape.get(shape) ?? []), i]))
  }

  servedBy(pieces: readonly DeskPiece[]): number[] {
    const served = new Set<number>()
    for (const piece of pieces) for (const i of this.byShape.get(piece.shape) ?? []) if (serves(piece, this.needs[i]!)) served.add(i)
    return [...served].sort((a, b) => a - b)
  }

  lengthsOf(shape: string): number[] {
    return [...new Set((this.byShape.get(shape) ?? []).flatMap((i) => this.needs[i]!.lengthMm ?? []))].sort((a, b) => a - b)
  }
}

/** Most units of some goods that needs alone could ask for. */
export function usefulUnits({ brings, serves: served, available }: Goods, missing: readonly DeskPiece[]): number {
  let most = 0
  for (const piece of brings) {
    const wanted = piecesIn(served.map((i) => missing[i]!).filter((need) => serves(piece, need)))
    most = Math.max(most, Math.ceil(wanted / piece.count))
  }
  return Math.min(most, available)
}
