import Joi from 'joi'
import { nearestIds, type Catalogue } from '../catalogue'
import { Fault } from '../fault'
import { LIMITS, pathText, workSchema } from '../model'
import { jsonValue } from '../words'
import { isInCents } from './money'
import type { DeskPiece } from './piece'

/** The designer's books as files: kits, and what is offered where. Read whole or not at all. */

/** A box of pieces that is bought as one. */
export interface Kit {
  readonly id: string
  readonly name: string
  readonly pieces: readonly DeskPiece[]
}

/** A piece that a supplier sells. */
export interface PieceOffer extends Omit<DeskPiece, 'count'> {
  /** Of one piece, or of a metre. */
  readonly price: number
  /** Single pieces, at most. */
  readonly available?: number
  /** Sold in multiples of so many pieces. */
  readonly lot?: number
  /** Sold from the roll: in any length, `price` a metre. */
  readonly perMetre?: boolean
  /** It was in somebody's hands before. */
  readonly used?: boolean
}

interface KitOffer {
  readonly id: string
  readonly price: number
  readonly available?: number
}

export interface Supplier {
  readonly id: string
  readonly name: string
  readonly shipping: number
  /** Nothing is paid for shipping from so much goods on. */
  readonly freeFrom?: number
  /** An order holds goods for so much at least. */
  readonly minimum?: number
  /** From the order until it is here. */
  readonly days?: number
  readonly offers: readonly PieceOffer[]
  readonly kits: readonly KitOffer[]
}

export interface OfferBook {
  readonly currency: string
  /** The day of the prices: "2026-11-01". */
  readonly date: string
  readonly suppliers: readonly Supplier[]
}

const MOST_COUNT = 1_000_000
const MOST_PRICE = 10_000_000
const MOST_ENTRIES = 100_000
const id = Joi.string().min(1).max(LIMITS.nameLength)
const name = Joi.string().min(1).max(LIMITS.nameLength)
const count = Joi.number().integer().min(0).max(MOST_COUNT)
const lengthMm = Joi.number().greater(0).max(LIMITS.coordinate)
const work = Joi.array().items(workSchema)
const money = Joi.number()
  .min(0)
  .max(MOST_PRICE)
  .custom((value: number, helpers) => (isInCents(value) ? value : helpers.error('money.cents')))
const colour = id.invalid('any')
const piece = Joi.object({ shape: id.required(), colour: colour.required(), count: count.required(), lengthMm, work })
const kitsSchema = Joi.object({
  format: Joi.valid('jump-rail-kits').required(),
  version: Joi.valid(1).required(),
  kits: Joi.array()
    .items(Joi.object({ id: id.required(), name: name.required(), pieces: Joi.array().items(piece).max(MOST_ENTRIES).required() }))
    .max(MOST_ENTRIES)
    .required(),
})
const offer = Joi.object({
  shape: id.required(),
  colour: colour.required(),
  price: money.required(),
  available: count,
  lot: count.min(1),
  lengthMm,
  perMetre: Joi.boolean(),
  used: Joi.boolean(),
  work,
}).nand('lengthMm', 'perMetre')
const offersSchema = Joi.object({
  format: Joi.valid('jump-rail-offers').required(),
  version: Joi.valid(1).required(),
  currency: Joi.string().min(1).max(20).required(),
  date: Joi.string()
    .pattern(/^\d{4}-\d\d-\d\d$/)
    .required(),
  suppliers: Joi.array()
    .items(
      Joi.object({
        id: id.required(),
        name: name.required(),
        shipping: money.required(),
        freeFrom: money,
        minimum: money,
        days: count,
        offers: Joi.array().items(offer).max(MOST_ENTRIES).default([]),
        kits: Joi.array()
          .items(Joi.object({ id: id.required(), price: money.required(), available: count }))
          .max(MOST_ENTRIES)
          .default([]),
      }),
    )
    .max(1000)
    .required(),
})

/**
 * A file of kits.
 * @throws Fault `not-json`, `bad-value`, `unknown-key`, `missing-key`, `double-id`, `unknown-shape`, `unknown-colour`
 */
export function readKits(text: string, catalogue: Catalogue): Kit[] {
  const { kits } = readBook<{ kits: readonly Kit[] }>(text, kitsSchema)
  refuseDoubles(kits, 'kits')
  kits.forEach(({ pieces }, i) => pieces.forEach((each, k) => refuseUnknown(each, catalogue, `kits[${i}].pieces[${k}]`)))
  return [...kits]
}

/**
 * A file of offers.
 * @throws Fault as `readKits` does
 */
export function readOffers(text: string, catalogue: Catalogue): OfferBook {
  const { currency, date, suppliers } = readBook<OfferBook>(text, offersSchema)
  refuseDoubles(suppliers, 'suppliers')
  suppliers.forEach(({ offers }, i) => offers.forEach((each, k) => refuseUnknown(each, catalogue, `suppliers[${i}].offers[${k}]`)))
  return { currency, date, suppliers }
}

function readBook<Book>(text: string, schema: Joi.ObjectSchema): Book {
  const result = schema.validate(jsonValue(text, 'Save it again from where it came from.'), { convert: false, abortEarly: true })
  if (result.error) throw bookFault(result.error.details[0]!)
  return result.value as Book
}

function bookFault({ type, path, message }: Joi.ValidationErrorItem): Fault {
  const place = pathText(path)
  const last = String(path[path.length - 1] ?? 'the file')
  if (type === 'object.unknown')
    return new Fault('unknown-key', `The key “${last}” is not known here.`, { place, wayOut: 'Remove it, or check its spelling.' })
  if (type === 'any.required') return new Fault('missing-key', `“${last}” is missing.`, { place })
  if (type === 'money.cents') return new Fault('bad-value', 'Money has two decimals at most.', { place, wayOut: 'Round it to cents.' })
  if (type === 'any.only') return new Fault('bad-value', `“${last}” is not what such a file holds.`, { place })
  return new Fault('bad-value', `${message.charAt(0).toUpperCase()}${message.slice(1)}.`, { place })
}

function refuseDoubles(entries: readonly { readonly id: string }[], list: string): void {
  const seen = new Set<string>()
  entries.forEach((entry, i) => {
    if (seen.has(entry.id)) throw new Fault('double-id', `The id “${entry.id}” stands twice.`, { place: `${list}[${i}].id` })
    seen.add(entry.id)
  })
}

function refuseUnknown({ shape, colour: colourId }: Omit<DeskPiece, 'count'>, { shapes, colours }: Catalogue, place: string): void {
  for (const [kind, known, each] of [
    ['shape', shapes, shape],
    ['colour', colours, colourId],
  ] as const) {
    if (known.has(each)) continue
    throw new Fault(`unknown-${kind}`, `There is no ${kind} “${each}”.`, {
      place: `${place}.${kind}`,
      wayOut: `The nearest known: ${nearestIds(each, known.keys()).join(', ')}.`,
    })
  }
}
