import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { areaOf, common } from '../space'
import { aroundHole, circle, convexPieces, type Polygon } from './polygon'

/** A star around the origin: corners at rising angles, so that it never crosses itself, but is seldom convex. */
const star = fc.array(fc.integer({ min: 20, max: 100 }), { minLength: 3, maxLength: 14 }).map((radii): Polygon =>
  radii.map((radius, i) => {
    const angle = (2 * Math.PI * i) / radii.length
    return [radius * Math.cos(angle), radius * Math.sin(angle)]
  }),
)

const sumOf = (pieces: readonly Polygon[]): number => pieces.reduce((sum, piece) => sum + areaOf(piece), 0)

describe('convex pieces of a polygon', () => {
  it('fill it, whichever way round it was drawn, and no two share any of it', () => {
    fc.assert(
      fc.property(star, fc.boolean(), (polygon, isReversed) => {
        const pieces = convexPieces(isReversed ? [...polygon].reverse() : polygon)
        expect(sumOf(pieces)).toBeCloseTo(areaOf(polygon), 6)
        pieces.forEach((a, i) => pieces.slice(i + 1).forEach((b) => expect(areaOf(common(a, b))).toBeLessThan(1e-6)))
      }),
    )
  })

  it('around a hole leave the hole out', () => {
    const [outside, hole] = [circle([0, 0], 10, 8), circle([1, 1], 4, 12)]
    expect(sumOf(aroundHole(outside, hole))).toBeCloseTo(areaOf(outside) - areaOf(hole), 6)
  })
})
