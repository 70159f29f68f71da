import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { BASE_CATALOGUE } from '../catalogue'
import { lengthLabel } from '../count'
import { drawPiece, lookAtTray, paintPiece, pieceSource, type PieceSpec, type RgbImage } from './index'

const SOURCE = pieceSource(BASE_CATALOGUE)
const SIZE = { width: 108, height: 78 }
const pieces = (...shapes: string[]): PieceSpec[] => shapes.map((shape) => ({ shape, colour: 'sand' }))
const ids = [...BASE_CATALOGUE.shapes.keys()]

/** How far from the edge of the picture ink comes, px. */
function margin({ data, width, height }: RgbImage): number {
  let least = Infinity
  for (let i = 0; i < data.length; i += 3) {
    if (data[i]! > 250 && data[i + 1]! > 250 && data[i + 2]! > 250) continue
    const [x, y] = [(i / 3) % width, Math.floor(i / 3 / width)]
    least = Math.min(least, x, y, width - 1 - x, height - 1 - y)
  }
  return least
}

describe('the pictures of a tray', () => {
  it('have one scale, but for what is too large for it, and nothing is cut off', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.constantFrom(...ids), { minLength: 1, maxLength: 5 }), (shapes) => {
        const tray = pieces(...shapes)
        const looks = lookAtTray(tray, SOURCE, SIZE)
        const scale = Math.max(...looks.map((look) => look.scale))
        looks.forEach((look, i) => {
          expect(look.isSmaller ? look.scale < scale : look.scale === scale, shapes[i]).toBe(true)
          expect(margin(paintPiece(tray[i]!, SOURCE, SIZE, look)), shapes[i]).toBeGreaterThanOrEqual(1)
        })
      }),
      { numRuns: 40 },
    )
  })

  it('draw a small piece smaller beside a large one than alone', () => {
    const [alone] = lookAtTray(pieces('plate-1x1'), SOURCE, SIZE)
    const [beside] = lookAtTray(pieces('plate-1x1', 'plate-2x8'), SOURCE, SIZE)
    expect(beside!.scale).toBeLessThan(alone!.scale)
    expect(lookAtTray(pieces('plate-1x1', 'base-32x32'), SOURCE, SIZE).map((look) => look.isSmaller)).toEqual([false, true])
  })

  it('keep the usual side where pieces are told apart there, and go round where they are not', () => {
    expect(lookAtTray(pieces('plate-1x2', 'brick-2x4', 'slope-2x2'), SOURCE, SIZE).map((look) => look.view)).toEqual([0, 0, 0])
    // Two turntables differ underneath, two bricks by a stud behind.
    for (const pair of [
      ['turntable-2x2', 'turntable-2x2-top'],
      ['brick-1x1-side3', 'brick-1x1-side4'],
    ] as const) {
      const views = lookAtTray(pieces(...pair), SOURCE, SIZE).map((look) => look.view)
      expect(views[0], pair.join()).not.toBe(0)
      expect(views[1], pair.join()).toBe(views[0])
    }
  })

  it('bear lengths where only the length tells pieces apart', () => {
    const label = (piece: PieceSpec): string => lengthLabel(piece, BASE_CATALOGUE.shapes)
    expect(
      ['beam-7', 'axle-4', 'plate-2x8', 'tile-1x6', 'plate-2x3', 'plate-6x8', 'gear-24'].map((shape) => label({ shape, colour: 'red' })),
    ).toEqual(['7 studs', '4 studs', '8 studs', '6 studs', '', '', ''])
    expect(label({ shape: 'tube', colour: 'navy', length: 48 })).toBe('48 mm')
  })

  it('show a tube as long as it is cut', () => {
    const wide = (length: number): number =>
      Math.max(
        ...drawPiece({ shape: 'tube', colour: 'navy', length }, SOURCE, SIZE, { view: 0, scale: 1, isSmaller: false }).items.flatMap(
          (item) => (item.kind === 'area' ? item.loops.flat().map(([x]) => Math.abs(x - SIZE.width / 2)) : []),
        ),
      )
    expect(wide(40)).toBeGreaterThan(wide(16) * 1.5)
  })
})
