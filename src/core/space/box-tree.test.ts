import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { BoxTree } from './box-tree'
import { boxAt, boxesMeet } from './boxes'

const box = fc
  .tuple(
    fc.integer({ min: -50, max: 50 }),
    fc.integer({ min: -50, max: 50 }),
    fc.integer({ min: -50, max: 50 }),
    fc.integer({ min: 1, max: 30 }),
  )
  .map(([x, y, z, side]) => boxAt([x, y, z], [side, side, side]))

describe('a tree of boxes', () => {
  it('finds all that meet a box, and no other', () => {
    fc.assert(
      fc.property(fc.array(box, { maxLength: 80 }), fc.array(box, { minLength: 1, maxLength: 5 }), (boxes, all) => {
        // It is cut where it is asked: one question after another.
        const tree = new BoxTree(boxes)
        for (const asked of all) {
          const found: number[] = []
          tree.each(asked, (i) => {
            found.push(i)
            return false
          })
          expect(found.sort((a, b) => a - b)).toEqual(boxes.flatMap((each, i) => (boxesMeet(each, asked) ? [i] : [])))
        }
      }),
    )
  })

  it('stops when it is told to', () => {
    const tree = new BoxTree(Array.from({ length: 100 }, () => boxAt([0, 0, 0], [1, 1, 1])))
    let asked = 0
    expect(tree.each(boxAt([0, 0, 0], [1, 1, 1]), () => ++asked === 3)).toBe(true)
    expect(asked).toBe(3)
  })
})
