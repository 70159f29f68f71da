import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Box, FlatPoint } from '../space'
import { movedOn, turnedCamera, turnedFurther, turnedViewOf, zoomedAt } from './turned-view'
import { project, VIEWS } from './view'
import { frameCamera } from './frames'
import { IDENTITY } from '../space'

const SIZE = { width: 800, height: 600 }
const BOX: Box = { min: [0, 0, 0], max: [80, 40, 60] }
const place = fc.tuple(fc.double({ min: -0.5, max: 0.5, noNaN: true }), fc.double({ min: -0.37, max: 0.37, noNaN: true }))

describe('a picture that is turned by hand', () => {
  it.each(VIEWS)('begins as the picture of the step: side %i', (side) => {
    const camera = turnedCamera(BOX, turnedViewOf(side), SIZE)
    expect(camera).toEqual(frameCamera(BOX, side, IDENTITY, SIZE))
  })

  it('keeps what is seen at a place there, however it is enlarged', () => {
    fc.assert(
      fc.property(place, fc.double({ min: 1.1, max: 3, noNaN: true }), ([x, y], times) => {
        const before = turnedViewOf(0)
        const after = zoomedAt(before, times, [x, y])
        const at: FlatPoint = [SIZE.width / 2 + x * SIZE.width, SIZE.height / 2 + y * SIZE.width]
        // The point of the plane through the middle of the box that is seen there before is seen there after.
        const [a, b] = [turnedCamera(BOX, before, SIZE), turnedCamera(BOX, after, SIZE)]
        const seen = (at[0] - a.originX) / a.scale
        expect(b.originX + seen * b.scale).toBeCloseTo(at[0], 6)
        const up = (a.originY - at[1]) / a.scale
        expect(b.originY - up * b.scale).toBeCloseTo(at[1], 6)
      }),
    )
  })

  it('is never smaller than the picture, and stands in its middle when it is as large', () => {
    const near = movedOn(zoomedAt(turnedViewOf(2), 4, [0.2, 0.1]), [0.1, -0.2])
    expect(near.zoom).toBe(4)
    expect(zoomedAt(near, 0.01, [0.3, 0.3])).toEqual(turnedViewOf(2))
    expect(zoomedAt(near, 100, [0, 0]).zoom).toBe(8)
    expect(movedOn(near, [50, 50]).shift).toEqual([2, 2])
    expect(movedOn(turnedViewOf(0), [0.3, 0.3])).toEqual(turnedViewOf(0))
  })

  it('turns about the upright axis and stays upright', () => {
    const turned = turnedFurther(turnedViewOf(0), { turn: 400, lift: 200 })
    expect(turned.lift).toBe(85)
    const camera = turnedCamera(BOX, turned, SIZE)
    const [x0, y0] = project(camera, [0, 0, 0])
    const [x1, y1] = project(camera, [0, 0, 60])
    expect(x1).toBeCloseTo(x0, 6)
    expect(y1).toBeLessThan(y0)
  })
})
