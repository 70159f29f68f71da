import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cornerFor, placeIn, type DrawnPicture, type PictureCorner } from './inset-corner'

const SIZE = { width: 400, height: 300 }
const INSET = { width: 100, height: 80 }

/** A picture in which some rectangles (left, top, right, bottom) are drawn; parts from 1 on are new. */
function picture(areas: readonly { readonly area: readonly [number, number, number, number]; readonly part: number }[]): DrawnPicture {
  const part = new Int32Array(SIZE.width * SIZE.height).fill(-1)
  for (const { area, part: shown } of areas)
    for (let y = area[1]; y < area[3]; y++) part.fill(shown, y * SIZE.width + area[0], y * SIZE.width + area[2])
  return { buffer: { part, size: SIZE }, finer: 1, newFrom: 1 }
}

describe('the corner of an inset', () => {
  it('is far from what it shows where nothing else decides', () => {
    expect(cornerFor(picture([]), INSET, [50, 40], [])).toEqual({ isRight: true, isLow: true })
    expect(cornerFor(picture([]), INSET, [350, 40], [])).toEqual({ isRight: false, isLow: true })
  })

  it('is one where it covers nothing new, though it covers more of what was there', () => {
    const drawn = picture([
      { area: [280, 200, 400, 300], part: 1 },
      { area: [0, 0, 400, 100], part: 0 },
      { area: [0, 250, 100, 300], part: 0 },
    ])
    expect(cornerFor(drawn, INSET, [50, 40], [])).toEqual({ isRight: false, isLow: true })
  })

  it('is never one that another stands in, as long as there is room', () => {
    const corner = fc.record({ isRight: fc.boolean(), isLow: fc.boolean() })
    const place = fc.tuple(fc.integer({ min: 0, max: 399 }), fc.integer({ min: 0, max: 299 }))
    fc.assert(
      fc.property(fc.array(corner, { maxLength: 3 }), place, (taken, from) => {
        const chosen = cornerFor(picture([{ area: [100, 100, 300, 200], part: 1 }]), INSET, from, taken)
        expect(taken).not.toContainEqual(chosen)
      }),
    )
  })

  it('keeps insets of the largest size from each other', () => {
    const large = { width: 152, height: 120 }
    const corners: PictureCorner[] = [0, 1, 2, 3].map((i) => ({ isRight: i % 2 === 1, isLow: i > 1 }))
    const places = corners.map((corner) => placeIn(corner, large, SIZE))
    for (const [x, y] of places) {
      const others = places.filter((other) => other[0] !== x || other[1] !== y)
      expect(others.every((other) => Math.abs(other[0] - x) >= large.width || Math.abs(other[1] - y) >= large.height)).toBe(true)
    }
  })
})
