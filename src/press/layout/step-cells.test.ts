import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cellKind, pictureIn, type CellRoom } from './step-cells'

const ROOM: CellRoom = { wide: { width: 341, height: 252 }, half: { width: 250, height: 252 } }
const shape = fc.constantFrom(0.5, 0.75, 1, 4 / 3, 2)

describe('where a step stands on a sheet', () => {
  it('is a picture that fits its room in its own shape', () => {
    fc.assert(
      fc.property(shape, fc.constantFrom('wide', 'half'), (own, kind) => {
        const { width, height } = pictureIn(ROOM[kind as 'wide'], { shape: own, perU: 0.005 } as never)
        expect(width).toBeLessThanOrEqual(ROOM[kind as 'wide'].width + 1e-9)
        expect(height).toBeLessThanOrEqual(ROOM[kind as 'wide'].height + 1e-9)
        expect(height / width).toBeCloseTo(own, 9)
      }),
    )
  })

  it('is half a sheet wide where a stud is four millimetres there, and where more width would not help', () => {
    const mm = 72 / 25.4
    const perU = (4 * mm) / 10 / 250
    expect(cellKind({ shape: 0.75, perU: perU * 1.01 }, ROOM)).toBe('half')
    expect(cellKind({ shape: 0.75, perU: perU * 0.99 }, ROOM)).toBe('wide')
    // A tower is bounded by its height.
    expect(cellKind({ shape: 2, perU: perU / 10 }, ROOM)).toBe('half')
  })
})
