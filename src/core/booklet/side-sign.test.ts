import { describe, expect, it } from 'vitest'
import { sideSign } from './side-sign'

const VIEWS = [0, 1, 2, 3, 4, 5, 6, 7]

describe('the sign for another side', () => {
  it('is another for every change, stays in its square, and is made of moves, lines and arcs alone', () => {
    const seen = new Map<string, string>()
    for (const from of VIEWS.slice(0, 4))
      for (const to of VIEWS.slice(0, 4)) {
        if (from === to) continue
        const sign = sideSign(from, to)
        expect(sign).toMatch(/^[MLHVZa\d. -]+$/)
        for (const number of sign.match(/\d+(?:\.\d+)?/g)!) expect(Number(number)).toBeLessThanOrEqual(24)
        expect(seen.get(sign)).toBeUndefined()
        seen.set(sign, `${from} ${to}`)
      }
    expect(seen.size).toBe(12)
  })

  it('goes the shorter way round, and down where the viewer only goes below', () => {
    expect(sideSign(0, 1)).toContain('M20 20L20 4')
    expect(sideSign(0, 3)).toContain('M20 20L4 20')
    expect(sideSign(0, 2)).toContain('M20 20L20 4L4 4')
    expect(sideSign(0, 4)).toContain('M12 4V20')
    expect(sideSign(6, 2)).toContain('M12 20V4')
  })
})
