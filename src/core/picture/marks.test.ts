import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { TURNS, type Box } from '../space'
import { locatorMark } from './marks'
import { VIEWS } from './view'

const side = fc.integer({ min: 20, max: 3000 })
/** A box, and one inside it. */
const regions = fc
  .tuple(side, side, side, fc.array(fc.double({ min: 0, max: 0.9, noNaN: true }), { minLength: 3, maxLength: 3 }))
  .map(([x, y, z, at]) => {
    const max = [x, y, z] as const
    const whole: Box = { min: [0, 0, 0], max }
    const min = at.map((share, axis) => Math.floor(share * max[axis]!)) as [number, number, number]
    return { whole, region: { min, max: min.map((value, axis) => value + (max[axis]! - value) / 2) as [number, number, number] } }
  })

describe('the mark that says which region a picture shows', () => {
  it('lies in its panel, the region inside the whole, from every side', () => {
    fc.assert(
      fc.property(regions, fc.constantFrom(...VIEWS), fc.nat(TURNS.length - 1), fc.boolean(), (boxes, view, turn, isLeft) => {
        const size = { width: 800, height: 600 }
        const mark = locatorMark(boxes, { view, orientation: TURNS[turn]! }, size, isLeft ? 'left' : 'right')
        if (mark.kind !== 'locator') throw new Error('no locator')
        const { panel, whole, region } = mark
        const edges = (loops: typeof whole): number[] => {
          const [xs, ys] = [loops.flat().map(([x]) => x), loops.flat().map(([, y]) => y)]
          return [Math.min(...xs), -Math.max(...xs), Math.min(...ys), -Math.max(...ys)]
        }
        const [outer, inner] = [edges(whole), edges(region)]
        inner.forEach((value, i) => expect(value).toBeGreaterThanOrEqual(outer[i]! - 1e-6))
        const [left, right, top, bottom] = outer as [number, number, number, number]
        expect(left).toBeGreaterThan(panel.left)
        expect(top).toBeGreaterThan(panel.top)
        expect(-right).toBeLessThan(panel.left + panel.width)
        expect(-bottom).toBeLessThan(panel.top + panel.height)
        expect([whole.length, region.length]).toEqual([3, 3])
        expect(panel.left < size.width / 2).toBe(isLeft)
      }),
    )
  })
})
