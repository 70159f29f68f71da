import { isByLength, massOf, type Catalogue, type Colour, type Shape } from '../catalogue'
import type { Kit, OfferBook, PieceOffer } from './books'
import { fromCents, toCents, type Cents } from './money'
import { deskKey, type DeskPiece } from './piece'

/**
 * A made-up market to try the whole way of buying with: several suppliers and kits, whose stock and prices are told by a seed and change
 * from day to day. Nothing is remembered: the same seed, day and question have the same answer.
 */
export interface MarketDay {
  readonly seed: number
  /** "2026-11-29". */
  readonly date: string
}

interface PracticeSupplier {
  readonly id: string
  readonly name: string
  readonly shipping: number
  readonly freeFrom?: number
  readonly minimum?: number
  readonly days: number
  /** Share of all kinds that it has. */
  readonly breadth: number
  /** Against the usual price. */
  readonly dearness: number
  /** Share of what it has that was in somebody's hands before. */
  readonly used: number
  readonly lot?: number
}

const SUPPLIERS: readonly PracticeSupplier[] = [
  { id: 'quay', name: 'Quay sorting room', shipping: 4.9, freeFrom: 60, minimum: 5, days: 4, breadth: 0.75, dearness: 1, used: 0 },
  { id: 'drawer', name: 'The long drawer', shipping: 2.5, days: 3, breadth: 0.4, dearness: 1.15, used: 0 },
  { id: 'attic', name: 'Attic finds', shipping: 3.2, minimum: 3, days: 6, breadth: 0.5, dearness: 0.7, used: 0.8 },
  { id: 'depot', name: 'Tram depot by the ten', shipping: 6, freeFrom: 90, days: 9, breadth: 0.6, dearness: 0.8, used: 0, lot: 10 },
  { id: 'corner', name: 'Corner table', shipping: 1.9, days: 2, breadth: 0.25, dearness: 1.3, used: 0.2 },
]

/** In these a shape is asked for beside its own colour, so that a change of colour can be reckoned. */
const COMMON_COLOURS = ['ash', 'slate', 'white', 'black', 'sand']
const CURRENCY = 'EUR'
/** Of a piece in cents: for its plastic, for being made and sorted, and for every metre cut from a roll. */
const PER_GRAM = 4
const PER_PIECE = 3
const PER_METRE = 160
const FINISHES: Readonly<Record<Colour['finish'], number>> = { solid: 1, clear: 1.25, metal: 1.9, glow: 2.2 }

/** A number from 0 to 1 that a text always has (FNV-1a, Fowler, Noll and Vo 1991, with a last mix). */
function chanceOf(...words: readonly (string | number)[]): number {
  let hash = 0x811c9dc5
  for (const letter of words.join('\n')) hash = Math.imul(hash ^ letter.codePointAt(0)!, 0x01000193)
  hash = Math.imul(hash ^ (hash >>> 15), 0x2c1b3c6d)
  hash = Math.imul(hash ^ (hash >>> 12), 0x297a2d39)
  return ((hash ^ (hash >>> 15)) >>> 0) / 2 ** 32
}

/** What the market asks for some kinds of pieces on a day, and for the same shapes in common colours; kits with them. */
export function practiceOffers(pieces: readonly Pick<DeskPiece, 'shape' | 'colour'>[], day: MarketDay, catalogue: Catalogue): OfferBook {
  const kinds = new Map<string, readonly [shape: Shape, colour: Colour]>()
  for (const { shape: id, colour: own } of pieces) {
    const shape = catalogue.shapes.get(id)
    for (const colourId of new Set([own, ...COMMON_COLOURS])) {
      const colour = catalogue.colours.get(colourId)
      if (shape && colour) kinds.set(`${id} ${colourId}`, [shape, colour])
    }
  }
  const kits = practiceKits(day.seed)
  return {
    currency: CURRENCY,
    date: day.date,
    suppliers: SUPPLIERS.map((supplier) => {
      const { id, name, shipping, freeFrom, minimum, days } = supplier
      const bounds = { ...(freeFrom === undefined ? {} : { freeFrom }), ...(minimum === undefined ? {} : { minimum }) }
      const offers = [...kinds.values()].flatMap(([shape, colour]) => offerOf(supplier, shape, colour, day) ?? [])
      const offered = kits.filter((kit) => chanceOf(day.seed, id, kit.id) < supplier.breadth)
      return {
        id,
        name,
        shipping,
        ...bounds,
        days,
        offers,
        kits: offered.map((kit) => ({
          id: kit.id,
          price: fromCents(Math.round(kitCents(kit, catalogue) * supplier.dearness * swing(day, id, kit.id))),
          available: 1 + Math.floor(chanceOf(day.seed, day.date, id, kit.id) * 4),
        })),
      }
    }),
  }
}

/** Prices go up and down by a tenth from day to day. */
const swing = ({ seed, date }: MarketDay, ...words: readonly string[]): number => 0.9 + 0.2 * chanceOf(seed, date, ...words)

function offerOf(supplier: PracticeSupplier, shape: Shape, colour: Colour, day: MarketDay): PieceOffer | undefined {
  const kind = `${shape.id} ${colour.id}`
  if (chanceOf(day.seed, supplier.id, kind) >= supplier.breadth) return undefined
  const { lot } = supplier
  const isUsed = chanceOf(day.seed, 'used', supplier.id, kind) < supplier.used
  // Some kinds are rare everywhere, and some are few at one supplier today.
  const rare = 0.7 + 0.9 * chanceOf(day.seed, 'rare', kind)
  const few = chanceOf(day.seed, day.date, 'few', supplier.id, kind)
  const available = Math.floor(few < 0.15 ? few * 30 : 10 + few * 190)
  const factor = supplier.dearness * FINISHES[colour.finish] * rare * (isUsed ? 0.7 : 1) * swing(day, supplier.id, kind)
  const more = { ...(lot === undefined ? {} : { lot }), ...(isUsed ? { used: true } : {}) }
  if (isByLength(shape.id)) return { shape: shape.id, colour: colour.id, price: price(PER_METRE * factor), perMetre: true }
  return { shape: shape.id, colour: colour.id, price: price((PER_PIECE + PER_GRAM * massOf(shape)) * factor), available, ...more }
}

const price = (cents: number): number => fromCents(Math.max(1, Math.round(cents)))

/** Two made-up kits; which pieces are in them is told by the seed. */
export function practiceKits(seed: number): Kit[] {
  const box = (id: string, name: string, colours: readonly string[]): Kit => ({
    id,
    name,
    pieces: KIT_SHAPES.flatMap((shape) =>
      colours.map((colour): DeskPiece => ({ shape, colour, count: 2 + Math.floor(chanceOf(seed, id, shape, colour) * 10) })),
    ),
  })
  return [box('practice-wall', 'Wall box', ['white', 'sand']), box('practice-ground', 'Ground box', ['slate', 'green'])]
}

const KIT_SHAPES = ['brick-1x2', 'brick-1x4', 'brick-2x4', 'plate-1x2', 'plate-2x4', 'tile-1x2']

/** A kit costs less than its pieces one by one. */
const KIT_SHARE = 0.7

const kitCents = ({ pieces }: Kit, { shapes }: Catalogue): Cents =>
  pieces.reduce((sum, { shape, count }) => sum + count * (PER_PIECE + PER_GRAM * massOf(shapes.get(shape)!)), 0) * KIT_SHARE

/** An order at one supplier of the market. */
export interface PracticeOrder {
  readonly supplier: string
  readonly lines: readonly DeskPiece[]
  readonly kits: readonly { readonly id: string; readonly count: number }[]
}

/** What came of an order. Now and then a delivery is short: what does not come is not paid. */
export interface PracticeDelivery {
  readonly orderId: string
  readonly supplier: string
  readonly delivered: readonly DeskPiece[]
  readonly short: readonly DeskPiece[]
  readonly kits: readonly { readonly id: string; readonly count: number }[]
  readonly paid: number
  readonly currency: string
  /** The day it arrives. */
  readonly arrives: string
}

/** One line in so many is short. */
const SHORT = 0.12

/** @returns undefined where the market has no such supplier, or does not offer what is ordered on that day */
export function practiceDelivery(order: PracticeOrder, day: MarketDay, catalogue: Catalogue): PracticeDelivery | undefined {
  const offers = practiceOffers(order.lines, day, catalogue)
  const supplier = offers.suppliers.find(({ id }) => id === order.supplier)
  if (!supplier) return undefined
  let goods = 0
  const [delivered, short]: [DeskPiece[], DeskPiece[]] = [[], []]
  for (const line of order.lines) {
    const offer = supplier.offers.find(({ shape, colour }) => shape === line.shape && colour === line.colour)
    if (!offer || line.count > (offer.available ?? Infinity)) return undefined
    const chance = chanceOf(day.seed, day.date, order.supplier, 'short', deskKey(line))
    const come = chance < SHORT ? Math.floor(line.count * (0.4 + 4 * chance)) : line.count
    const each = offer.perMetre === true ? Math.round((toCents(offer.price) * (line.lengthMm ?? 0)) / 1000) : toCents(offer.price)
    goods += each * come
    if (come > 0) delivered.push({ ...line, count: come })
    if (come < line.count) short.push({ ...line, count: line.count - come })
  }
  for (const { id, count } of order.kits) {
    const offer = supplier.kits.find((kit) => kit.id === id)
    if (!offer || count > (offer.available ?? Infinity)) return undefined
    goods += toCents(offer.price) * count
  }
  const shipping = supplier.freeFrom !== undefined && goods >= toCents(supplier.freeFrom) ? 0 : toCents(supplier.shipping)
  const orderId = Math.floor(chanceOf(day.seed, day.date, JSON.stringify(order)) * 1e9).toString(36)
  const arrives = new Date(Date.parse(day.date) + (supplier.days ?? 0) * 86_400_000).toISOString().slice(0, 10)
  return {
    orderId,
    supplier: supplier.id,
    delivered,
    short,
    kits: order.kits,
    paid: fromCents(goods + shipping),
    currency: CURRENCY,
    arrives,
  }
}
