import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { convexHull } from './tips-over'

const point = fc.tuple(fc.integer({ min: -50, max: 50 }), fc.integer({ min: -50, max: 50 }))
const turn = (a: readonly number[], b: readonly number[], c: readonly number[]): number =>
  (b[0]! - a[0]!) * (c[1]! - a[1]!) - (b[1]! - a[1]!) * (c[0]! - a[0]!)

describe('the outline of feet', () => {
  it('turns left at every corner and has every point inside', () => {
    fc.assert(
      fc.property(fc.array(point, { minLength: 3, maxLength: 40 }), (points) => {
        const hull = convexHull(points)
        if (hull.length < 3) return
        hull.forEach((a, i) => {
          const b = hull[(i + 1) % hull.length]!
          expect(turn(a, b, hull[(i + 2) % hull.length]!)).toBeGreaterThan(0)
          for (const p of points) expect(turn(a, b, p)).toBeGreaterThanOrEqual(0)
        })
      }),
    )
  })
})
