import { describe, expect, it } from 'vitest'
import { reportModel } from '@core/pipeline'
import { oneSection, part } from '../../../tests/support/models'
import { factsOf, readiness } from './facts'

describe('what the shelf says of a model', () => {
  it('are its counts', () => {
    const model = oneSection([part('a', 'brick-2x2', [0, 0, 0]), part('b', 'brick-2x2', [0, 0, 12]), part('up', 'brick-2x2', [0, 0, 60])])
    const facts = factsOf(model, reportModel(model).report)
    expect(facts).toMatchObject({ parts: 3, sections: 1 })
    expect(facts.errors).toBeGreaterThan(0)
  })

  it('is how ready it is, the worst first', () => {
    const facts = { parts: 1, sections: 1, steps: 1, errors: 0, warnings: 0 }
    expect(readiness(undefined)).toBe('not looked at yet')
    expect(readiness(facts)).toBe('ready to publish')
    expect(readiness({ ...facts, warnings: 1 })).toBe('can be built, 1 warning')
    expect(readiness({ ...facts, warnings: 3 })).toBe('can be built, 3 warnings')
    expect(readiness({ ...facts, errors: 1, warnings: 3 })).toBe('1 error to solve')
    expect(readiness({ ...facts, errors: 2 })).toBe('2 errors to solve')
  })
})
