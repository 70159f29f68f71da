import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readShortLog, shortLog, withoutShortLog, type ProofRun } from './index'

const few = fc.integer({ min: 0, max: 99 })
const step = fc.record({
  section: fc.string({ minLength: 1, maxLength: 20, unit: 'grapheme' }),
  step: fc.integer({ min: 1, max: 400 }),
  seconds: fc.integer({ min: 0, max: 80_000 }),
  mistakes: few,
  missing: few,
  left: few,
  backs: few,
  note: fc.string({ maxLength: 60, unit: 'grapheme' }),
})
const bySection = (run: ProofRun): ProofRun => {
  const order = [...new Set(run.steps.map(({ section }) => section))]
  return { ...run, steps: order.flatMap((section) => run.steps.filter((each) => each.section === section)) }
}

describe('a proof build in a letter', () => {
  it('comes back as it was sent, section by section, whatever is said around it', () => {
    fc.assert(
      fc.property(fc.array(step, { minLength: 1, maxLength: 30 }), fc.string(), (steps, said) => {
        const run = { date: '2026-11-30T08:00:00.000Z', steps }
        const line = shortLog(run)
        const before = said.replaceAll('[', '')
        expect(readShortLog(`${before}\n\n${line}\nBye`)).toEqual(bySection(run))
        expect(withoutShortLog(`${line}`)).toBe('')
      }),
    )
  })

  it.each([
    'Built it!',
    '[build 1 yesterday main:1-42]',
    '[build 1 2026-11-30T08:00:00Z main:1-42x]',
    '[build 1 2026-11-30T08:00:00Z main:0-42]',
    '[build 1 2026-11-30T08:00:00Z :1-42]',
    '[build 1 2026-11-30T08:00:00Z main:]',
    '[build 1 2026-11-30T08:00:00Z main:1-42n%zz]',
    '[build 2 2026-11-30T08:00:00Z main:1-42]',
  ])('is not read into %s', (text) => expect(readShortLog(text)).toBeUndefined())

  it('is a line that a letter has room for, of a booklet of three hundred steps', () => {
    const steps = Array.from({ length: 300 }, (_, i) => ({
      section: `tower ${i % 9}`,
      step: i + 1,
      seconds: 45 + i,
      mistakes: i % 20 === 0 ? 1 : 0,
      missing: 0,
      left: 0,
      backs: 0,
      note: '',
    }))
    expect(shortLog({ date: new Date(0).toISOString(), steps }).length).toBeLessThan(3600)
  })
})
