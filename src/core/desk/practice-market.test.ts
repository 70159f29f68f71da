import { describe, expect, it } from 'vitest'
import { BASE_CATALOGUE } from '../catalogue'
import { piecesIn, practiceDelivery, practiceKits, practiceOffers, readKits, readOffers, type DeskPiece } from './index'

const KINDS = ['brick-1x2', 'plate-2x4', 'tile-1x2', 'slope-2x2', 'tube'].flatMap((shape) =>
  ['red', 'silver', 'ash'].map((colour) => ({ shape, colour })),
)
const DAY = { seed: 7, date: '2026-11-29' }

describe('the practice market', () => {
  it('offers files that the readers take, the same for the same seed and day, otherwise on another', () => {
    const offers = practiceOffers(KINDS, DAY, BASE_CATALOGUE)
    const text = (value: object, format: string): string => JSON.stringify({ format, version: 1, ...value })
    expect(readOffers(text(offers, 'jump-rail-offers'), BASE_CATALOGUE)).toEqual(offers)
    expect(readKits(text({ kits: practiceKits(7) }, 'jump-rail-kits'), BASE_CATALOGUE)).toEqual(practiceKits(7))
    expect(practiceOffers([...KINDS], DAY, BASE_CATALOGUE)).toEqual(offers)
    const tomorrow = practiceOffers(KINDS, { ...DAY, date: '2026-11-30' }, BASE_CATALOGUE)
    expect(tomorrow.suppliers).not.toEqual(offers.suppliers)
    expect(practiceOffers(KINDS, { ...DAY, seed: 8 }, BASE_CATALOGUE).suppliers).not.toEqual(offers.suppliers)
    // Every asked kind is at somebody's, and nobody has all.
    const all = KINDS.length
    const has = offers.suppliers.map(
      (supplier) =>
        KINDS.filter((kind) => supplier.offers.some(({ shape, colour }) => shape === kind.shape && colour === kind.colour)).length,
    )
    expect(Math.max(...has)).toBeLessThan(all)
    expect(Math.max(...has)).toBeGreaterThan(all / 3)
    expect(
      practiceOffers([{ shape: 'no-such', colour: 'red' }], DAY, BASE_CATALOGUE).suppliers.every((each) => each.offers.length === 0),
    ).toBe(true)
  })

  it('delivers what it offers, now and then short, and takes money only for what comes', () => {
    let short = 0
    for (let seed = 1; seed <= 60; seed++) {
      const day = { ...DAY, seed }
      const supplier = practiceOffers(KINDS, day, BASE_CATALOGUE).suppliers[0]!
      const lines = supplier.offers
        .filter(({ available, perMetre }) => perMetre !== true && (available ?? 0) >= 5)
        .map(({ shape, colour }): DeskPiece => ({ shape, colour, count: 5 }))
      const come = practiceDelivery({ supplier: supplier.id, lines, kits: [] }, day, BASE_CATALOGUE)!
      expect(piecesIn(come.delivered) + piecesIn(come.short)).toBe(piecesIn(lines))
      const goods = come.delivered.reduce((sum, piece) => {
        const { price } = supplier.offers.find(({ shape, colour }) => shape === piece.shape && colour === piece.colour)!
        return sum + Math.round(price * 100) * piece.count
      }, 0)
      const isFree = supplier.freeFrom !== undefined && goods >= supplier.freeFrom * 100
      expect(Math.round(come.paid * 100)).toBe(goods + (isFree ? 0 : Math.round(supplier.shipping * 100)))
      expect(come.arrives > day.date).toBe(true)
      short += come.short.length
    }
    expect(short).toBeGreaterThan(10)
  })

  it('sells nothing that it does not offer', () => {
    const order = (change: object) => practiceDelivery({ supplier: 'quay', lines: [], kits: [], ...change }, DAY, BASE_CATALOGUE)
    expect(order({ supplier: 'nobody' })).toBeUndefined()
    expect(order({ lines: [{ shape: 'brick-1x2', colour: 'red', count: 99_999 }] })).toBeUndefined()
    expect(order({ kits: [{ id: 'no-kit', count: 1 }] })).toBeUndefined()
    expect(order({})).toMatchObject({ delivered: [], paid: 4.9 })
  })
})
