import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { Page } from '@core/booklet'
import { pageAt, railLine, tieAt } from './rail-line'

/** A booklet of sections with so many steps each; what a line does not look at is left out. */
const booklet = (steps: readonly number[]): Page[] =>
  [
    { kind: 'cover' },
    ...steps.flatMap((of, k) => {
      const letter = String.fromCharCode(65 + k)
      const step = (number: number) => ({ kind: number % 3 === 0 ? 'jump' : 'step', section: letter, letter, number })
      return [{ kind: 'tray', section: letter, letter }, ...Array.from({ length: of }, (_, i) => step(i + 1))]
    }),
    { kind: 'inventory' },
  ] as unknown as Page[]

const steps = fc.array(fc.integer({ min: 1, max: 400 }), { minLength: 1, maxLength: 12 })
const width = fc.integer({ min: 60, max: 1400 })

test('sections follow each other over the line, each as wide as it is long', () => {
  fc.assert(
    fc.property(steps, width, (lengths, px) => {
      const pages = booklet(lengths)
      const { sections } = railLine(pages, 0, px)
      expect(sections).toHaveLength(lengths.length)
      sections.forEach(({ x, width: wide }, k) => {
        expect(wide).toBeCloseTo(((lengths[k]! + 1) * px) / pages.length, 6)
        if (k > 0) expect(x).toBeCloseTo(sections[k - 1]!.x + sections[k - 1]!.width, 6)
      })
      expect(railLine(pages, 0, px).ties).toEqual([])
    }),
  )
})

test('the lane of the open section has the open step on it, ties in order, within the line, and a touch finds each', () => {
  fc.assert(
    fc.property(steps, width, fc.nat(), (lengths, px, seed) => {
      const pages = booklet(lengths)
      const index = 1 + (seed % (pages.length - 2))
      const { ties, here } = railLine(pages, index, px)
      expect(ties.filter(({ isHere }) => isHere).map(({ page }) => page)).toEqual([index])
      ties.forEach(({ page, x }, i) => {
        expect(x).toBeGreaterThanOrEqual(0)
        expect(x).toBeLessThanOrEqual(px)
        expect(tieAt(ties, x)).toBe(page)
        if (i > 0) expect([page - ties[i - 1]!.page, x - ties[i - 1]!.x >= 6.99]).toEqual([1, true])
      })
      expect(pageAt(pages, here, px)).toBe(index)
    }),
  )
})

test('a place beside the line is its end', () => {
  const pages = booklet([3, 4])
  expect([pageAt(pages, -5, 100), pageAt(pages, 500, 100)]).toEqual([0, pages.length - 1])
  expect(tieAt([], 5)).toBeUndefined()
})
