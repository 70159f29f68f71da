import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { EMPTY_WINDOW, uniteWindows, type Window } from './g-buffer'
import { areaOf, mergeWindows } from './windows'

const span = fc.tuple(fc.nat(40), fc.integer({ min: -1, max: 20 }))
const window = fc.tuple(span, span).map(([[left, wide], [top, high]]): Window => ({ left, right: left + wide, top, bottom: top + high }))
const holds = (outer: Readonly<Window>, x: number, y: number): boolean =>
  x >= outer.left && x <= outer.right && y >= outer.top && y <= outer.bottom

describe('windows that are merged', () => {
  it('hold every dot of each, are no more work than each by itself, and as few as can be without more', () => {
    fc.assert(
      fc.property(fc.array(window, { maxLength: 10 }), (windows) => {
        const merged = mergeWindows(windows)
        for (const { left, right, top, bottom } of windows.filter((each) => areaOf(each) > 0))
          for (const x of [left, right]) for (const y of [top, bottom]) expect(merged.some((each) => holds(each, x, y))).toBe(true)
        const sum = (list: readonly Readonly<Window>[]): number => list.reduce((all, each) => all + areaOf(each), 0)
        expect(sum(merged)).toBeLessThanOrEqual(sum(windows))
        for (const [i, one] of merged.entries())
          for (const other of merged.slice(i + 1)) expect(areaOf(uniteWindows(one, other))).toBeGreaterThan(areaOf(one) + areaOf(other))
      }),
    )
  })

  it('stay apart where there is paper between them, unless they reach that far', () => {
    const [one, other] = [
      { left: 0, right: 9, top: 0, bottom: 9 },
      { left: 14, right: 23, top: 0, bottom: 9 },
    ]
    expect(mergeWindows([one, other])).toEqual([one, other])
    expect(mergeWindows([one, other], 3)).toEqual([{ left: 0, right: 23, top: 0, bottom: 9 }])
    expect(mergeWindows([one, EMPTY_WINDOW])).toEqual([one])
    expect(mergeWindows([EMPTY_WINDOW])).toEqual([])
  })

  it('become one where there are very many', () => {
    const many = Array.from({ length: 60 }, (_, i) => ({ left: i * 100, right: i * 100, top: i * 100, bottom: i * 100 }))
    expect(mergeWindows(many)).toEqual([{ left: 0, right: 5900, top: 0, bottom: 5900 }])
    // As many as a finished section has parts: most are not looked at one by one.
    let asked = 0
    const thousands = Array.from({ length: 5000 }, (_, i) => ({
      get left() {
        asked++
        return i * 100
      },
      right: i * 100,
      top: i * 100,
      bottom: i * 100,
    }))
    expect(mergeWindows(thousands)).toEqual([{ left: 0, right: 499_900, top: 0, bottom: 499_900 }])
    expect(asked).toBeLessThan(20_000)
  })
})
