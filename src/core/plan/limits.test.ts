import { describe, expect, it } from 'vitest'
import type { Box } from '../space'
import { fitsLimits, type StepPart } from './limits'
import { NORMAL_LIMITS } from './types'

const at = (x: number, y: number, z = 0, piece = 'brick-1x1 sand', turn = '0'): StepPart => {
  const box: Box = { min: [x, y, z], max: [x + 10, y + 10, z + 12] }
  return { piece, likeness: `${piece} ${turn}`, box }
}
const row = (count: number, gap: number, y = 0): StepPart[] => Array.from({ length: count }, (_, i) => at(i * gap, y))
const scattered = (count: number): StepPart[] => Array.from({ length: count }, (_, i) => at(i * i * 30, i * 50))

describe('what a step may ask of a reader', () => {
  it('is eight parts, however they lie', () => {
    expect(fitsLimits(scattered(8), NORMAL_LIMITS)).toBe(true)
    expect(fitsLimits(scattered(9), NORMAL_LIMITS)).toBe(false)
  })

  it('counts a row of like parts once, touching or evenly spaced, up to sixteen in all', () => {
    for (const gap of [10, 40]) {
      expect(fitsLimits(row(16, gap), NORMAL_LIMITS)).toBe(true)
      expect(fitsLimits(row(17, gap), NORMAL_LIMITS)).toBe(false)
    }
    expect(fitsLimits([...row(8, 10), ...row(8, 10, 100)], NORMAL_LIMITS)).toBe(true)
  })

  it('counts what is at another height or turned another way by itself', () => {
    const high = Array.from({ length: 9 }, (_, i) => at(0, 0, i * 12))
    expect(fitsLimits(high, NORMAL_LIMITS)).toBe(false)
    const turned = row(9, 10).map((each, i) => ({ ...each, likeness: `${each.piece} ${i}` }))
    expect(fitsLimits(turned, NORMAL_LIMITS)).toBe(false)
  })

  it('is four kinds of pieces', () => {
    const kinds = (count: number) => Array.from({ length: count }, (_, i) => at(i * 20, 0, 0, `kind ${i}`))
    expect(fitsLimits(kinds(4), NORMAL_LIMITS)).toBe(true)
    expect(fitsLimits(kinds(5), NORMAL_LIMITS)).toBe(false)
  })
})
