import { describe, expect, it } from 'vitest'
import { Budget } from './budget'
import { plainFault } from './fault'

const refusal = (act: () => void): unknown => {
  try {
    act()
  } catch (thrown) {
    return plainFault(thrown)
  }
  return undefined
}

describe('a budget', () => {
  it('lets work be done up to its end, and refuses what goes past it', () => {
    const budget = new Budget(10, 'comparing of pieces', 'Take some away.', 'section hull')
    budget.spend(4)
    budget.spend()
    budget.spend(5)
    expect(refusal(() => budget.spend())).toEqual({
      code: 'too-much-work',
      message: 'This takes too much comparing of pieces.',
      place: 'section hull',
      wayOut: 'Take some away.',
    })
    // Once it is spent it stays so.
    expect(refusal(() => budget.spend(0))).toMatchObject({ code: 'too-much-work' })
  })

  it('says no place where it has none', () => {
    const budget = new Budget(0, 'drawing', 'Move it.')
    budget.spend(0)
    expect(refusal(() => budget.spend(1))).toEqual({ code: 'too-much-work', message: 'This takes too much drawing.', wayOut: 'Move it.' })
  })
})
