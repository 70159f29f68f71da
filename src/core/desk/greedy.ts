import { serves } from './allocate'
import type { OfferBook } from './books'
import type { Goods } from './goods'
import { toCents } from './money'
import { ANY_COLOUR, type DeskPiece } from './piece'
import type { Basket } from './purchase-program'

/** A purchase found quickly, and how good it is: first what stays open, then what it costs. */
interface FoundPurchase {
  readonly basket: Basket
  readonly open: number
  readonly cents: number
}

/** Rounds of trying each supplier; each tries at most so many. */
const ROUNDS = 6
const MOST_TRIED = 40

/**
 * A good purchase to begin with: every need at the cheapest of the suppliers that are ordered from; then suppliers are left out or taken in,
 * one by one, as long as that leaves no more open and costs less. Kits that are worth more than they cost are taken first.
 */
export function greedyPurchase(missing: readonly DeskPiece[], offers: OfferBook, goods: readonly Goods[]): Basket {
  const shop = new GreedyShop(missing, offers, goods)
  const sold = [...new Set(goods.map(({ supplier }) => supplier))].slice(0, MOST_TRIED)
  let best: { readonly ordered: ReadonlySet<number>; readonly found: FoundPurchase } | undefined
  for (const kits of [[], shop.worthyKits()]) {
    let ordered = new Set(sold)
    let found = shop.buy(ordered, kits)
    for (let round = 0; round < ROUNDS; round++) {
      const before = found
      for (const supplier of sold) {
        const other = new Set(ordered)
        if (!other.delete(supplier)) other.add(supplier)
        const tried = shop.buy(other, kits)
        if (isBetter(tried, found)) [ordered, found] = [other, tried]
      }
      if (found === before) break
    }
    if (!best || isBetter(found, best.found)) best = { ordered, found }
  }
  return best!.found.basket
}

const isBetter = (a: FoundPurchase, b: FoundPurchase): boolean => a.open < b.open || (a.open === b.open && a.cents < b.cents)

/** Goods that bring a piece, cheapest first. */
interface Priced {
  readonly goods: number
  readonly lot: number
}

class GreedyShop {
  /** By need. */
  private readonly choices: Priced[][]
  /** Needs in a named colour come first. */
  private readonly order: number[]

  constructor(
    private readonly missing: readonly DeskPiece[],
    private readonly offers: OfferBook,
    private readonly goods: readonly Goods[],
  ) {
    this.order = missing
      .map((_, i) => i)
      .sort((a, b) => Number(missing[a]!.colour === ANY_COLOUR) - Number(missing[b]!.colour === ANY_COLOUR))
    this.choices = missing.map(() => [])
    goods.forEach(({ kit, serves: served, brings }, g) => {
      if (kit !== undefined) return
      for (const need of served) this.choices[need]!.push({ goods: g, lot: brings[0]!.count })
    })
    const each = ({ goods: g, lot }: Priced): number => goods[g]!.cents / lot
    for (const list of this.choices) list.sort((a, b) => each(a) - each(b))
  }

  /** Kits whose pieces would cost more singly. */
  worthyKits(): { readonly goods: number; readonly units: number }[] {
    const open = this.missing.map(({ count }) => count)
    return this.goods.flatMap(({ kit, cents, brings, available, serves: served }, g) => {
      if (kit === undefined) return []
      let units = 0
      for (; units < Math.min(available, 50); units++) {
        const used = this.use(brings, served, open)
        const worth = used.reduce((sum, { need, count }) => sum + count * this.cheapest(need), 0)
        if (worth <= cents) break
        for (const { need, count } of used) open[need]! -= count
      }
      return units === 0 ? [] : [{ goods: g, units }]
    })
  }

  private cheapest(need: number): number {
    const [choice] = this.choices[need]!
    return choice ? this.goods[choice.goods]!.cents / choice.lot : Number.MAX_SAFE_INTEGER / 1e6
  }

  /** What of some goods meets which needs: no need is met twice. */
  private use(brings: readonly DeskPiece[], served: readonly number[], wanted: readonly number[]) {
    const open = [...wanted]
    return brings.flatMap((piece) => {
      let left = piece.count
      return served.flatMap((need) => {
        const count = serves(piece, this.missing[need]!) ? Math.min(left, open[need]!) : 0
        left -= count
        open[need]! -= count
        return count === 0 ? [] : [{ need, count }]
      })
    })
  }

  buy(ordered: ReadonlySet<number>, kits: readonly { readonly goods: number; readonly units: number }[]): FoundPurchase {
    const open = this.missing.map(({ count }) => count)
    const basket = this.goods.map(() => 0)
    for (const { goods: g, units } of kits) {
      const { brings, serves: served, supplier } = this.goods[g]!
      if (!ordered.has(supplier)) continue
      basket[g] = units
      for (const { need, count } of this.use(
        brings.map((piece) => ({ ...piece, count: piece.count * units })),
        served,
        open,
      ))
        open[need]! -= count
    }
    for (const need of this.order) {
      for (const { goods: g, lot } of this.choices[need]!) {
        if (open[need] === 0) break
        const { supplier, available } = this.goods[g]!
        if (!ordered.has(supplier)) continue
        const units = Math.min(available - basket[g]!, Math.ceil(open[need]! / lot))
        basket[g]! += units
        open[need] = Math.max(0, open[need]! - units * lot)
      }
    }
    return { basket, open: open.reduce((sum, count) => sum + count, 0), cents: this.fillUp(basket) }
  }

  /** Fills orders up to their minimum, and to free shipping where that is cheaper. @returns what all costs; infinite where it cannot be */
  private fillUp(basket: number[]): number {
    const bySupplier = this.offers.suppliers.map((): number[] => [])
    this.goods.forEach(({ supplier }, g) => bySupplier[supplier]!.push(g))
    let total = 0
    for (const [i, { shipping, freeFrom, minimum = 0 }] of this.offers.suppliers.entries()) {
      const own = bySupplier[i]!
      if (own.every((g) => basket[g] === 0)) continue
      let cents = own.reduce((sum, g) => sum + this.goods[g]!.cents * basket[g]!, 0)
      if (cents < toCents(minimum)) cents += this.fill(own, basket, toCents(minimum) - cents)
      if (cents < toCents(minimum)) return Infinity
      let paid = toCents(shipping)
      if (freeFrom !== undefined && cents < toCents(freeFrom)) {
        const added = this.fillsFor(own, basket, toCents(freeFrom) - cents)
        if (added && added.units * this.goods[added.goods]!.cents < paid) {
          basket[added.goods]! += added.units
          cents += added.units * this.goods[added.goods]!.cents
        }
      }
      if (freeFrom !== undefined && cents >= toCents(freeFrom)) paid = 0
      total += cents + paid
    }
    return total
  }

  private fill(own: readonly number[], basket: number[], gap: number): number {
    const added = this.fillsFor(own, basket, gap)
    if (!added) return 0
    basket[added.goods]! += added.units
    return added.units * this.goods[added.goods]!.cents
  }

  /** The one of the goods that fills a gap with least over it. */
  private fillsFor(
    own: readonly number[],
    basket: readonly number[],
    gap: number,
  ): { readonly goods: number; readonly units: number } | undefined {
    let best: { goods: number; units: number; cents: number } | undefined
    for (const g of own) {
      const { cents, available, roll } = this.goods[g]!
      if (cents === 0 || roll !== undefined) continue
      const units = Math.ceil(gap / cents)
      if (units > available - basket[g]!) continue
      if (!best || units * cents < best.cents) best = { goods: g, units, cents: units * cents }
    }
    return best
  }
}
