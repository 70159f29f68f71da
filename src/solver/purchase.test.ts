import fc from 'fast-check'
import { beforeAll, describe, expect, it } from 'vitest'
import {
  cheapestChange,
  cover,
  dearestLines,
  offersAllowed,
  purchase,
  purchaseBy,
  type BuyingChoice,
  type DeskPiece,
  type Kit,
  type OfferBook,
  type SolveProgram,
} from '@core/desk'
import { loadSolver } from './highs-solver'

let solve: SolveProgram
beforeAll(async () => {
  solve = await loadSolver()
})

const piece = (shape: string, colour: string, count: number): DeskPiece => ({ shape, colour, count })
const buy = (missing: readonly DeskPiece[], offers: OfferBook, kits: readonly Kit[] = []) =>
  purchase(missing, offers, kits, { solve, seconds: 20 })
const market = (...suppliers: Partial<OfferBook['suppliers'][number]>[]): OfferBook => ({
  currency: 'EUR',
  date: '2026-11-01',
  suppliers: suppliers.map((supplier, i) => ({ id: `s${i}`, name: `Shop ${i}`, shipping: 0, offers: [], kits: [], ...supplier })),
})

const SHAPES = ['brick-1x1', 'brick-1x2']
const COLOURS = ['red', 'blue']
const cents = fc.integer({ min: 1, max: 40 }).map((price) => price / 100)
const kind = fc.record({ shape: fc.constantFrom(...SHAPES), colour: fc.constantFrom(...COLOURS) })
const small = fc.record({
  missing: fc.uniqueArray(
    fc.record({ shape: fc.constantFrom(...SHAPES), colour: fc.constantFrom(...COLOURS, 'any'), count: fc.integer({ min: 1, max: 3 }) }),
    { minLength: 1, maxLength: 3, selector: ({ shape, colour }) => `${shape} ${colour}` },
  ),
  kit: fc.array(
    fc.record({ shape: fc.constantFrom(...SHAPES), colour: fc.constantFrom(...COLOURS), count: fc.integer({ min: 1, max: 2 }) }),
    {
      minLength: 1,
      maxLength: 2,
    },
  ),
  suppliers: fc.array(
    fc.record({
      shipping: fc.constantFrom(0, 0.2, 0.5),
      freeFrom: fc.option(fc.constantFrom(0.5, 1), { nil: undefined }),
      minimum: fc.option(fc.constantFrom(0.3, 0.8), { nil: undefined }),
      offers: fc.array(
        fc
          .tuple(kind, cents, fc.integer({ min: 1, max: 4 }), fc.constantFrom(1, 1, 2))
          .map(([what, price, available, lot]) => ({ ...what, price, available, lot })),
        { minLength: 1, maxLength: 2 },
      ),
      kits: fc.array(fc.record({ id: fc.constant('box'), price: cents, available: fc.constant(1) }), { maxLength: 1 }),
    }),
    { minLength: 1, maxLength: 2 },
  ),
})

/** The least number of open pieces, and the least cost in cents, by trying every basket. */
function tryAll(
  missing: readonly DeskPiece[],
  offers: OfferBook,
  kits: readonly Kit[],
  hasFewOrders = false,
): { open: number; total: number; orders: number } {
  const units = offers.suppliers.flatMap((supplier, s) => [
    ...supplier.offers.map(({ lot = 1, available = 0, price, shape, colour }) => ({
      s,
      most: Math.floor(available / lot),
      cents: Math.round(price * 100) * lot,
      brings: [piece(shape, colour, lot)],
    })),
    ...supplier.kits.map(({ price, available = 0 }) => ({
      s,
      most: available,
      cents: Math.round(price * 100),
      brings: kits[0]!.pieces,
    })),
  ])
  let best = { open: Infinity, total: Infinity, orders: Infinity }
  const counts = units.map(() => 0)
  const judge = (): void => {
    const had = new Map<string, number>()
    const sums = offers.suppliers.map(() => 0)
    const isOrdered = offers.suppliers.map(() => false)
    units.forEach(({ s, cents: each, brings }, i) => {
      if (counts[i] === 0) return
      isOrdered[s] = true
      sums[s]! += each * counts[i]!
      for (const { shape, colour, count } of brings)
        had.set(`${shape} ${colour}`, (had.get(`${shape} ${colour}`) ?? 0) + count * counts[i]!)
    })
    let total = 0
    for (const [s, { shipping, freeFrom, minimum = 0 }] of offers.suppliers.entries()) {
      if (!isOrdered[s]) continue
      if (sums[s]! < Math.round(minimum * 100)) return
      total += sums[s]! + (freeFrom !== undefined && sums[s]! >= Math.round(freeFrom * 100) ? 0 : Math.round(shipping * 100))
    }
    let open = 0
    for (const isAny of [false, true]) {
      for (const { shape, colour, count } of missing) {
        if ((colour === 'any') !== isAny) continue
        let left = count
        for (const each of isAny ? COLOURS : [colour]) {
          const there = had.get(`${shape} ${each}`) ?? 0
          const taken = Math.min(there, left)
          had.set(`${shape} ${each}`, there - taken)
          left -= taken
        }
        open += left
      }
    }
    const orders = isOrdered.filter(Boolean).length
    const keys = (each: typeof best): number[] => [each.open, ...(hasFewOrders ? [each.orders] : []), each.total]
    const found = { open, total, orders }
    const at = keys(found).findIndex((value, i) => value !== keys(best)[i])
    if (at >= 0 && keys(found)[at]! < keys(best)[at]!) best = found
  }
  const walk = (i: number): void => {
    if (i === units.length) return judge()
    for (counts[i] = 0; counts[i] <= units[i]!.most; counts[i]++) walk(i + 1)
    counts[i] = 0
  }
  walk(0)
  return best
}

describe('a purchase', () => {
  it('is the cheapest there is, by trying every basket of small markets', () => {
    fc.assert(
      fc.property(small, ({ missing, kit, suppliers }) => {
        const kits: Kit[] = [{ id: 'box', name: 'Box', pieces: kit }]
        const offers = market(
          ...suppliers.map(({ freeFrom, minimum, ...rest }) => ({
            ...rest,
            ...(freeFrom === undefined ? {} : { freeFrom }),
            ...(minimum === undefined ? {} : { minimum }),
          })),
        )
        const found = buy(missing, offers, kits)
        const best = tryAll(missing, offers, kits)
        const open = found.unavailable.reduce((sum, { count }) => sum + count, 0)
        expect([open, Math.round(found.total * 100)]).toEqual([best.open, best.total])
        expect(found.optimal).toBe(true)
        expect(found.lowerBound).toBe(found.total)
      }),
      { numRuns: 150, seed: 20261129 },
    )
  })

  it('has as few orders as can be where that is asked for, and is the cheapest of those', () => {
    fc.assert(
      fc.property(small, ({ missing, suppliers }) => {
        const offers = market(
          ...[...suppliers, ...suppliers].map(({ freeFrom: _, minimum, kits: _kits, ...rest }, i) => ({
            ...rest,
            shipping: rest.shipping / (i + 1) > 0.1 ? 0.1 : 0,
            ...(minimum === undefined ? {} : { minimum }),
          })),
        )
        const found = purchaseBy({ aim: 'fewest-orders' }, missing, offers, [], { solve, seconds: 20 })
        const best = tryAll(missing, offers, [], true)
        const open = found.unavailable.reduce((sum, { count }) => sum + count, 0)
        expect([open, found.orders.length, Math.round(found.total * 100)]).toEqual([best.open, best.orders, best.total])
      }),
      { numRuns: 60, seed: 20261129 },
    )
  })

  it('is made as somebody chooses: at one supplier, not at some, nothing used, by a day', () => {
    const offers = market(
      { days: 3, shipping: 1, offers: [{ shape: 'brick-1x1', colour: 'red', price: 1 }] },
      {
        shipping: 1,
        offers: [
          { shape: 'brick-1x2', colour: 'red', price: 1, used: true },
          { shape: 'brick-1x1', colour: 'red', price: 1.5 },
        ],
      },
      { days: 10, shipping: 4, offers: ['brick-1x1', 'brick-1x2'].map((shape) => ({ shape, colour: 'red', price: 2 })) },
    )
    const missing = [piece('brick-1x1', 'red', 2), piece('brick-1x2', 'red', 1)]
    const by = (choice: BuyingChoice) => {
      const { total, orders, unavailable } = purchaseBy(choice, missing, offers, [], { solve, seconds: 20 })
      return [total, orders.map(({ supplier }) => supplier), unavailable.length]
    }
    expect(by({})).toEqual([5, ['s0', 's1'], 0])
    expect(by({ aim: 'one-supplier' })).toEqual([5, ['s1'], 0])
    expect(by({ aim: 'fewest-orders' })).toEqual([5, ['s1'], 0])
    expect(by({ without: ['s1'] })).toEqual([9, ['s0', 's2'], 0])
    expect(by({ noUsed: true, aim: 'fewest-orders' })).toEqual([10, ['s2'], 0])
    expect(by({ withinDays: 5 })).toEqual([3, ['s0'], 1])
    expect(offersAllowed(offers, { withinDays: 10 }).suppliers.map(({ id }) => id)).toEqual(['s0', 's2'])
  })

  it('says which lines cost most, and which colour would save most', () => {
    const offers = market({
      offers: [
        { shape: 'brick-1x1', colour: 'silver', price: 1 },
        { shape: 'brick-1x1', colour: 'ash', price: 0.1 },
        { shape: 'brick-1x1', colour: 'red', price: 0.5 },
        { shape: 'brick-1x2', colour: 'silver', price: 0.2 },
        { shape: 'brick-1x2', colour: 'ash', price: 0.2 },
      ],
    })
    const missing = [piece('brick-1x1', 'silver', 10), piece('brick-1x2', 'silver', 5)]
    expect(dearestLines(buy(missing, offers)).map(({ shape, cost }) => [shape, cost])).toEqual([
      ['brick-1x1', 10],
      ['brick-1x2', 1],
    ])
    expect(dearestLines(buy(missing, offers), 1)).toHaveLength(1)
    const change = cheapestChange(buy(missing, offers), missing, offers, [])!
    expect(change).toMatchObject({ from: 'silver', to: 'ash', total: 2 })
    expect(change.saved).toBeCloseTo(9 / 11, 9)
    // Red would leave the longer brick open.
    const less = market({ offers: offers.suppliers[0]!.offers.filter(({ colour }) => colour !== 'ash') })
    expect(cheapestChange(buy(missing, less), missing, less, [])).toBeUndefined()
  })

  it('adds up: what is bought is what is missing, less what cannot be had, and what is over', () => {
    fc.assert(
      fc.property(small, ({ missing, kit, suppliers }) => {
        const kits: Kit[] = [{ id: 'box', name: 'Box', pieces: kit }]
        const offers = market(...suppliers.map(({ freeFrom: _, minimum: __, ...rest }) => rest))
        const { orders, total, goods, shipping, unavailable, surplus } = buy(missing, offers, kits)
        const count = (pieces: readonly DeskPiece[]): number => pieces.reduce((sum, each) => sum + each.count, 0)
        const inKit = count(kit)
        const bought = orders.reduce(
          (sum, { lines, kits: boxes }) => sum + count(lines) + inKit * boxes.reduce((n, box) => n + box.count, 0),
          0,
        )
        expect(bought).toBe(count(missing) - count(unavailable) + count(surplus))
        const lines = orders.map(
          (order) =>
            order.lines.reduce((sum, line) => sum + line.count * line.price, 0) +
            order.kits.reduce((sum, box) => sum + box.count * box.price, 0),
        )
        orders.forEach((order, i) => expect(order.goods).toBeCloseTo(lines[i]!, 6))
        expect(goods).toBeCloseTo(
          lines.reduce((a, b) => a + b, 0),
          6,
        )
        expect(total).toBeCloseTo(goods + shipping, 6)
      }),
      { numRuns: 60, seed: 20261129 },
    )
  })

  it('takes a kit of which two kinds would do for one need', () => {
    const kit: Kit = { id: 'box', name: 'Box', pieces: [piece('brick-1x2', 'red', 1), piece('brick-1x2', 'blue', 1)] }
    const offers = market({
      offers: [{ shape: 'brick-1x2', colour: 'red', price: 0.02, available: 1 }],
      kits: [{ id: 'box', price: 0.02, available: 1 }],
    })
    const { total, unavailable } = buy([piece('brick-1x2', 'any', 1), piece('brick-1x1', 'red', 1)], offers, [kit])
    expect([total, unavailable]).toEqual([0.02, [piece('brick-1x1', 'red', 1)]])
  })

  it('fills an order up where that saves the shipping', () => {
    const offers = market({
      shipping: 5,
      freeFrom: 10,
      offers: [
        { shape: 'brick-1x1', colour: 'red', price: 9 },
        { shape: 'brick-1x2', colour: 'blue', price: 0.5 },
      ],
    })
    const { total, surplus, optimal } = buy([piece('brick-1x1', 'red', 1)], offers)
    expect([total, surplus, optimal]).toEqual([10, [piece('brick-1x2', 'blue', 2)], true])
  })

  it('cuts from a roll, and tells what cannot be had', () => {
    const offers = market({ offers: [{ shape: 'tube', colour: 'black', price: 1.5, perMetre: true }] })
    const { total, orders, unavailable } = buy(
      [{ shape: 'tube', colour: 'black', count: 4, lengthMm: 50 }, piece('leaf', 'green', 2)],
      offers,
    )
    expect(orders[0]!.lines).toEqual([{ shape: 'tube', colour: 'black', lengthMm: 50, count: 4, price: 0.08 }])
    expect([total, unavailable]).toEqual([0.32, [piece('leaf', 'green', 2)]])
  })

  it('of nothing costs nothing', () => {
    expect(buy([], market({ shipping: 3 }))).toMatchObject({ total: 0, orders: [], optimal: true, lowerBound: 0 })
  })
})

describe('coverage', () => {
  it('never exceeds what is there, and with what is missing makes what is needed', () => {
    const pieces = fc.array(
      fc.record({ shape: fc.constantFrom(...SHAPES), colour: fc.constantFrom(...COLOURS), count: fc.integer({ min: 0, max: 5 }) }),
    )
    fc.assert(
      fc.property(small, pieces, fc.integer({ min: 0, max: 3 }), ({ missing: need, kit }, stock, boxes) => {
        const { covered, missing, spare } = cover(need, stock, [{ kit: { id: 'box', name: 'Box', pieces: kit }, count: boxes }])
        const sum = (list: readonly DeskPiece[], shape: string, colour?: string): number =>
          list
            .filter((each) => each.shape === shape && (colour === undefined || each.colour === colour))
            .reduce((n, { count }) => n + count, 0)
        for (const shape of SHAPES) {
          expect(sum(covered, shape) + sum(missing, shape)).toBe(sum(need, shape))
          for (const colour of COLOURS) {
            expect(sum(covered, shape, colour) + sum(spare, shape, colour)).toBe(
              sum(stock, shape, colour) + boxes * sum(kit, shape, colour),
            )
            expect(sum(missing, shape, colour)).toBe(
              Math.max(0, sum(need, shape, colour) - sum(stock, shape, colour) - boxes * sum(kit, shape, colour)),
            )
          }
        }
      }),
    )
  })

  it('takes a piece from the roll that tells no length for one of the usual length', () => {
    const need = [
      { ...piece('tube', 'black', 2), lengthMm: 40 },
      { ...piece('tube', 'black', 1), lengthMm: 80 },
    ]
    const { covered, missing } = cover(need, [piece('tube', 'black', 3)], [])
    expect(covered).toEqual([{ ...need[0]!, from: 'stock' }])
    expect(missing).toEqual([need[1]!])
  })

  it('takes from the stock before kits, and what is worked the same way before plain pieces', () => {
    const work = [{ kind: 'paint' as const }]
    const need = [piece('brick-1x1', 'red', 2), { ...piece('brick-1x1', 'red', 2), work }, piece('brick-1x1', 'any', 1)]
    const { covered, missing, spare } = cover(
      need,
      [piece('brick-1x1', 'red', 1), { ...piece('brick-1x1', 'red', 1), work }],
      [{ kit: { id: 'box', name: 'Box', pieces: [piece('brick-1x1', 'red', 1), piece('brick-1x1', 'blue', 3)] }, count: 1 }],
    )
    expect(covered).toEqual([
      { ...piece('brick-1x1', 'red', 1), from: 'stock' },
      { ...piece('brick-1x1', 'red', 1), from: 'box' },
      { ...piece('brick-1x1', 'red', 1), work, from: 'stock' },
      { ...piece('brick-1x1', 'blue', 1), from: 'box' },
    ])
    expect(missing).toEqual([{ ...piece('brick-1x1', 'red', 1), work }])
    expect(spare).toEqual([piece('brick-1x1', 'blue', 2)])
  })
})
