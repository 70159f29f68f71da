import { allocate } from './allocate'
import type { Kit, OfferBook } from './books'
import { goodsOf, type Goods } from './goods'
import { greedyPurchase } from './greedy'
import { fromCents } from './money'
import { piecesIn, type DeskPiece } from './piece'
import type { SolveProgram } from './program'
import { PurchaseProgram } from './purchase-program'
import { settle, type Order, type SettledPurchase } from './settle'

/** What to buy where. Money has two decimals. */
export interface Purchase {
  readonly total: number
  readonly currency: string
  readonly date: string
  readonly goods: number
  readonly shipping: number
  /** No purchase that leaves as few pieces open costs less; of those with so few orders, where few orders are asked for. */
  readonly lowerBound: number
  readonly optimal: boolean
  readonly orders: readonly Order[]
  /** What cannot be had. */
  readonly unavailable: readonly DeskPiece[]
  /** What is bought and not needed. */
  readonly surplus: readonly DeskPiece[]
}

export interface PurchaseOptions {
  readonly solve: SolveProgram
  readonly seconds: number
  /** As few orders as can be come before a low total. */
  readonly fewestOrders?: boolean
  /** Told of the least total found and of the bound. @returns whether to stop */
  readonly onProgress?: (total: number, lowerBound: number) => boolean
}

/** A bound is proven in fractions of a cent; this much of one is rounding. */
const ROUNDING_CENTS = 0.01

/**
 * The cheapest purchase that covers what is missing: as few pieces unavailable as can be, then the least total, by integer programming
 * from a quick purchase on. What is printed is reckoned anew from the offers.
 */
export function purchase(missing: readonly DeskPiece[], offers: OfferBook, kits: readonly Kit[], options: PurchaseOptions): Purchase {
  const goods = goodsOf(missing, offers, kits)
  const quick = greedyPurchase(missing, offers, goods)
  // A quick purchase that cannot be filled up to a minimum is none; nothing at all always can be had.
  let best: SettledPurchase =
    settle(quick, missing, offers, goods) ??
    settle(
      goods.map(() => 0),
      missing,
      offers,
      goods,
    )!
  const program = new PurchaseProgram(missing, offers, goods)
  const ends = Date.now() + options.seconds * 1000
  const secondsLeft = (): number => Math.max(0.1, (ends - Date.now()) / 1000)
  const isBetter = options.fewestOrders ? hasFewerOrders : isCheaper
  const take = (values: readonly number[] | undefined): void => {
    const found = values && settle(program.basket(values), missing, offers, goods)
    if (found && isBetter(found, best)) best = found
  }
  const fewest = leastOpen(missing, goods)
  if (best.open > fewest) take(options.solve(program.fullest(), { seconds: secondsLeft() / 2, start: program.start(quick) }).values)
  const quickSettled = settle(quick, missing, offers, goods)
  if (options.fewestOrders) take(options.solve(program.fewestOrders(best.open), { seconds: secondsLeft() / 2 }).values)
  const mostOrders = options.fewestOrders ? best.orders.length : Infinity
  const { values, bound } = options.solve(program.cheapest(best.open, mostOrders), {
    seconds: secondsLeft(),
    ...(quickSettled?.open === best.open && quickSettled.orders.length <= mostOrders ? { start: program.start(quick) } : {}),
    ...(options.onProgress ? { onProgress: (cost, least) => options.onProgress!(fromCents(cost), fromCents(least)) } : {}),
  })
  take(values)
  return written(best, offers, Math.max(0, Math.ceil(bound - ROUNDING_CENTS)))
}

function written(best: SettledPurchase, { currency, date }: OfferBook, bound: number): Purchase {
  const total = best.goods + best.shipping
  const lowerBound = Math.min(bound, total)
  return {
    total: fromCents(total),
    currency,
    date,
    goods: fromCents(best.goods),
    shipping: fromCents(best.shipping),
    lowerBound: fromCents(lowerBound),
    optimal: lowerBound === total,
    orders: best.orders,
    unavailable: best.unavailable,
    surplus: best.surplus,
  }
}

const hasFewerOrders = (a: SettledPurchase, b: SettledPurchase): boolean =>
  a.open < b.open || (a.open === b.open && (a.orders.length < b.orders.length || (a.orders.length === b.orders.length && isCheaper(a, b))))

const isCheaper = (a: SettledPurchase, b: SettledPurchase): boolean =>
  a.open < b.open || (a.open === b.open && a.goods + a.shipping < b.goods + b.shipping)

/** How many pieces stay open even where all that is offered is bought, whatever the minimum of an order. */
function leastOpen(missing: readonly DeskPiece[], goods: readonly Goods[]): number {
  const wanted = piecesIn(missing)
  const all = goods.flatMap(({ brings, available }, i) =>
    brings.map((piece) => ({ ...piece, count: Math.min(wanted, piece.count * available), from: i })),
  )
  return piecesIn(allocate(missing, all).missing)
}
