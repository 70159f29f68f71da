import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { planModel } from '../plan'
import type { ModelDocument, Part } from '../model'
import { findFindings } from './find-findings'

const gapsOf = (model: ModelDocument): string[][] => {
  const found = findFindings(model, planModel(model)).filter(({ code }) => code === 'see-through')
  return found.map(({ parts }) => [...parts])
}

/** A closed room of bricks, eight studs square, walls five bricks high, under a roof of plates. */
function room(leaveOut: (course: number, side: string, place: number) => boolean = () => false): ModelDocument {
  const floor: Part[] = []
  const roof: Part[] = []
  for (const [x, y] of [
    [0, 0],
    [40, 0],
    [0, 40],
    [40, 40],
  ] as const) {
    floor.push(part(`floor ${x} ${y}`, 'plate-4x4', [x, y, 0]))
    roof.push(part(`roof ${x} ${y}`, 'plate-4x4', [x, y, 4 + 5 * 12]))
  }
  const walls: Part[] = []
  for (let course = 0; course < 5; course++) {
    const z = 4 + course * 12
    for (let place = 0; place < 8; place++) {
      const wall = (side: string, at: readonly [number, number]): void => {
        if (!leaveOut(course, side, place)) walls.push(part(`${side} ${course} ${place}`, 'brick-1x1', [at[0], at[1], z]))
      }
      wall('front', [place * 10, 0])
      wall('back', [place * 10, 70])
      if (place > 0 && place < 7) {
        wall('left', [0, place * 10])
        wall('right', [70, place * 10])
      }
    }
  }
  return oneSection([...floor, ...walls, ...roof])
}

describe('light in a closed room', () => {
  it('falls nowhere where all is closed', () => {
    expect(gapsOf(room())).toEqual([])
  })

  it('falls through one brick left out, wherever that is, and its neighbours are named', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 4 }),
        fc.constantFrom('front', 'back', 'left', 'right'),
        fc.integer({ min: 1, max: 6 }),
        (course, side, place) => {
          const gaps = gapsOf(room((c, s, p) => c === course && s === side && p === place))
          expect(gaps).toHaveLength(1)
          expect(gaps[0]!.length).toBeGreaterThan(0)
          for (const id of gaps[0]!) {
            const [, , near] = id.split(' ')
            if (id.startsWith(side)) expect(Math.abs(Number(near) - place)).toBeLessThanOrEqual(1)
          }
        },
      ),
      { numRuns: 12 },
    )
  })

  it('is meant where a door or a window is open: a probe of two studs by five plates goes in', () => {
    expect(gapsOf(room((course, side, place) => side === 'front' && course < 2 && place >= 3 && place <= 4))).toEqual([])
  })

  it('falls through a slit three courses high; one as high as the wall is meant', () => {
    const slit = (courses: number) => room((course, side, place) => side === 'back' && place === 4 && course < courses)
    expect(gapsOf(slit(3))).toHaveLength(1)
    expect(gapsOf(slit(5))).toEqual([])
  })

  it('falls through a slit of half a stud', () => {
    const model = room((_course, side, place) => side === 'front' && place === 3)
    const [main] = model.sections
    // Half a stud of the slit is closed by tiles on edge, as thick as they are: what is left is 6 u wide.
    const posts = Array.from({ length: 5 }, (_, i): Part => part(`post ${i}`, 'tile-1x1', [30, 0, 4 + i * 12], '+y+z'))
    expect(gapsOf({ ...model, sections: [{ ...main!, parts: [...main!.parts!, ...posts] }] }).length).toBe(1)
  })
})
