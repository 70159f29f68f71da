import { describe, expect, it } from 'vitest'
import type { Finding } from '@core/checks'
import { lockedSteps, marksOf } from './rail-keys'
import { planModel, withoutNumbers } from '@core/plan'
import { setLocked } from '@core/edits'
import { oneSection, part } from '../../../tests/support/models'
import { makeSnapshot } from '../session/snapshot'
import { plainPlan } from '../session/support/fake-planner'
import { USUAL_SETTINGS } from '../../workers/plan-messages'

const finding = (section: string, step: number | null, severity: Finding['severity']): Finding => ({
  code: 'unheld',
  severity,
  section,
  step,
  parts: [],
  message: '',
})

describe('marks on the rail', () => {
  it('count the findings of a step and say how bad the worst is', () => {
    const marks = marksOf([finding('a', 2, 'error'), finding('a', 2, 'note'), finding('b', 1, 'warning')])
    expect([...marks]).toEqual([
      ['a/2', { worst: 'error', count: 2 }],
      ['b/1', { worst: 'warning', count: 1 }],
    ])
  })

  it('put what belongs to no step at the first', () => {
    expect(marksOf([finding('a', null, 'warning'), finding('a', 1, 'note')]).get('a/1')).toEqual({ worst: 'warning', count: 2 })
  })
})

describe('locked steps', () => {
  const model = oneSection([part('b', 'brick-2x2', [0, 0, 0]), part('c', 'brick-2x2', [0, 0, 12])])
  const shown = (document: typeof model) => {
    const state = { model: document, settings: USUAL_SETTINGS, order: {} }
    return makeSnapshot(1, state, { ...plainPlan(state), sections: withoutNumbers(planModel(document).plan.sections) })
  }

  it('are none where nobody locked any', () => {
    expect(lockedSteps(shown(model))).toEqual(new Set())
  })

  it('are those that the designer keeps, by section and place', () => {
    const plans = planModel(model).plan.sections
    const { id } = plans[plans.length - 1]!
    const locked = setLocked(model, plans, { section: id, step: 0 }, true)
    expect(lockedSteps(shown(locked))).toEqual(new Set([`${id}/0`]))
    expect(lockedSteps(shown(setLocked(locked, planModel(locked).plan.sections, { section: id, step: 0 }, false)))).toEqual(new Set())
  })
})
