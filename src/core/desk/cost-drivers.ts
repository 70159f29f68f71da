import type { Kit, OfferBook } from './books'
import { goodsOf } from './goods'
import { greedyPurchase } from './greedy'
import { fromCents, toCents } from './money'
import { ANY_COLOUR, deskKey, piecesIn, tallyPieces, type DeskPiece } from './piece'
import type { Purchase } from './purchase'
import { settle, type OrderLine } from './settle'

/** A line of a purchase with what it costs in all. */
export interface DearLine extends OrderLine {
  readonly supplier: string
  readonly cost: number
}

/** The lines that cost most, the dearest first. */
export function dearestLines({ orders }: Purchase, most = 5): DearLine[] {
  return orders
    .flatMap(({ supplier, lines }) =>
      lines.map((line): DearLine => ({ ...line, supplier, cost: fromCents(Math.round(line.price * 100) * line.count) })),
    )
    .sort((a, b) => b.cost - a.cost || (deskKey(a) < deskKey(b) ? -1 : 1))
    .slice(0, most)
}

/** All missing pieces of one colour in another. */
export interface ColourChange {
  readonly from: string
  readonly to: string
  /** About what all costs then, and how much less that is than now, as a share. */
  readonly total: number
  readonly saved: number
}

/** So many colours are tried for one that is missing, those first in which most of its shapes are offered. */
const MOST_COLOURS = 12

/**
 * The change of one colour that saves most, by a quick purchase of each; nothing where none saves anything and leaves as few pieces open.
 * A quick purchase costs rather too much, so that what is saved is told rather too low.
 * @param found the purchase as it stands
 */
export function cheapestChange(
  found: Purchase,
  missing: readonly DeskPiece[],
  offers: OfferBook,
  kits: readonly Kit[],
): ColourChange | undefined {
  const now = { open: piecesIn(found.unavailable), cents: toCents(found.total) }
  let best: ColourChange | undefined
  for (const from of new Set(missing.map(({ colour }) => colour))) {
    if (from === ANY_COLOUR) continue
    for (const to of coloursFor(missing, from, offers)) {
      const changed = tallyPieces(missing.map((piece) => (piece.colour === from ? { ...piece, colour: to } : piece)))
      const then = quickTotal(changed, offers, kits)
      if (then.open > now.open || then.cents >= now.cents) continue
      if (!best || then.cents < best.total) best = { from, to, total: then.cents, saved: 1 - then.cents / now.cents }
    }
  }
  return best && { ...best, total: fromCents(best.total) }
}

function quickTotal(missing: readonly DeskPiece[], offers: OfferBook, kits: readonly Kit[]): { open: number; cents: number } {
  const goods = goodsOf(missing, offers, kits)
  const settled = settle(greedyPurchase(missing, offers, goods), missing, offers, goods)
  return settled ? { open: settled.open, cents: settled.goods + settled.shipping } : { open: Infinity, cents: Infinity }
}

function coloursFor(missing: readonly DeskPiece[], from: string, { suppliers }: OfferBook): string[] {
  const shapes = new Set(missing.filter(({ colour }) => colour === from).map(({ shape }) => shape))
  const offered = new Map<string, Set<string>>()
  for (const { offers } of suppliers) {
    for (const { shape, colour } of offers) {
      if (colour === from || !shapes.has(shape)) continue
      const known = offered.get(colour) ?? new Set()
      offered.set(colour, known.add(shape))
    }
  }
  return [...offered]
    .sort(([, a], [, b]) => b.size - a.size)
    .slice(0, MOST_COLOURS)
    .map(([colour]) => colour)
}
