import { BASE_CATALOGUE } from '../src/core/catalogue'
import { purchase, type DeskPiece, type Kit, type OfferBook } from '../src/core/desk'
import { randomFrom } from '../src/core/plan/random'
import { loadSolver } from '../src/solver/highs-solver'

/** How hard a market is: kinds of pieces, suppliers, kits. */
export interface MarketSize {
  readonly kinds: number
  readonly suppliers: number
  readonly kits: number
  readonly seconds: number
}

export const MARKETS: readonly MarketSize[] = [
  { kinds: 200, suppliers: 8, kits: 6, seconds: 10 },
  { kinds: 1000, suppliers: 12, kits: 10, seconds: 60 },
]

/** A market by chance, from a seed: prices, lots, minimums, shipping that is free from some sum on, kits of what is wanted. */
function marketOf({ kinds, suppliers, kits }: MarketSize, seed: number): { missing: DeskPiece[]; offers: OfferBook; kits: Kit[] } {
  const random = randomFrom(seed)
  const whole = (low: number, high: number): number => low + Math.floor(random() * (high - low + 1))
  const shapes = [...BASE_CATALOGUE.shapes.keys()]
  const colours = [...BASE_CATALOGUE.colours.keys()]
  const missing = Array.from({ length: kinds }, (_, i): DeskPiece => ({
    shape: shapes[i % shapes.length]!,
    colour: colours[(i * 7 + Math.floor(i / shapes.length)) % colours.length]!,
    count: whole(1, 40),
  }))
  const boxes = Array.from({ length: kits }, (_, k): Kit => ({
    id: `kit-${k}`,
    name: `Kit ${k}`,
    pieces: Array.from({ length: 30 }, () => ({ ...missing[whole(0, kinds - 1)]!, count: whole(1, 12) })),
  }))
  const base = missing.map(() => whole(4, 60))
  const price = (cents: number): number => Math.max(1, Math.round(cents * (0.7 + 0.6 * random()))) / 100
  const offers: OfferBook = {
    currency: 'EUR',
    date: '2026-11-29',
    suppliers: Array.from({ length: suppliers }, (_, s) => ({
      id: `s${s}`,
      name: `Supplier ${s}`,
      shipping: whole(2, 8),
      ...(random() < 0.5 ? { freeFrom: whole(50, 200) } : {}),
      ...(random() < 0.5 ? { minimum: whole(5, 25) } : {}),
      offers: missing.flatMap(({ shape, colour }, i) =>
        random() < 0.6
          ? [{ shape, colour, price: price(base[i]!), available: whole(5, 120), ...(random() < 0.2 ? { lot: whole(2, 10) } : {}) }]
          : [],
      ),
      kits: boxes
        .filter(() => random() < 0.4)
        .map(({ id, pieces }) => ({ id, price: price(6 * pieces.reduce((sum, { count }) => sum + count, 0)), available: 3 })),
    })),
  }
  return { missing, offers, kits: boxes }
}

/** Seconds that a purchase took, and what of its total is not proven, %. */
export async function measureMarket(size: MarketSize): Promise<{ seconds: number; gap: number }> {
  const solve = await loadSolver()
  const { missing, offers, kits } = marketOf(size, 1)
  const start = performance.now()
  const { total, lowerBound } = purchase(missing, offers, kits, { solve, seconds: size.seconds })
  return { seconds: (performance.now() - start) / 1000, gap: (100 * (total - lowerBound)) / total }
}
