import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Box } from '../space'
import { ReadyGrid } from './ready-grid'

const boxes = fc.array(
  fc
    .tuple(
      fc.integer({ min: -3000, max: 3000 }),
      fc.integer({ min: -3000, max: 3000 }),
      fc.integer({ min: 1, max: 1500 }),
      fc.integer({ min: 1, max: 400 }),
    )
    .map(([x, y, wide, deep]): Box => ({ min: [x, y, 0], max: [x + wide, y + deep, 12] })),
  { minLength: 1, maxLength: 40 },
)
const nearOf = (grid: ReadyGrid, box: Box): number[] => {
  const found: number[] = []
  grid.eachNear(box, (node) => found.push(node))
  return found.sort((a, b) => a - b)
}

describe('what is ready', () => {
  it('is found where it stands, whatever came and went and was asked before', () => {
    const acts = fc.array(fc.record({ node: fc.nat({ max: 39 }), asked: fc.nat({ max: 39 }) }), { maxLength: 60 })
    fc.assert(
      fc.property(boxes, acts, (all, sequence) => {
        const grid = new ReadyGrid(all)
        const there = new Set<number>()
        for (const act of sequence) {
          const node = act.node % all.length
          if (there.delete(node)) grid.remove(node)
          else {
            there.add(node)
            grid.add(node)
          }
          const box = all[act.asked % all.length]!
          const near = nearOf(grid, box)
          // A grid that was never asked before says the same.
          const fresh = new ReadyGrid(all)
          for (const each of there) fresh.add(each)
          expect(near).toEqual(nearOf(fresh, box))
          for (const each of near) expect(there.has(each)).toBe(true)
          // What lies in the same place is always near.
          if (there.has(act.asked % all.length)) expect(near).toContain(act.asked % all.length)
        }
        const everything: number[] = []
        grid.each((node) => everything.push(node))
        expect(everything.sort((a, b) => a - b)).toEqual([...there].sort((a, b) => a - b))
        all.forEach((_, node) => expect(grid.has(node)).toBe(there.has(node)))
      }),
    )
  })

  it('has what is within a stud of a place, and not what is far away', () => {
    const at = (x: number): Box => ({ min: [x, 0, 0], max: [x + 20, 20, 12] })
    const grid = new ReadyGrid([at(0), at(20), at(150), at(4000)])
    for (const node of [0, 1, 2, 3]) grid.add(node)
    expect(nearOf(grid, at(10))).toEqual([0, 1, 2])
    expect(nearOf(grid, at(3990))).toEqual([3])
  })
})
