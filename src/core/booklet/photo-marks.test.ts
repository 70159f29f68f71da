import { describe, expect, it } from 'vitest'
import { drawMark } from './photo-marks'

describe('marks on photos', () => {
  it('are an arrow with two barbs that end where it points, of one length whichever way', () => {
    const { lines } = drawMark({ kind: 'arrow', at: [0, 0], to: [0.5, 1] }, 200, 100)
    expect(lines[0]).toEqual([
      [0, 0],
      [100, 100],
    ])
    const [one, point, other] = lines[1]!
    expect(point).toEqual([100, 100])
    const far = ([x, y]: readonly [number, number]): number => Math.hypot(x - 100, y - 100)
    expect(far(one!)).toBeCloseTo(far(other!))
    expect(far(one!)).toBeGreaterThan(5)
  })

  it('are a ring through the second place, never smaller than can be seen', () => {
    expect(drawMark({ kind: 'ring', at: [0.5, 0.5], to: [0.5, 1] }, 200, 100).ring).toEqual({ centre: [100, 50], radius: 50 })
    expect(drawMark({ kind: 'ring', at: [0.5, 0.5] }, 200, 100).ring!.radius).toBeCloseTo(3.6)
  })

  it('are words where they were put, or beside what they belong to', () => {
    expect(drawMark({ kind: 'text', at: [0.1, 0.2], text: 'here' }, 100, 100)).toEqual({ lines: [], words: { text: 'here', at: [10, 20] } })
    expect(drawMark({ kind: 'ring', at: [0.5, 0.5], text: 'this' }, 100, 100).words!.at).toEqual([51.4, 48.6])
    expect(drawMark({ kind: 'arrow', at: [0.5, 0.5] }, 100, 100).words).toBeUndefined()
  })
})
