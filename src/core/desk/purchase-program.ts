import { serves } from './allocate'
import type { OfferBook } from './books'
import { usefulUnits, type Goods } from './goods'
import { toCents } from './money'
import { deskKey, type DeskPiece } from './piece'
import { ProgramBuilder, type IntegerProgram } from './program'

type Term = readonly [column: number, value: number]

/** A purchase: units of each of the goods. */
export type Basket = readonly number[]

/**
 * The choice of orders as an integer program: units of goods, orders made or not, shipping free or not, needs left open. Two kinds of
 * variables buy the same goods: those that needs could ask for, linked to their order one by one, which makes the bound tight; and
 * those that only fill up an order to its minimum or to free shipping, by what one unit costs.
 */
export class PurchaseProgram {
  private readonly builder = new ProgramBuilder()
  /** By goods: the variable of useful units, or −1. */
  private readonly useful: number[] = []
  /** By goods: how many units that variable may count. */
  private readonly usefulMost: number[] = []
  private readonly open: number[]
  private readonly orders: number[] = []
  private readonly fillers: { readonly column: number; readonly goods: number[] }[] = []

  constructor(
    private readonly missing: readonly DeskPiece[],
    { suppliers }: OfferBook,
    private readonly goods: readonly Goods[],
  ) {
    this.open = missing.map(({ count }) => this.builder.part(count, 0))
    const bySupplier = suppliers.map((): number[] => [])
    goods.forEach(({ supplier }, i) => bySupplier[supplier]!.push(i))
    for (const [i, each] of goods.entries()) {
      this.usefulMost[i] = usefulUnits(each, missing)
      this.useful[i] = this.usefulMost[i] > 0 ? this.builder.whole(this.usefulMost[i], each.cents) : -1
    }
    suppliers.forEach((supplier, i) => this.addOrder(supplier, bySupplier[i]!))
    this.addRolls()
    this.addNeeds()
  }

  private addOrder({ shipping, freeFrom, minimum = 0 }: OfferBook['suppliers'][number], goods: readonly number[]): void {
    const { builder } = this
    if (goods.length === 0) return
    const order = builder.whole(1, toCents(shipping))
    this.orders.push(order)
    const sold: Term[] = []
    for (const i of goods) {
      const column = this.useful[i]!
      if (column < 0) continue
      sold.push([column, this.goods[i]!.cents])
      builder.atMost(
        [
          [column, 1],
          [order, -this.usefulMost[i]!],
        ],
        0,
      )
    }
    const thresholds = [minimum, shipping > 0 ? (freeFrom ?? 0) : 0].map(toCents)
    if (Math.max(...thresholds) > 0) sold.push(...this.addFillers(goods, order, Math.max(...thresholds)))
    if (minimum > 0) builder.atLeast([...sold, [order, -toCents(minimum)]], 0)
    if (freeFrom === undefined || shipping === 0) return
    const free = builder.whole(1, -toCents(shipping))
    builder.atLeast(
      [
        [order, 1],
        [free, -1],
      ],
      0,
    )
    builder.atLeast([...sold, [free, -toCents(freeFrom)]], 0)
  }

  /** What nobody needs fills up an order; units that cost the same are one variable. */
  private addFillers(goods: readonly number[], order: number, threshold: number): Term[] {
    const byCents = new Map<number, { room: number; goods: number[] }>()
    for (const i of goods) {
      const { cents, available, roll } = this.goods[i]!
      const room = available - this.usefulMost[i]!
      if (cents === 0 || room <= 0 || roll !== undefined) continue
      const group = byCents.get(cents) ?? { room: 0, goods: [] }
      group.room += room
      group.goods.push(i)
      byCents.set(cents, group)
    }
    return [...byCents].map(([cents, group]): Term => {
      const most = Math.min(group.room, Math.ceil(threshold / cents))
      const column = this.builder.whole(most, cents)
      this.builder.atMost(
        [
          [column, 1],
          [order, -most],
        ],
        0,
      )
      this.fillers.push({ column, goods: group.goods })
      return [column, cents]
    })
  }

  /** All lengths cut from one roll share what is on it. */
  private addRolls(): void {
    const rolls = new Map<number, number[]>()
    this.goods.forEach(({ roll, available }, i) => {
      if (roll === undefined || available === Infinity || this.useful[i]! < 0) return
      rolls.set(roll, [...(rolls.get(roll) ?? []), i])
    })
    for (const list of rolls.values()) {
      if (list.length > 1)
        this.builder.atMost(
          list.map((i): Term => [this.useful[i]!, 1]),
          this.goods[list[0]!]!.available,
        )
    }
  }

  /** Each need is met or left open. A kind of piece that serves several needs is shared out among them. */
  private addNeeds(): void {
    const met = this.missing.map((_, i): Term[] => [[this.open[i]!, 1]])
    const kinds = new Map<string, { readonly piece: DeskPiece; readonly terms: Term[]; readonly needs: readonly number[] }>()
    this.goods.forEach((goods, g) => {
      if (this.useful[g]! < 0) return
      for (const piece of goods.brings) {
        const key = deskKey(piece)
        let kind = kinds.get(key)
        if (!kind) {
          const needs = goods.serves.filter((i) => serves(piece, this.missing[i]!))
          kinds.set(key, (kind = { piece, terms: [], needs }))
        }
        kind.terms.push([this.useful[g]!, piece.count])
      }
    })
    for (const { terms, needs } of kinds.values()) {
      if (needs.length === 1) met[needs[0]!]!.push(...terms)
      if (needs.length <= 1) continue
      const shares = needs.map((i): Term => {
        const share = this.builder.part(this.missing[i]!.count, 0)
        met[i]!.push([share, 1])
        return [share, -1]
      })
      this.builder.atLeast([...terms, ...shares], 0)
    }
    met.forEach((terms, i) => this.builder.atLeast(merged(terms), this.missing[i]!.count))
  }

  /** The cheapest purchase that leaves no more than so many pieces open, of no more than so many orders. */
  cheapest(mostOpen: number, mostOrders = Infinity): IntegerProgram {
    const program = this.builder.program()
    const atMost = (columns: readonly number[], most: number) => ({ columns, values: columns.map(() => 1), least: -Infinity, most })
    const rows = [...program.rows, atMost(this.open, mostOpen)]
    return { ...program, rows: mostOrders < this.orders.length ? [...rows, atMost(this.orders, mostOrders)] : rows }
  }

  /** The purchase with fewest orders that leaves no more than so many pieces open, at whatever cost. */
  fewestOrders(mostOpen: number): IntegerProgram {
    const program = this.cheapest(mostOpen)
    const costs = program.costs.map(() => 0)
    for (const column of this.orders) costs[column] = 1
    return { ...program, costs }
  }

  /** The purchase that leaves fewest pieces open, at whatever cost. */
  fullest(): IntegerProgram {
    const program = this.builder.program()
    const costs = program.costs.map(() => 0)
    for (const column of this.open) costs[column] = 1
    return { ...program, costs }
  }

  /** Units of each of the goods, read from values of the variables. */
  basket(values: readonly number[]): Basket {
    const units = this.goods.map((_, i) => (this.useful[i]! < 0 ? 0 : Math.round(values[this.useful[i]!]!)))
    for (const { column, goods } of this.fillers) {
      let left = Math.round(values[column]!)
      for (const i of goods) {
        const room = this.goods[i]!.available - this.usefulMost[i]!
        const taken = Math.min(left, room)
        units[i]! += taken
        left -= taken
      }
    }
    return units
  }

  /** Values of the variables that stand for a purchase, as far as they are units of goods. */
  start(basket: Basket): number[] {
    const values = this.builder.program().costs.map(() => NaN)
    const rest = basket.map((units, i) => {
      if (this.useful[i]! < 0) return units
      values[this.useful[i]!] = Math.min(units, this.usefulMost[i]!)
      return units - values[this.useful[i]!]!
    })
    for (const { column, goods } of this.fillers) values[column] = goods.reduce((sum, i) => sum + rest[i]!, 0)
    return values
  }
}

/** Terms of one variable added up. */
function merged(terms: readonly Term[]): Term[] {
  const sums = new Map<number, number>()
  for (const [column, value] of terms) sums.set(column, (sums.get(column) ?? 0) + value)
  return [...sums]
}
