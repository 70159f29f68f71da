import { describe, expect, it } from 'vitest'
import { betterWords, isBetterPlan, type PlanWorth } from './better'

const plan = (steps: number, more: Partial<PlanWorth['measures']> = {}, errors = 0): PlanWorth => ({
  steps,
  errors,
  measures: {
    stepsPer100: steps,
    meanJump: 4,
    likeTogether: 0.95,
    poorlyVisible: 0,
    turnsPer100: 0,
    viewChangesPer100: 0,
    pictureFill: 0,
    ...more,
  },
})

describe('a better plan', () => {
  it.each([
    ['the same', plan(39), plan(39), false],
    ['fewer steps', plan(39), plan(36), true],
    ['more steps', plan(36), plan(39), false],
    ['one error less, whatever else', plan(36, {}, 1), plan(60), true],
    ['one error more, whatever else', plan(60), plan(36, {}, 1), false],
    ['nearer together', plan(36), plan(36, { meanJump: 3 }), true],
    ['a hair nearer', plan(36), plan(36, { meanJump: 3.9 }), false],
    ['parts that show', plan(36, { poorlyVisible: 0.02 }), plan(36), true],
  ])('%s', (_what, now, other, isBetter) => {
    expect(isBetterPlan(now, other, 100)).toBe(isBetter)
  })

  it('says in words what is better', () => {
    expect(betterWords(plan(39), plan(36, { meanJump: 3 }))).toBe('36 steps instead of 39, nearer together')
    expect(betterWords(plan(36, { poorlyVisible: 0.01, likeTogether: 0.8 }, 2), plan(36))).toBe(
      '36 steps as before, no errors left, more like parts together, more of the parts show',
    )
  })
})
