import { mapVec } from './vectors'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  apply,
  boxAt,
  boxesMeet,
  composePoses,
  composeTurns,
  determinant,
  inverseTurn,
  isLatticePose,
  mirrorMatrix,
  multiply,
  NO_TURN,
  orientedBox,
  posed,
  posedBox,
  rotationMatrix,
  sweptMeets,
  turnFromText,
  turnOfMatrix,
  TURNS,
  turnText,
  unite,
  uniteAll,
  type Box,
  type Pose,
  type Vec,
} from './index'

const turn = fc.nat(23)
const small = fc.integer({ min: -40, max: 40 })
const vec = fc.tuple(small, small, small) as fc.Arbitrary<Vec>
const side = fc.integer({ min: 1, max: 30 })
const box = fc.tuple(vec, fc.tuple(side, side, side)).map(([min, size]) => boxAt(min, size as Vec))
const latticePose = fc.tuple(turn, vec).map(([t, at]): Pose => ({ matrix: TURNS[t]!, at }))

describe('boxes', () => {
  it('around all of some are what they are around one after the other; around none there is nothing', () => {
    fc.assert(
      fc.property(fc.array(box, { minLength: 1 }), (all: Box[]) => {
        expect(uniteAll(all)).toEqual(all.reduce(unite))
      }),
    )
    expect(uniteAll([])).toBeUndefined()
  })
})

describe('turns', () => {
  it('are 24 different ones, each a rotation, the first of them none', () => {
    expect(new Set(TURNS.map((m) => m.join())).size).toBe(24)
    expect(TURNS.every((m) => determinant(m) === 1)).toBe(true)
    expect(turnText(NO_TURN)).toBe('+x+y')
  })

  it('read what they write, and nothing else', () => {
    for (let t = 0; t < 24; t++) expect(turnFromText(turnText(t))).toBe(t)
    for (const text of ['', '+x', '+x+x', '+x-x', 'x+y', '+x+y+z', '+y-X']) expect(turnFromText(text)).toBeUndefined()
  })

  it('send x and y where the text says: tipped back, studs look to −y', () => {
    const tipped = TURNS[turnFromText('+x+z')!]!
    expect(apply(tipped, [0, 0, 1])).toEqual([0, -1, 0])
    const quarter = TURNS[turnFromText('+y-x')!]!
    expect(apply(quarter, [1, 0, 0])).toEqual([0, 1, 0])
    expect(apply(quarter, [0, 0, 1])).toEqual([0, 0, 1])
  })

  it('form a group', () => {
    fc.assert(
      fc.property(turn, turn, turn, (a, b, c) => {
        expect(composeTurns(a, inverseTurn(a))).toBe(NO_TURN)
        expect(composeTurns(a, NO_TURN)).toBe(a)
        expect(composeTurns(composeTurns(a, b), c)).toBe(composeTurns(a, composeTurns(b, c)))
      }),
    )
  })

  it('stay turns when mirrored twice, whatever the mirror', () => {
    fc.assert(
      fc.property(turn, fc.constantFrom('x' as const, 'y' as const, 'z' as const), (t, axis) => {
        const m = mirrorMatrix(axis)
        expect(turnOfMatrix(multiply(m, multiply(TURNS[t]!, m)))).toBeDefined()
        expect(turnOfMatrix(multiply(m, TURNS[t]!))).toBeUndefined()
      }),
    )
  })

  it('free rotation by quarters is a lattice turn, applied x, then y, then z', () => {
    expect(turnOfMatrix(rotationMatrix([90, 0, 0]))).toBe(turnFromText('+x+z'))
    expect(turnOfMatrix(rotationMatrix([0, 0, 450]))).toBe(turnFromText('+y-x'))
    const both = rotationMatrix([90, 0, 90])
    expect(both).toEqual(multiply(rotationMatrix([0, 0, 90]), rotationMatrix([90, 0, 0])))
    expect(isLatticePose({ matrix: rotationMatrix([0, 0, 30]), at: [0, 0, 0] })).toBe(false)
  })
})

describe('boxes and poses', () => {
  it('that only touch do not meet', () => {
    expect(boxesMeet(boxAt([0, 0, 0], [10, 10, 4]), boxAt([10, 0, 0], [10, 10, 4]))).toBe(false)
    expect(boxesMeet(boxAt([0, 0, 0], [10, 10, 4]), boxAt([9, 9, 3], [10, 10, 4]))).toBe(true)
  })

  it('a posed box holds its posed corners and keeps its volume in the lattice', () => {
    const volume = (b: { min: Vec; max: Vec }): number => [0, 1, 2].reduce((v, i) => v * (b.max[i]! - b.min[i]!), 1)
    fc.assert(
      fc.property(latticePose, box, (pose, b) => {
        const out = posedBox(pose, b)
        expect(volume(out)).toBe(volume(b))
        const corner = posed(pose, b.min)
        expect(corner.every((value, i) => value === out.min[i] || value === out.max[i])).toBe(true)
      }),
    )
  })

  it('poses compose', () => {
    fc.assert(
      fc.property(latticePose, latticePose, vec, (a, b, p) => {
        expect(posed(composePoses(a, b), p)).toEqual(posed(a, posed(b, p)))
      }),
    )
  })

  it('the swept test agrees with plain boxes wherever those share more than a graze', () => {
    const still: Pose = { matrix: TURNS[0]!, at: [0, 0, 0] }
    fc.assert(
      fc.property(box, box, fc.constantFrom<Vec>([0, 0, 0], [0, 0, 300], [-300, 0, 0]), (a, b, way) => {
        const swept = {
          min: mapVec(a.min, (value, i) => Math.min(value, value + way[i])),
          max: mapVec(a.max, (value, i) => Math.max(value, value + way[i])),
        }
        expect(sweptMeets(orientedBox(still, a), orientedBox(still, b), way)).toBe(boxesMeet(swept, b))
      }),
    )
  })

  it('a box turned by 45 degrees passes a corner that its own outline box would hit', () => {
    const turned = orientedBox({ matrix: rotationMatrix([0, 0, 45]), at: [0, 0, 0] }, { min: [-10, -10, 0], max: [10, 10, 4] })
    const near = orientedBox({ matrix: TURNS[0]!, at: [0, 0, 0] }, boxAt([9, 9, 0], [4, 4, 4]))
    expect(sweptMeets(turned, near, [0, 0, 0])).toBe(false)
    expect(sweptMeets(turned, near, [20, 0, 0])).toBe(true)
  })
})
