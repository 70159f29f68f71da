import type { Catalogue } from '../catalogue'
import type { Alias } from '../names'
import { cellProblem, isValue, readCount, readNumber, type GridRow } from '../table'
import type { OfferBook, PieceOffer, Supplier } from './books'
import { isInCents } from './money'
import { deskKey } from './piece'
import { PIECE_COLUMNS, PieceTable } from './piece-table'
import { isNamed, supplierId } from './offer-edits'

type PriceColumn = 'supplier' | 'price' | 'available' | 'lot'
const COLUMNS = {
  names: {
    ...PIECE_COLUMNS,
    supplier: ['supplier', 'from', 'seller', 'shop'],
    price: ['price', 'price each', 'each'],
    available: ['available', 'count', 'quantity', 'qty', 'number'],
    lot: ['lot', 'multiple'],
  },
  needed: ['supplier', 'shape', 'colour', 'price'],
} as const

/** What was read of a table of prices. */
interface PricesRead {
  readonly offers: OfferBook
  readonly prices: number
  readonly words: PieceTable<PriceColumn>['words']
  readonly leftOut: readonly string[]
}

/**
 * A table of prices, a row an offer, put among the offers that are known: a supplier of that name keeps its shipping, and what it
 * offered of the same piece before is replaced; one that is not known ships for nothing until somebody says otherwise.
 * @param date of the prices: "2026-11-01"
 * @throws Fault `not-utf8`, `csv-header`, `csv-row` with all that is wrong
 */
export function readPrices(
  bytes: Uint8Array,
  {
    catalogue,
    aliases,
    known,
    date,
  }: { readonly catalogue: Catalogue; readonly aliases: readonly Alias[]; readonly known: OfferBook | null; readonly date: string },
): PricesRead {
  const table = new PieceTable<PriceColumn>(bytes, COLUMNS, catalogue, aliases)
  const suppliers = new Map<string, PieceOffer[]>()
  let prices = 0
  for (const row of table.rows) {
    const offer = offerOf(table, row)
    const name = table.cell(row, 'supplier').trim()
    if (name === '') table.problem(row, 'supplier', cellProblem({ key: 'cell.noSupplier' }, { key: 'cell.whoSells' }))
    if (!offer || name === '') continue
    prices++
    suppliers.set(name, [...(suppliers.get(name) ?? []), offer])
  }
  table.refuse()
  const book = known ?? { currency: 'EUR', date, suppliers: [] }
  const merged = [...suppliers].reduce((all, [name, offers]) => withOffers(all, name, offers), book.suppliers)
  return { offers: { ...book, date, suppliers: merged }, prices, words: table.words, leftOut: table.leftOut }
}

function offerOf(table: PieceTable<PriceColumn>, row: GridRow): PieceOffer | undefined {
  const piece = table.piece(row)
  const said = table.cell(row, 'price')
  const price = readNumber(said, table.separator)
  const isMoney = price !== undefined && price >= 0 && isInCents(price)
  if (!isMoney) table.problem(row, 'price', cellProblem({ key: 'cell.notPrice', about: { text: said } }, { key: 'cell.priceSuchAs' }))
  const available = countOf(table, row, 'available')
  const lot = countOf(table, row, 'lot')
  if (!piece || !isMoney) return undefined
  return { ...piece, price, ...(available === undefined ? {} : { available }), ...(lot ? { lot } : {}) }
}

function countOf(table: PieceTable<PriceColumn>, row: GridRow, name: 'available' | 'lot'): number | undefined {
  const said = table.cell(row, name)
  if (said === '') return undefined
  const read = readCount(said, table.separator)
  return isValue(read) ? read.value : table.problem(row, name, read)
}

function withOffers(suppliers: readonly Supplier[], name: string, offers: readonly PieceOffer[]): Supplier[] {
  const known = suppliers.find((each) => isNamed(each, name))
  const fresh = new Map(offers.map((offer) => [deskKey(offer), offer]))
  const kept = (known?.offers ?? []).filter((offer) => !fresh.has(deskKey(offer)))
  const supplier = known ?? { id: supplierId(name, suppliers), name, shipping: 0, kits: [] }
  const next = { ...supplier, offers: [...kept, ...fresh.values()] }
  return known ? suppliers.map((each) => (each === known ? next : each)) : [...suppliers, next]
}
