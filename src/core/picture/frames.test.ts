import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { unite, type Box } from '../space'
import { fillsOfSteps, frameAt, framesOf, LEAST_STEPS } from './frames'

/** Work that grows step by step, as towers, floors and rows do. */
const growing = fc.array(fc.tuple(fc.nat(60), fc.nat(60), fc.nat(40)), { minLength: 1, maxLength: 40 }).map((growths): Box[] => {
  let size = [10, 10, 4]
  return growths.map((growth) => {
    size = size.map((side, axis) => side + growth[axis]!)
    return { min: [0, 0, 0], max: [size[0]!, size[1]!, size[2]!] }
  })
})

const fullness = (boxes: readonly Box[]): number => fillsOfSteps(boxes).reduce((sum, fill) => sum + fill, 0)

describe('frames', () => {
  it('cover all steps, hold all that is there, and change once in six steps at most', () => {
    fc.assert(
      fc.property(growing, (boxes) => {
        const frames = framesOf(boxes)
        expect(frames[0]!.from).toBe(0)
        const changes = frames.slice(1).map(({ from }) => from)
        changes.slice(1).forEach((from, i) => expect(from - changes[i]!).toBeGreaterThanOrEqual(LEAST_STEPS))
        boxes.forEach((box, step) => expect(unite(frameAt(frames, step).box, box)).toEqual(frameAt(frames, step).box))
      }),
    )
  })

  it('never fill a picture beyond its edges', () => {
    fc.assert(fc.property(growing, (boxes) => fillsOfSteps(boxes).every((fill) => fill > 0 && fill <= 1)))
  })

  it('show the first courses of a tower large, and change seldom', () => {
    const tower = Array.from({ length: 40 }, (_, i): Box => ({ min: [0, 0, 0], max: [80, 60, 12 * (i + 1)] }))
    const frames = framesOf(tower)
    expect(frames.length).toBeGreaterThan(1)
    expect(frames.length).toBeLessThanOrEqual(6)
    expect(fullness(tower) / tower.length).toBeGreaterThan(0.5)
    expect(frames[frames.length - 1]!.shape).toBeGreaterThan(1)
    expect(frames[0]!.shape).toBeLessThanOrEqual(1)
  })

  it('show a few small steps large before something large comes', () => {
    const grown: Box[] = [40, 40, 120].map((side) => ({ min: [0, 0, 0], max: [side, side, side] }))
    expect(framesOf(grown).map(({ from }) => from)).toEqual([0, 2])
    expect(fullness(grown) / grown.length).toBeGreaterThan(0.7)
  })

  it('stay one where the work only grows in place', () => {
    const floor: Box = { min: [0, 0, 0], max: [200, 200, 4] }
    expect(framesOf(Array.from({ length: 30 }, () => floor))).toHaveLength(1)
    expect(framesOf([])).toEqual([])
  })
})
