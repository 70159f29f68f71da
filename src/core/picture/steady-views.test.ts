import { describe, expect, it } from 'vitest'
import { steadyViews, type StepLook, type ViewNumber } from './index'

const VIEWS: readonly ViewNumber[] = [0, 1, 2, 3]

/** What each step shows of one part from each side, in percent; the best side first where several show as much. */
function rail(...shown: readonly (readonly number[])[]) {
  const look = (step: number, view: ViewNumber): StepLook => ({ view, shares: [shown[step]![view]! / 100] })
  const best = shown.map((percent, step) => look(step, percent[0]! >= 30 ? 0 : VIEWS[percent.indexOf(Math.max(...percent))]!))
  const views = (chosen: readonly (ViewNumber | undefined)[] = []): number[] =>
    steadyViews(
      best.map((each, step) => (chosen[step] === undefined ? each : look(step, chosen[step]))),
      look,
      chosen,
    ).map(({ view }) => view)
  return { best: best.map(({ view }) => view), views }
}

const FRONT = [90, 90, 0, 0]
const BACK_ONLY = [0, 0, 90, 0]
const BOTH = [90, 0, 90, 0]

describe('views that stay', () => {
  it('leave a single step that shows from elsewhere to an inset', () => {
    const { best, views } = rail(FRONT, BACK_ONLY, FRONT)
    expect(best).toEqual([0, 2, 0])
    expect(views()).toEqual([0, 0, 0])
  })

  it('go round once for many steps, and stay there for those that show from both sides', () => {
    const { best, views } = rail(FRONT, FRONT, BACK_ONLY, BOTH, BACK_ONLY, BOTH, BACK_ONLY, FRONT, FRONT)
    expect(best).toEqual([0, 0, 2, 0, 2, 0, 2, 0, 0])
    expect(views()).toEqual([0, 0, 0, 0, 0, 0, 0, 0, 0])
    const longer = rail(FRONT, FRONT, ...Array.from({ length: 5 }, () => [BACK_ONLY, BOTH]).flat(), FRONT, FRONT)
    expect(longer.views()).toEqual([0, 0, 2, 2, 2, 2, 2, 2, 2, 2, 2, 0, 0, 0])
  })

  it('begin on the side that needs no change', () => {
    expect(rail(BOTH, BACK_ONLY, BACK_ONLY).views()).toEqual([2, 2, 2])
  })

  it('go round for what nothing else shows, and leave chosen sides alone', () => {
    const dim = [0, 0, 15, 0]
    const many = [FRONT, FRONT, FRONT, FRONT]
    expect(rail(...many, dim, ...many).views()).toEqual([0, 0, 0, 0, 2, 0, 0, 0, 0])
    expect(rail(FRONT, FRONT, FRONT).views([undefined, 1, undefined])).toEqual([1, 1, 1])
    expect(rail(FRONT, BACK_ONLY, BACK_ONLY, BACK_ONLY, BACK_ONLY).views([undefined, undefined, 0])[2]).toBe(0)
  })
})
