import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { connectedCells } from './connected-cells'

type Size = readonly [number, number, number]

/** The same cell by cell. */
function byCells(cells: Uint8Array, [sx, sy, sz]: Size, start: number): Uint8Array {
  const connected = new Uint8Array(cells.length)
  const queue = cells[start] === 1 ? [start] : []
  if (queue.length > 0) connected[start] = 1
  for (let head = 0; head < queue.length; head++) {
    const at = queue[head]!
    const [x, y, z] = [at % sx, Math.floor(at / sx) % sy, Math.floor(at / (sx * sy))]
    const beside = [
      ...(x > 0 ? [at - 1] : []),
      ...(x < sx - 1 ? [at + 1] : []),
      ...(y > 0 ? [at - sx] : []),
      ...(y < sy - 1 ? [at + sx] : []),
      ...(z > 0 ? [at - sx * sy] : []),
      ...(z < sz - 1 ? [at + sx * sy] : []),
    ]
    for (const next of beside) {
      if (cells[next] !== 1 || connected[next] === 1) continue
      connected[next] = 1
      queue.push(next)
    }
  }
  return connected
}

describe('cells that hang together', () => {
  const side = fc.integer({ min: 1, max: 6 })
  const filled = fc
    .tuple(side, side, side, fc.double({ min: 0.2, max: 0.9, noNaN: true }), fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true })))
    .map(([sx, sy, sz, share, stream]) => {
      const size: Size = [sx, sy, sz]
      return { size, cells: Uint8Array.from({ length: sx * sy * sz }, () => (stream.next().value! < share ? 1 : 0)) }
    })

  it('are found by runs as they are cell by cell', () => {
    fc.assert(
      fc.property(filled, fc.nat(215), ({ size, cells }, wish) => {
        const start = wish % cells.length
        expect(connectedCells(cells, size, start)).toEqual(byCells(cells, size, start))
      }),
      { numRuns: 300 },
    )
  })
})
