import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { chooseSteps, type StepToRead } from './steps-to-read'

const rails = fc
  .array(fc.record({ parts: fc.nat(8), leastDots: fc.integer({ min: 1, max: 9000 }) }), { minLength: 1, maxLength: 300 })
  .map((steps): StepToRead[] => steps.map((step, i) => ({ step: i, ...step })))
const partsOf = (steps: readonly StepToRead[]): number => steps.reduce((sum, { parts }) => sum + parts, 0)

describe('steps that are read', () => {
  it('are all where there is time for all', () => {
    fc.assert(
      fc.property(rails, (all) => {
        const read = chooseSteps(all, partsOf(all))
        expect(read).toEqual({ steps: all.map(({ step }) => step), samples: new Set(), sampledParts: 0, unreadParts: 0 })
      }),
    )
  })

  it('are in order, about as many as there is time for, and with the rest make up all parts', () => {
    fc.assert(
      fc.property(rails, fc.integer({ min: 20, max: 400 }), (all, most) => {
        const { steps, samples, unreadParts } = chooseSteps(all, most)
        expect([...steps].sort((a, b) => a - b)).toEqual(steps)
        expect(new Set(steps).size).toBe(steps.length)
        const read = partsOf(all.filter(({ step }) => steps.includes(step)))
        expect(read + unreadParts).toBe(partsOf(all))
        // Steps are read whole: of the samples each may be a large one.
        expect(read).toBeLessThanOrEqual(Math.max(most * 3, most + 8))
        for (const sample of samples) expect(steps).toContain(sample)
        if (unreadParts > 0) expect(samples.size).toBeGreaterThan(0)
      }),
    )
  })

  it('are first those in which something shows least; samples are of the others', () => {
    const all = Array.from({ length: 100 }, (_, step): StepToRead => ({ step, parts: 2, leastDots: step < 30 ? 100 + step : 5000 }))
    const { steps, samples, unreadParts } = chooseSteps(all, 80)
    expect(steps.slice(0, 30)).toEqual(Array.from({ length: 30 }, (_, step) => step))
    expect(samples.size).toBe(10)
    expect(Math.min(...samples)).toBeGreaterThanOrEqual(30)
    expect(unreadParts).toBe(200 - 2 * steps.length)
  })
})
