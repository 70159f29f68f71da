import { allocate } from './allocate'
import type { OfferBook } from './books'
import type { Goods } from './goods'
import { fromCents, toCents, type Cents } from './money'
import { kindOf, piecesIn, tallyPieces, type DeskPiece } from './piece'
import type { Basket } from './purchase-program'

export interface OrderLine extends DeskPiece {
  /** Of one piece. */
  readonly price: number
}

/** What is ordered at one supplier. */
export interface Order {
  readonly supplier: string
  readonly lines: readonly OrderLine[]
  readonly kits: readonly { readonly id: string; readonly count: number; readonly price: number }[]
  readonly goods: number
  readonly shipping: number
}

export interface SettledPurchase {
  readonly orders: readonly Order[]
  readonly goods: Cents
  readonly shipping: Cents
  readonly unavailable: readonly DeskPiece[]
  readonly surplus: readonly DeskPiece[]
  /** Pieces that stay open. */
  readonly open: number
}

/**
 * What a basket costs, reckoned anew from the offers in whole cents.
 * @returns undefined where an order is below its minimum
 */
export function settle(
  basket: Basket,
  missing: readonly DeskPiece[],
  { suppliers }: OfferBook,
  goods: readonly Goods[],
): SettledPurchase | undefined {
  const bySupplier = suppliers.map((): number[] => [])
  basket.forEach((units, i) => {
    if (units > 0) bySupplier[goods[i]!.supplier]!.push(i)
  })
  const orders: Order[] = []
  let [sum, paid] = [0, 0]
  for (const [i, supplier] of suppliers.entries()) {
    const bought = bySupplier[i]!
    if (bought.length === 0) continue
    const cents = bought.reduce((total, each) => total + goods[each]!.cents * basket[each]!, 0)
    if (cents < toCents(supplier.minimum ?? 0)) return undefined
    const shipping = supplier.freeFrom !== undefined && cents >= toCents(supplier.freeFrom) ? 0 : toCents(supplier.shipping)
    sum += cents
    paid += shipping
    orders.push({
      supplier: supplier.id,
      lines: linesOf(bought.map((each) => ({ goods: goods[each]!, units: basket[each]! }))),
      kits: bought.flatMap((each) => {
        const { kit, cents: price } = goods[each]!
        return kit === undefined ? [] : [{ id: kit, count: basket[each]!, price: fromCents(price) }]
      }),
      goods: fromCents(cents),
      shipping: fromCents(shipping),
    })
  }
  const bought = basket.flatMap((units, i) =>
    units === 0 ? [] : goods[i]!.brings.map((piece) => ({ ...piece, count: piece.count * units, from: i })),
  )
  const { missing: unavailable, left } = allocate(missing, tallied(bought))
  return {
    orders,
    goods: sum,
    shipping: paid,
    unavailable,
    surplus: tallyPieces(left.map((piece) => ({ ...kindOf(piece), count: piece.count }))),
    open: piecesIn(unavailable),
  }
}

const tallied = (pieces: readonly DeskPiece[]) =>
  tallyPieces(pieces.map((piece) => ({ ...kindOf(piece), count: piece.count }))).map((piece) => ({ ...piece, from: 'orders' }))

/** One line a piece and price. */
function linesOf(bought: readonly { readonly goods: Goods; readonly units: number }[]): OrderLine[] {
  return bought.flatMap(({ goods: { kit, cents, brings }, units }) => {
    const [piece] = brings
    if (kit !== undefined || !piece) return []
    return [{ ...piece, count: piece.count * units, price: fromCents(cents / piece.count) }]
  })
}
