import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { faceBits } from './face-bits'
import { Journal } from './journal'
import { EMPTY_WINDOW, GBuffer, NOTHING, uniteWindows, type Window } from './g-buffer'
import type { ProjectedFacet } from './projected-mesh'

const SIZE = { width: 24, height: 18 }

/** A convex facet around a middle, corners on a circle, as a projected mesh has it. */
function facet(
  corners: readonly (readonly [number, number])[],
  plane: Pick<ProjectedFacet, 'slopeX' | 'slopeY' | 'base'>,
  surface = 0,
): ProjectedFacet {
  const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)]
  const near = Math.min(...corners.map(([x, y]) => plane.base + plane.slopeX * x + plane.slopeY * y))
  const bounds = { near, left: Math.min(...xs), right: Math.max(...xs), low: Math.min(...ys), high: Math.max(...ys) }
  return {
    corners: Float64Array.from(corners.flat()),
    ...bounds,
    ...plane,
    tone: surface % 3,
    surface,
    face: faceBits(surface, surface % 2 === 1, surface % 3),
  }
}

const facets = fc
  .record({
    // Sixty-fourths of a dot are exact, and few corners then lie on the middle line of a row.
    middle: fc.tuple(fc.integer({ min: -400, max: 2000 }), fc.integer({ min: -400, max: 1600 })),
    radius: fc.integer({ min: 20, max: 700 }),
    angles: fc.uniqueArray(fc.integer({ min: 0, max: 35 }), { minLength: 3, maxLength: 7 }),
    slopeX: fc.integer({ min: -8, max: 8 }),
    slopeY: fc.integer({ min: -8, max: 8 }),
    base: fc.integer({ min: 0, max: 400 }),
    surface: fc.integer({ min: 0, max: 9 }),
  })
  .map(({ middle, radius, angles, slopeX, slopeY, base, surface }) => {
    const corners = [...angles]
      .sort((a, b) => a - b)
      .map((angle): [number, number] => {
        const turn = (angle * Math.PI) / 18 + 0.01
        return [(middle[0] + radius * Math.cos(turn)) / 64, (middle[1] + radius * Math.sin(turn)) / 64]
      })
    return facet(corners, { slopeX: slopeX / 16, slopeY: slopeY / 16, base: base / 4 }, surface)
  })

/** Whether the middle of a dot lies inside, asked edge by edge; near an edge nothing is said. */
function covers({ corners }: ProjectedFacet, column: number, row: number): boolean | undefined {
  const [x, y] = [column + 0.5, row + 0.5]
  let isInside = true
  for (let i = 0; i < corners.length; i += 2) {
    const k = (i + 2) % corners.length
    const [ax, ay, bx, by] = [corners[i]!, corners[i + 1]!, corners[k]!, corners[k + 1]!]
    const side = (bx - ax) * (y - ay) - (by - ay) * (x - ax)
    if (Math.abs(side) < 1e-6) return undefined
    if (side < 0) isInside = false
  }
  return isInside
}

describe('layers', () => {
  it('show at each dot the nearest of all that covers it', () => {
    fc.assert(
      fc.property(fc.array(facets, { minLength: 1, maxLength: 6 }), (all) => {
        const buffer = new GBuffer(SIZE)
        all.forEach((each, part) => buffer.draw([each], part, 0, 0, 0))
        for (let row = 0; row < SIZE.height; row++) {
          for (let column = 0; column < SIZE.width; column++) {
            const covering = all.map((each) => covers(each, column, row))
            if (covering.includes(undefined)) continue
            const depths = all.map(({ slopeX, slopeY, base }, i) =>
              covering[i] ? base + slopeX * (column + 0.5) + slopeY * (row + 0.5) : Infinity,
            )
            const nearest = Math.min(...depths)
            const dot = row * SIZE.width + column
            const shown = buffer.part[dot]!
            if (nearest === Infinity) expect(shown).toBe(NOTHING)
            else {
              expect(depths[shown]! - nearest).toBeLessThan(0.01)
              expect(buffer.face[dot]).toBe(all[shown]!.face)
              expect(buffer.depth[dot]! - nearest).toBeLessThan(0.01)
            }
          }
        }
      }),
    )
  })

  it('are the same in whichever order parts are drawn, also where faces lie in one plane', () => {
    const planes = fc.constantFrom(
      { slopeX: 0, slopeY: 0, base: 20 },
      { slopeX: 0.25, slopeY: 0, base: 15 },
      { slopeX: 0, slopeY: -0.25, base: 25 },
    )
    const coplanar = fc.array(fc.tuple(facets, planes), { minLength: 2, maxLength: 8 }).map((all) =>
      all.map(([{ corners, surface }, plane]) => {
        const points = Array.from({ length: corners.length / 2 }, (_, i): [number, number] => [corners[i * 2]!, corners[i * 2 + 1]!])
        return facet(points, plane, surface)
      }),
    )
    fc.assert(
      fc.property(coplanar, (all) => {
        const [there, back] = [new GBuffer(SIZE), new GBuffer(SIZE)]
        all.forEach((each, part) => there.draw([each], part, 0, 0, 0))
        for (let part = all.length - 1; part >= 0; part--) back.draw([all[part]!], part, 0, 0, 0)
        expect([...back.part]).toEqual([...there.part])
        expect(back.window).toEqual(there.window)
      }),
    )
  })

  it('say where was drawn: every dot that shows something lies in the window', () => {
    fc.assert(
      fc.property(fc.array(facets, { minLength: 1, maxLength: 4 }), (all) => {
        const buffer = new GBuffer(SIZE)
        const windows = all.map((each, part): Window => {
          const window = buffer.startWindow()
          buffer.draw([each], part, 0, 0, 0)
          expect(buffer.window).toEqual(window)
          return window
        })
        const { left, right, top, bottom } = windows.reduce(uniteWindows, EMPTY_WINDOW)
        buffer.part.forEach((part, dot) => {
          if (part === NOTHING) return
          const column = dot % SIZE.width
          const row = (dot - column) / SIZE.width
          expect(column >= left && column <= right && row >= top && row <= bottom).toBe(true)
        })
      }),
    )
  })

  it('count the dots that show each part', () => {
    fc.assert(
      fc.property(fc.array(facets, { minLength: 1, maxLength: 6 }), (all) => {
        const shown = new Int32Array(all.length)
        const [buffer, plain] = [new GBuffer(SIZE, shown), new GBuffer(SIZE)]
        all.forEach((each, part) => {
          buffer.draw([each], part, 0, 0, 0)
          plain.draw([each], part, 0, 0, 0)
        })
        expect([...buffer.part]).toEqual([...plain.part])
        const counted = all.map((_, part) => plain.part.reduce((sum, there) => sum + (there === part ? 1 : 0), 0))
        expect([...shown]).toEqual(counted)
      }),
    )
  })

  it('shifted by whole dots show the same, shifted', () => {
    fc.assert(
      fc.property(facets, fc.integer({ min: 0, max: 5 }), fc.integer({ min: 0, max: 5 }), (each, x, y) => {
        const [still, shifted] = [new GBuffer(SIZE), new GBuffer(SIZE)]
        still.draw([each], 0, 0, 0, 0)
        shifted.draw([each], 0, x, y, 0)
        for (let row = 0; row + y < SIZE.height; row++) {
          for (let column = 0; column + x < SIZE.width; column++) {
            expect(shifted.part[(row + y) * SIZE.width + column + x]).toBe(still.part[row * SIZE.width + column])
          }
        }
      }),
    )
  })
})

describe('a journal', () => {
  const copy = ({ depth, part, face }: GBuffer) => [[...depth], [...part], [...face]]

  it('takes steps back to what was there before each, also where some were drawn without it', () => {
    const steps = fc.array(fc.record({ drawn: fc.array(facets, { maxLength: 3 }), isNoted: fc.boolean() }), { minLength: 1, maxLength: 8 })
    fc.assert(
      fc.property(steps, (all) => {
        const [buffer, journal] = [new GBuffer(SIZE), new Journal()]
        const before: ReturnType<typeof copy>[] = []
        all.forEach(({ drawn, isNoted }, step) => {
          buffer.journal = isNoted || before.length > 0 ? journal : undefined
          if (buffer.journal) {
            before.push(copy(buffer))
            journal.startStep()
          }
          for (const each of drawn) buffer.draw([each], step, 0, 0, 0)
        })
        expect(journal.steps).toBe(before.length)
        while (before.length > 0) {
          journal.undoStep(buffer)
          expect(copy(buffer)).toEqual(before.pop())
        }
        expect(() => journal.undoStep(buffer)).toThrow(RangeError)
      }),
      { numRuns: 40 },
    )
  })

  it('forgets the oldest steps where there are too many dots, never the one under way', () => {
    const [buffer, journal] = [new GBuffer({ width: 400, height: 300 }), new Journal()]
    buffer.journal = journal
    const pane = (depth: number): ProjectedFacet =>
      facet(
        [
          [0, 0],
          [400, 0],
          [400, 300],
          [0, 300],
        ],
        { slopeX: 0, slopeY: 0, base: depth },
      )
    const kept: number[] = []
    for (let step = 0; step < 30; step++) {
      journal.startStep()
      buffer.draw([pane(100 - step)], step, 0, 0, 0)
      kept.push(journal.steps)
    }
    expect(Math.max(...kept)).toBeLessThan(12)
    expect(Math.min(...kept.slice(2))).toBeGreaterThanOrEqual(2)
    for (let step = 29, left = journal.steps; left > 0; step--, left--) {
      expect([...new Set(buffer.part)]).toEqual([step])
      journal.undoStep(buffer)
    }
  })
})
