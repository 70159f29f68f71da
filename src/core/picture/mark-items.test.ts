import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { drawItems } from './dots'
import type { RgbImage } from './rgb-image'
import { markItems, type MarkItem } from './mark-items'
import type { Mark } from './marks'
import { INK } from './paint'
import { writeSvg } from './vector'

const SIZE = { width: 120, height: 120 }
const grey = (): RgbImage => ({ ...SIZE, data: new Uint8Array(SIZE.width * SIZE.height * 3).fill(128) })
const place = fc.tuple(fc.integer({ min: 30, max: 90 }), fc.integer({ min: 30, max: 90 }))
const mark: fc.Arbitrary<Mark> = fc.oneof(
  fc.record({ kind: fc.constant('ring' as const), at: place, radius: fc.integer({ min: 5, max: 20 }) }),
  fc.record({
    kind: fc.constant('path' as const),
    points: fc.array(place, { minLength: 2, maxLength: 4 }),
    heads: fc.constantFrom('end' as const, 'both' as const),
  }),
  fc.record({ kind: fc.constant('letter' as const), at: place, letter: fc.constantFrom('A', 'K', 'Z') }),
)

/** How far an item reaches from its own points, px. */
const reachOf = (item: MarkItem): { points: readonly (readonly [number, number])[]; reach: number } => {
  if (item.kind === 'area') return { points: item.loops.flat(), reach: item.seam ?? 1 }
  if (item.kind === 'lines') return { points: item.lines.flat(), reach: item.width }
  return { points: [item.at], reach: item.kind === 'text' ? item.size : Math.max(...item.radii) + item.width }
}

describe('the items of a mark', () => {
  it('are drawn as dots where the text of lines says they are, and nowhere else', () => {
    fc.assert(
      fc.property(mark, (made) => {
        const items = markItems(made)
        const image = grey()
        drawItems(image, items)
        const all = items.map(reachOf)
        const isNear = (x: number, y: number): boolean =>
          all.some(({ points, reach }) => {
            const [xs, ys] = [points.map((point) => point[0]), points.map((point) => point[1])]
            return (
              x >= Math.min(...xs) - reach - 1 &&
              x <= Math.max(...xs) + reach + 1 &&
              y >= Math.min(...ys) - reach - 1 &&
              y <= Math.max(...ys) + reach + 1
            )
          })
        let inked = 0
        for (let y = 0; y < SIZE.height; y++) {
          for (let x = 0; x < SIZE.width; x++) {
            const at = (y * SIZE.width + x) * 3
            if (image.data[at] !== 128) expect(isNear(x, y)).toBe(true)
            if (INK.every((value, k) => Math.abs(image.data[at + k]! - value) < 12)) inked++
          }
        }
        expect(inked).toBeGreaterThan(3)
        const svg = writeSvg({ ...SIZE, items })
        expect(svg).not.toMatch(/NaN|undefined|Infinity/)
        // The first is the page of paper.
        expect(svg.match(/<(path|ellipse|text|rect) /g)).toHaveLength(items.length + 1)
      }),
      { numRuns: 200 },
    )
  })
})
