import { Fault } from '../fault'
import type { OfferBook, PieceOffer, Supplier } from './books'
import { isInCents } from './money'
import { deskKey, type DeskPiece } from './piece'

/** Edits of the offers by hand: each returns the next book, and refuses what a file of offers would be refused for. */

/** What of a supplier is typed: money in the currency of the book, days as a number; undefined takes one away. */
export type SupplierTerms = Partial<Pick<Supplier, 'name' | 'shipping'>> & {
  readonly [term in 'freeFrom' | 'minimum' | 'days']?: number | undefined
}

/** The same name, however it is written. */
export const isNamed = (supplier: Supplier, name: string): boolean => supplier.name.toLowerCase() === name.trim().toLowerCase()

/** An id made of a name that no other has. */
export function supplierId(name: string, suppliers: readonly Supplier[]): string {
  const base =
    name
      .trim()
      .toLowerCase()
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 60) || 'supplier'
  const taken = new Set(suppliers.map(({ id }) => id))
  let id = base
  for (let n = 2; taken.has(id); n++) id = `${base}-${n}`
  return id
}

/** @param date of a first price: "2026-11-01" @throws Fault `bad-value` where there is one of that name */
export function addSupplier(book: OfferBook | null, name: string, date: string): OfferBook {
  const { currency, suppliers } = book ?? { currency: 'EUR', suppliers: [] }
  if (suppliers.some((each) => isNamed(each, name)))
    throw new Fault('bad-value', `There is a supplier called ${name.trim()} already.`, { wayOut: 'Take another name.' })
  return {
    currency,
    date: book?.date ?? date,
    suppliers: [...suppliers, { id: supplierId(name, suppliers), name: name.trim(), shipping: 0, offers: [], kits: [] }],
  }
}

/** @throws Fault `bad-value` */
export function changeSupplier(book: OfferBook, id: string, terms: SupplierTerms): OfferBook {
  for (const [key, value] of Object.entries(terms)) if (typeof value === 'number') refuseNumber(value, key === 'days' ? 'days' : 'money')
  return withSupplier(book, id, (supplier) => {
    const next: Record<string, unknown> = { ...supplier, ...terms }
    for (const key of ['freeFrom', 'minimum', 'days']) if (next[key] === undefined) delete next[key]
    return next as unknown as Supplier
  })
}

export const removeSupplier = (book: OfferBook, id: string): OfferBook => ({
  ...book,
  suppliers: book.suppliers.filter((each) => each.id !== id),
})

/** A price for a piece, in place of the one it had. @throws Fault `bad-value` */
export function setPrice(book: OfferBook, id: string, piece: Omit<DeskPiece, 'count'>, price: number): OfferBook {
  refuseNumber(price, 'money')
  const key = deskKey(piece)
  return withSupplier(book, id, (supplier) => {
    const known = supplier.offers.find((offer) => deskKey(offer) === key)
    const offer: PieceOffer = { ...(known ?? piece), price }
    return { ...supplier, offers: known ? supplier.offers.map((each) => (each === known ? offer : each)) : [...supplier.offers, offer] }
  })
}

export const removeOffer = (book: OfferBook, id: string, offer: PieceOffer): OfferBook =>
  withSupplier(book, id, (supplier) => ({ ...supplier, offers: supplier.offers.filter((each) => deskKey(each) !== deskKey(offer)) }))

const withSupplier = (book: OfferBook, id: string, change: (supplier: Supplier) => Supplier): OfferBook => ({
  ...book,
  suppliers: book.suppliers.map((each) => (each.id === id ? change(each) : each)),
})

function refuseNumber(value: number, what: 'money' | 'days'): void {
  const isDays = what === 'days'
  const isRight = Number.isFinite(value) && value >= 0 && (isDays ? Number.isInteger(value) : isInCents(value))
  if (isRight) return
  throw new Fault('bad-value', isDays ? 'Days are a whole number.' : 'Money is a number from 0 with two decimals at most.', {
    wayOut: isDays ? 'Write a number such as 4.' : 'Write a number such as 0.25.',
  })
}
