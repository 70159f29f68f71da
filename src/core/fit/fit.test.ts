import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Vec } from '../space'
import {
  FILLERS,
  fillGap,
  fromU,
  gapOfFaces,
  inAllUnits,
  LENGTH_UNITS,
  slackBetween,
  slackOf,
  toU,
  type Filler,
  type PickedFace,
} from './index'

const valueOf = (value: number, unit: Parameters<typeof inAllUnits>[1], wanted: Parameters<typeof inAllUnits>[1]): number =>
  inAllUnits(value, unit).find((each) => each.unit === wanted)!.value

describe('units', () => {
  it('two studs are five plates, and a brick with a half plate is a stud and a plate', () => {
    expect(valueOf(2, 'studs', 'plates')).toBe(5)
    expect(valueOf(1, 'bricks', 'plates')).toBe(3)
    expect(toU(1, 'bricks') + toU(1, 'half plates')).toBe(toU(1, 'studs') + toU(1, 'plates'))
    expect(valueOf(1, 'studs', 'mm')).toBeCloseTo(8)
    expect(valueOf(1, 'half studs', 'plates')).toBe(1.25)
  })

  it('go there and back', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 500, noNaN: true }), fc.constantFrom(...LENGTH_UNITS), (value, unit) => {
        expect(fromU(toU(value, unit), unit)).toBeCloseTo(value, 9)
      }),
    )
  })
})

/** Every multiset of at most so many fillers, asked one by one. */
function bruteForce(gap: number, allowed: readonly Filler[], most: number): number {
  let best = Infinity
  const go = (from: number, left: number, used: number, walls: number, halves: number): void => {
    const isFilled = used - halves > 0
    if (isFilled && left > -2) best = Math.min(best, Math.abs(left))
    if (used === most || left <= -2) return
    for (let i = from; i < allowed.length; i++) {
      const filler = allowed[i]!
      if (filler === 'bracket wall' && walls === 2) continue
      if (filler === 'half stud' && halves === 1) continue
      go(i, left - FILLERS[filler], used + 1, walls + (filler === 'bracket wall' ? 1 : 0), halves + (filler === 'half stud' ? 1 : 0))
    }
  }
  go(0, gap, 0, 0, 0)
  return best
}

describe('a gap', () => {
  it('of two studs is five plates, or two studs, exactly', () => {
    const stacks = fillGap(20)
    expect(stacks[0]!.rest).toBe(0)
    expect(stacks.some(({ counts, rest }) => rest === 0 && counts.plate === 5)).toBe(true)
  })

  it('that nothing fills is missed by as little as can be', () => {
    expect(fillGap(7, ['plate'])[0]).toMatchObject({ rest: -1, pieces: 2 })
    expect(fillGap(9, ['plate'])[0]).toMatchObject({ rest: 1, pieces: 2 })
    expect(fillGap(0)).toEqual([])
    expect(fillGap(-3)).toEqual([])
  })

  it('is filled as well as a search through everything finds', () => {
    const fillers = Object.keys(FILLERS) as Filler[]
    fc.assert(
      fc.property(fc.integer({ min: 4, max: 40 }), fc.subarray(fillers, { minLength: 1 }), (gap, allowed) => {
        const best = bruteForce(gap, allowed, 12)
        const found = fillGap(gap, allowed)
        if (found.length === 0) expect(best === Infinity || best > 2).toBe(true)
        else expect(Math.abs(found[0]!.rest)).toBe(best)
      }),
      { numRuns: 300 },
    )
  })

  it('is listed best first, and adds up', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 300 }), (gap) => {
        const stacks = fillGap(gap)
        for (const { counts, rest } of stacks) {
          expect((Object.keys(counts) as Filler[]).reduce((sum, filler) => sum + counts[filler] * FILLERS[filler], 0) + rest).toBe(gap)
        }
        expect(stacks.map(({ rest }) => Math.abs(rest))).toEqual(stacks.map(({ rest }) => Math.abs(rest)).sort((a, b) => a - b))
      }),
      { numRuns: 60 },
    )
  })
})

describe('slack', () => {
  it('adds up, and is taken up by play elsewhere or not', () => {
    expect(slackOf([{ kind: 'low slopes', count: 2 }])).toEqual({ error: 0.3, play: 0, isTakenUp: false })
    expect(
      slackOf([
        { kind: 'low slopes', count: 1 },
        { kind: 'clip', count: 1 },
      ]).isTakenUp,
    ).toBe(true)
    expect(slackOf([])).toEqual({ error: 0, play: 0, isTakenUp: true })
  })

  it('of a ring is one way against the other: what is off the same both ways strains nothing', () => {
    const noses = [{ kind: 'low slopes', count: 2 }] as const
    expect(slackBetween(noses, noses)).toEqual({ error: 0, play: 0, isTakenUp: true })
    expect(slackBetween(noses, [{ kind: 'clip', count: 1 }])).toMatchObject({ error: 0.35, play: 0.2, isTakenUp: false })
  })
})

describe('the gap of two faces', () => {
  const face = (at: Vec, normal: Vec): PickedFace => ({ part: 'p', at, normal })

  it('is the room between faces that look at each other, wherever they were picked', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 400 }),
        fc.array(fc.integer({ min: -50, max: 50 }), { minLength: 4, maxLength: 4 }),
        (u, [y1, z1, y2, z2]) => {
          const found = gapOfFaces(face([0, y1!, z1!], [1, 0, 0]), face([u, y2!, z2!], [-1, 0, 0]))
          expect(found).toEqual({ u, kind: 'room' })
        },
      ),
    )
  })

  it('is the thickness of what they look away from, or the step between two that look one way', () => {
    expect(gapOfFaces(face([0, 0, 0], [-1, 0, 0]), face([8, 0, 0], [1, 0, 0]))).toEqual({ u: 8, kind: 'thickness' })
    expect(gapOfFaces(face([0, 0, 12], [0, 0, 1]), face([30, 0, 4], [0, 0, 1]))).toEqual({ u: 8, kind: 'step' })
  })

  it('is nothing where they are not parallel, or lie in one plane', () => {
    expect(gapOfFaces(face([0, 0, 0], [1, 0, 0]), face([8, 0, 0], [0, 0, 1]))).toBeUndefined()
    expect(gapOfFaces(face([0, 0, 4], [0, 0, 1]), face([30, 0, 4], [0, 0, 1]))).toBeUndefined()
  })
})
