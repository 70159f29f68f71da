import type { Kit, OfferBook } from './books'
import type { DeskPiece } from './piece'
import { purchase, type Purchase, type PurchaseOptions } from './purchase'

/** How somebody wants to buy; nothing said: whatever is cheapest. */
export interface BuyingChoice {
  /** The least total, as few orders as can be, or everything in one order. */
  readonly aim?: 'cheapest' | 'fewest-orders' | 'one-supplier'
  /** Ids of suppliers that are not wanted. */
  readonly without?: readonly string[]
  /** Nothing that was in somebody's hands before. */
  readonly noUsed?: boolean
  /** Days until it must be here; who does not say how long it takes is left out then. */
  readonly withinDays?: number
}

/** What of the offers a choice allows. */
export function offersAllowed(offers: OfferBook, { without = [], noUsed = false, withinDays }: BuyingChoice): OfferBook {
  const suppliers = offers.suppliers
    .filter(({ id, days }) => !without.includes(id) && (withinDays === undefined || (days !== undefined && days <= withinDays)))
    .map((supplier) => (noUsed ? { ...supplier, offers: supplier.offers.filter(({ used }) => used !== true) } : supplier))
  return { ...offers, suppliers }
}

/** The best purchase of those that a choice allows. */
// eslint-disable-next-line max-params -- what is wanted, what is offered, how it is chosen and looked for
export function purchaseBy(
  choice: BuyingChoice,
  missing: readonly DeskPiece[],
  offers: OfferBook,
  kits: readonly Kit[],
  options: PurchaseOptions,
): Purchase {
  const allowed = offersAllowed(offers, choice)
  if (choice.aim !== 'one-supplier' || allowed.suppliers.length < 2)
    return purchase(missing, allowed, kits, { ...options, fewestOrders: choice.aim === 'fewest-orders' })
  // Bounds of one supplier say nothing of the others: none is told on the way.
  const { onProgress: _untold, ...quietly } = options
  const seconds = options.seconds / allowed.suppliers.length
  const found = allowed.suppliers.map((supplier) => purchase(missing, { ...allowed, suppliers: [supplier] }, kits, { ...quietly, seconds }))
  return found.reduce((best, each) => (isBetter(each, best) ? each : best))
}

const openOf = ({ unavailable }: Purchase): number => unavailable.reduce((sum, { count }) => sum + count, 0)

const isBetter = (a: Purchase, b: Purchase): boolean => openOf(a) < openOf(b) || (openOf(a) === openOf(b) && a.total < b.total)
