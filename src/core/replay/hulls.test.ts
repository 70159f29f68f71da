import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { apply, orientedBox, rotationMatrix, sweptMeets, type Vec, mapVec } from '../space'
import { hullsShare } from './hulls'

const corners = (at: Vec, size: Vec, angles: Vec): Vec[] =>
  [0, 1, 2, 3, 4, 5, 6, 7].map((i) => {
    const corner = mapVec(size, (value, k) => ((i >> k) & 1) * value)
    const turned = apply(rotationMatrix(angles), corner)
    return mapVec(turned, (value, k) => value + at[k])
  })

describe('bodies in any attitude', () => {
  it('share space where the planner’s own test says so, but for those that graze', () => {
    const vec = (most: number): fc.Arbitrary<Vec> =>
      fc.tuple(fc.integer({ min: -most, max: most }), fc.integer({ min: -most, max: most }), fc.integer({ min: -most, max: most }))
    const size = fc.tuple(fc.integer({ min: 3, max: 30 }), fc.integer({ min: 3, max: 30 }), fc.integer({ min: 3, max: 30 }))
    fc.assert(
      fc.property(vec(30), size, vec(89), vec(30), size, vec(89), (at, a, turnA, there, b, turnB) => {
        const oriented = (place: Vec, [x, y, z]: Vec, turn: Vec, less: number) =>
          orientedBox({ matrix: rotationMatrix(turn), at: place }, { min: [less, less, less], max: [x - less, y - less, z - less] })
        const surely = sweptMeets(oriented(at, a, turnA, 0.5), oriented(there, b, turnB, 0.5), [0, 0, 0])
        const perhaps = sweptMeets(oriented(at, a, turnA, -0.5), oriented(there, b, turnB, -0.5), [0, 0, 0])
        const said = hullsShare(corners(at, a, turnA), corners(there, b, turnB))
        if (surely) expect(said).toBe(true)
        if (!perhaps) expect(said).toBe(false)
      }),
      { numRuns: 3000 },
    )
  })

  it('are told apart from both sides where one walk alone goes in a circle', () => {
    const one = corners([-20, 0, -3], [6, 3, 28], [63, 0, 36])
    const other = corners([-2, -24, 7], [3, 23, 10], [22, 58, 5])
    expect(hullsShare(one, other)).toBe(false)
    expect(hullsShare(other, one)).toBe(false)
  })
})
