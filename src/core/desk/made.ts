import type { Kit, OfferBook } from './books'
import type { DeskPiece } from './piece'
import type { MarketDay } from './practice-market'

/** Something that came into the stock, or went out of it. */
interface StockChange {
  /** When, ms. */
  readonly at: number
  /** In words: "by hand", "order k3f at Quay sorting room". */
  readonly what: string
  /** Counts below 0 were taken out. */
  readonly pieces: readonly DeskPiece[]
}

/** The designer's books: what is in stock, which kits there are and how many are owned, what is offered. */
export interface Books {
  readonly stock: readonly DeskPiece[]
  readonly kits: readonly Kit[]
  /** By id of the kit. */
  readonly had: Readonly<Record<string, number>>
  readonly offers: OfferBook | null
  /** The day of the practice market that the offers are of; nothing where they came from a file. */
  readonly practice?: MarketDay
  /** What came into the stock and went out of it, the newest first. */
  readonly log: readonly StockChange[]
}

export const NO_BOOKS: Books = { stock: [], kits: [], had: {}, offers: null, log: [] }

/** By shape: the colours in which the books have it. */
export type ColourBook = ReadonlyMap<string, ReadonlySet<string>>

export function colourBook({ stock, kits, offers }: Books): ColourBook {
  const book = new Map<string, Set<string>>()
  const note = ({ shape, colour }: Pick<DeskPiece, 'shape' | 'colour'>): void => {
    const colours = book.get(shape)
    if (colours) colours.add(colour)
    else book.set(shape, new Set([colour]))
  }
  stock.forEach(note)
  for (const { pieces } of kits) pieces.forEach(note)
  for (const supplier of offers?.suppliers ?? []) supplier.offers.forEach(note)
  return book
}

/** Pieces whose shape the books know in other colours, but not in theirs. Of shapes that the books do not know nothing is said. */
export const notMade = <Piece extends Pick<DeskPiece, 'shape' | 'colour'>>(pieces: readonly Piece[], book: ColourBook): Piece[] =>
  pieces.filter(({ shape, colour }) => {
    const colours = book.get(shape)
    return colours !== undefined && !colours.has(colour)
  })
