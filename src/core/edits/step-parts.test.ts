import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { planModel } from '../plan'
import { moveToStep, setLocked, splitStep } from './index'

const ids = ['a', 'b', 'c', 'd', 'e', 'f']
const parts = ids.map((id, i) => part(id, 'brick-2x2', [0, 0, i * 12]))
const model = oneSection(parts, [{ add: ['a', 'b'], note: 'Mind' }, { add: ['c'] }, { add: ['d', 'e', 'f'] }])
const plans = planModel(model).plan.sections
const steps = (document: typeof model) => document.sections[0]!.steps!
const at = (step: number) => ({ section: 'main', step })

describe('parts moved from step to step', () => {
  it('come last in an earlier step and first in a later one, several at once', () => {
    expect(steps(moveToStep(model, plans, at(2), { ids: ['d', 'f'], to: 0 })).map(({ add }) => add)).toEqual([
      ['a', 'b', 'd', 'f'],
      ['c'],
      ['e'],
    ])
    expect(steps(moveToStep(model, plans, at(0), { ids: ['a'], to: 2 })).map(({ add }) => add)).toEqual([
      ['b'],
      ['c'],
      ['a', 'd', 'e', 'f'],
    ])
  })

  it('leave no empty step, keep notes, and every part in one step', () => {
    fc.assert(
      fc.property(fc.nat(2), fc.nat(2), fc.subarray(ids), (from, to, moved) => {
        const after = moveToStep(model, plans, at(from), { ids: moved, to })
        const all = steps(after).flatMap(({ add }) => add ?? [])
        expect([...all].sort()).toEqual(ids)
        expect(steps(after).every(({ add }) => (add?.length ?? 0) > 0)).toBe(true)
        if (steps(after).length === 3) expect(steps(after)[0]!.note).toBe('Mind')
      }),
    )
  })

  it('are refused where a step is locked, or is not there', () => {
    const locked = setLocked(model, plans, at(1), true)
    expect(() => moveToStep(locked, plans, at(0), { ids: ['a'], to: 1 })).toThrow('locked')
    expect(() => moveToStep(model, plans, at(0), { ids: ['a'], to: 7 })).toThrow('no step 8')
    expect(moveToStep(model, plans, at(0), { ids: ['a'], to: 0 })).toEqual(model)
  })
})

describe('a step that is split after one of its parts', () => {
  it('ends with that part', () => {
    expect(steps(splitStep(model, plans, at(2), 'd')).map(({ add }) => add)).toEqual([['a', 'b'], ['c'], ['d'], ['e', 'f']])
  })
  it('is refused where nothing comes after it', () => {
    expect(() => splitStep(model, plans, at(2), 'f')).toThrow('Nothing of this step comes after')
  })
})
