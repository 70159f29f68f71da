import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { paintPiece, pieceSource } from './index'
import { BASE_CATALOGUE } from '../catalogue'
import { indexedImage, type IndexedImage } from './palette'

const imageOf = (colours: readonly (readonly [number, number, number])[]) => ({
  width: colours.length,
  height: 1,
  data: Uint8Array.from(colours.flat()),
})
const shown = ({ indices, palette }: IndexedImage): number[] =>
  [...indices].flatMap((index) => [...palette.slice(index * 3, index * 3 + 3)])

describe('a picture by its colours', () => {
  it('is the very same where they are 256 at most', () => {
    const byte = fc.integer({ min: 0, max: 255 })
    fc.assert(
      fc.property(fc.array(fc.tuple(byte, byte, byte), { minLength: 1, maxLength: 256 }), (colours) => {
        const image = imageOf(colours)
        expect(shown(indexedImage(image))).toEqual([...image.data])
      }),
    )
  })

  it('keeps the commonest of more, and gives every other dot the nearest of these', () => {
    const common = Array.from({ length: 256 }, (_, i) => [i, 0, 0] as const)
    const indexed = indexedImage(imageOf([...common, ...common, [7, 3, 0], [255, 200, 0]]))
    expect(indexed.palette).toHaveLength(256 * 3)
    expect(shown(indexed).slice(-6)).toEqual([7, 0, 0, 255, 0, 0])
  })

  it('has few colours where a piece is painted: what differs cannot be seen', () => {
    const piece = { shape: 'brick-2x4', colour: 'rust' }
    const image = paintPiece(piece, pieceSource(BASE_CATALOGUE), { width: 200, height: 150 })
    const after = shown(indexedImage(image))
    const far = image.data.reduce((most, value, i) => Math.max(most, Math.abs(value - after[i]!)), 0)
    expect(far).toBeLessThan(12)
  })
})
