import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { boxAt, unite, type Box } from '../space'
import { FrameMemory } from './frame-memory'
import { framesOf as framesOfBoxes, LEAST_STEPS } from './choose-frames'
import { fillsOfSteps, frameAt, frameFit, type PictureFrame } from './frames'
import type { StepBoxes } from './step-boxes'

/** Work that grows step by step, as towers, floors and rows do. */
const growing = fc.array(fc.tuple(fc.nat(60), fc.nat(60), fc.nat(40)), { minLength: 1, maxLength: 40 }).map((growths): Box[] => {
  let size = [10, 10, 4]
  return growths.map((growth) => {
    size = size.map((side, axis) => side + growth[axis]!)
    return { min: [0, 0, 0], max: [size[0]!, size[1]!, size[2]!] }
  })
})

/** Frames of work that is all over what is there in each step. */
const framesOf = (boxes: readonly Box[]): PictureFrame[] => framesOfBoxes({ all: boxes, work: boxes })

const fullness = (boxes: readonly Box[]): number => fillsOfSteps(framesOf(boxes), boxes).reduce((sum, fill) => sum + fill, 0)

/** The first and the last may be short. */
function expectSeldomChanges(frames: readonly PictureFrame[]): void {
  expect(frames[0]!.from).toBe(0)
  const changes = frames.slice(1).map(({ from }) => from)
  changes.slice(1).forEach((from, i) => expect(from - changes[i]!).toBeGreaterThanOrEqual(LEAST_STEPS))
}

describe('frames', () => {
  it('cover all steps, hold all that is there, and change once in six steps at most', () => {
    fc.assert(
      fc.property(growing, (boxes) => {
        const frames = framesOf(boxes)
        expectSeldomChanges(frames)
        boxes.forEach((box, step) => expect(unite(frameAt(frames, step).box, box)).toEqual(frameAt(frames, step).box))
      }),
    )
  })

  it('never fill a picture beyond its edges', () => {
    fc.assert(fc.property(growing, (boxes) => fillsOfSteps(framesOf(boxes), boxes).every((fill) => fill > 0 && fill <= 1)))
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

  /** Huts in a row on one long ground, built one after another. */
  const row = (huts: number): StepBoxes => {
    const ground: Box = { min: [0, 0, 0], max: [huts * 200, 160, 4] }
    const courses = Array.from({ length: huts * 10 }, (_, i): Box => {
      const [hut, course] = [Math.floor(i / 10), i % 10]
      return { min: [hut * 200 + 20, 20, 4 + course * 12], max: [hut * 200 + 140, 140, 16 + course * 12] }
    })
    const work = [ground, ...courses]
    const all = work.map((_, step) => work.slice(0, step + 1).reduce(unite))
    return { all, work }
  }

  it('show the region that is worked on where all is too large to count studs in', () => {
    const boxes = row(12)
    const frames = framesOfBoxes(boxes)
    const regions = frames.filter(({ whole }) => whole)
    expect(regions.length).toBeGreaterThanOrEqual(6)
    for (const frame of regions) {
      expect(unite(frame.whole!, frame.box)).toEqual(frame.whole)
      // A stud of ten u in a picture of 800 px.
      expect(frameFit(frame).perU * 10 * 800).toBeGreaterThanOrEqual(12)
    }
    expectSeldomChanges(frames)
    boxes.work.forEach((work, step) => {
      const { box } = frameAt(frames, step)
      expect(unite(box, work)).toEqual(box)
    })
    expect(fillsOfSteps(frames, boxes.all).every((fill) => fill > 0 && fill <= 1)).toBe(true)
  })

  it('hold the work of every step, wherever that is, and lie in what is there', () => {
    const place = fc.tuple(fc.integer({ min: -2000, max: 2000 }), fc.integer({ min: -2000, max: 2000 }), fc.integer({ min: 0, max: 400 }))
    const size = fc.tuple(fc.integer({ min: 2, max: 300 }), fc.integer({ min: 2, max: 300 }), fc.integer({ min: 2, max: 60 }))
    const boxes = fc
      .array(fc.tuple(place, size, fc.integer({ min: 1, max: 9 })), { minLength: 1, maxLength: 25 })
      .map((sites) =>
        sites.flatMap(([at, by, times]) => Array.from({ length: times }, (_, i) => boxAt([at[0], at[1], at[2] + i * 12], by))),
      )
      .map((work): StepBoxes => ({ work, all: work.map((_, step) => work.slice(0, step + 1).reduce(unite)) }))
    fc.assert(
      fc.property(boxes, (each) => {
        const frames = framesOfBoxes(each)
        expectSeldomChanges(frames)
        each.work.forEach((work, step) => {
          const { box, whole } = frameAt(frames, step)
          expect(unite(box, work)).toEqual(box)
          if (whole) expect(unite(whole, box)).toEqual(whole)
          else expect(unite(box, each.all[step]!)).toEqual(box)
        })
        expect(fillsOfSteps(frames, each.all).every((fill) => fill > 0 && fill <= 1 + 1e-9)).toBe(true)
      }),
    )
  })

  const spliced = <Each>(list: readonly Each[], at: number, take: number, put: readonly Each[] = []): Each[] => [
    ...list.slice(0, at),
    ...put,
    ...list.slice(at + take),
  ]

  it('are the same with what was found out before an edit', () => {
    const site = fc.tuple(fc.integer({ min: 0, max: 12 }), fc.integer({ min: 0, max: 8 }))
    const edit = fc.record({ at: fc.nat(), take: fc.nat({ max: 3 }), put: fc.array(site, { maxLength: 3 }) })
    const boxOf = ([x, level]: readonly [number, number]): Box => boxAt([x * 260, 20, level * 12], [120, 100, 12])
    const stepsOf = (work: readonly Box[]): StepBoxes => {
      let there: Box | undefined
      const all = work.map((box) => (there = there ? unite(there, box) : box))
      return { work, all }
    }
    fc.assert(
      fc.property(fc.array(site, { minLength: 40, maxLength: 90 }), fc.array(edit, { maxLength: 6 }), (sites, edits) => {
        const [memory, told] = [new FrameMemory(), new FrameMemory()]
        const ground = boxAt([0, 0, -4], [3400, 160, 4])
        let work = [ground, ...sites.map(boxOf)]
        for (const { at, take, put } of [{ at: 0, take: 0, put: [] }, ...edits]) {
          work = spliced(work, at % work.length, take, put.map(boxOf))
          const boxes = stepsOf(work)
          expect(framesOfBoxes(boxes, memory)).toEqual(framesOfBoxes(boxes))
          // Whatever is known of some steps was found out of the very same boxes.
          told.begin(boxes)
          for (let end = 1; end <= work.length; end++) {
            const marks = [boxes.work, boxes.all].flatMap((list) =>
              list.slice(Math.max(0, end - 24), end).flatMap(({ min, max }) => [...min, ...max]),
            )
            expect(told.of(end, 24, () => marks)).toEqual(marks)
          }
        }
      }),
    )
  })

  it('find out about regions only what an edit has changed', () => {
    const memory = new FrameMemory()
    let looks = 0
    const of = (boxes: StepBoxes): void => {
      memory.begin(boxes)
      for (let end = 1; end <= boxes.work.length; end++) memory.of(end, 24, () => (looks++, []))
    }
    const before = row(20)
    of(before)
    expect(looks).toBe(before.work.length)
    looks = 0
    const merged = spliced(before.work, 100, 2, [unite(before.work[100]!, before.work[101]!)])
    of({ work: merged, all: spliced(before.all, 100, 1) })
    // The step that was merged, and the regions that begin before its end.
    expect(looks).toBeGreaterThan(0)
    expect(looks).toBeLessThan(30)
    looks = 0
    of({ work: merged, all: spliced(before.all, 100, 1) })
    expect(looks).toBe(0)
  })

  it('show all of what is small enough', () => {
    expect(framesOfBoxes(row(1)).some(({ whole }) => whole)).toBe(false)
  })
})
