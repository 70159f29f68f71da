import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { Fault } from '../fault'
import { readModelText } from '../model'
import { reportModel } from '../pipeline'
import { EFFORTS } from '../plan'
import { fitSeconds, median, secondsOf } from './fit'
import { durationsOf, readLog } from './index'

const demo = (name: string) => readModelText(readFileSync(new URL(`../../../demo/models/${name}.rail.json`, import.meta.url), 'utf8'))
const { report } = reportModel(demo('ferry-house'), { effort: EFFORTS.quick })

/** A builder who takes so long for a step and a piece, and now and then a tea break. */
function logOf(step: number, piece: number, breaks = 0) {
  let n = 0
  const steps = report.sections.flatMap((section) =>
    section.steps.map(({ callout }, i) => ({
      section: section.id,
      step: i + 1,
      seconds: breaks > 0 && ++n % breaks === 0 ? 900 : step + piece * callout.reduce((sum, { count }) => sum + count, 0),
    })),
  )
  return readLog(JSON.stringify({ format: 'jump-rail-log', version: 1, runs: [{ date: '2026-11-01', builder: 'designer', steps }] }))
}

describe('how long it takes', () => {
  it('is a range, its sections add up, and more people never take longer', () => {
    const { build, write, basis } = durationsOf(report)
    expect(build.low).toBeLessThan(build.minutes)
    expect(build.high).toBeGreaterThan(build.minutes)
    expect(build.sections.reduce((sum, { minutes }) => sum + minutes, 0)).toBeCloseTo(build.minutes, 0)
    expect(build.people.map(({ people }) => people)).toEqual([1, 2, 3, 4])
    build.people.forEach(({ minutes }, i) => i > 0 && expect(minutes).toBeLessThanOrEqual(build.people[i - 1]!.minutes))
    expect(build.people[0]!.minutes).toBeCloseTo(build.minutes, 0)
    expect(write.low).toBeLessThan(write.high)
    expect(basis).toEqual({ logs: 0, steps: 0, medianError: null })
  })

  it('follows the logs, and narrows with them', () => {
    const [unknown, quick, slow] = [durationsOf(report), durationsOf(report, logOf(5, 1)), durationsOf(report, logOf(60, 10))]
    expect(quick.build.minutes).toBeLessThan(unknown.build.minutes)
    expect(slow.build.minutes).toBeGreaterThan(2 * unknown.build.minutes)
    const width = ({ build }: typeof quick): number => (build.high - build.low) / build.minutes
    expect(width(slow)).toBeLessThan(width(unknown))
    expect(slow.basis.medianError).toBeLessThan(0.25)
  })

  it('is not led astray by a break now and then', () => {
    const [steady, broken] = [durationsOf(report, logOf(30, 5)), durationsOf(report, logOf(30, 5, 9))]
    expect(broken.build.minutes / steady.build.minutes).toBeLessThan(1.25)
  })

  it('draws a fit towards what is taken for granted where little is known', () => {
    const prior = [10, 4]
    expect(fitSeconds([], prior)).toEqual(prior)
    const one = fitSeconds([{ features: [1, 1], seconds: 100 }], prior)
    const many = fitSeconds(
      Array.from({ length: 200 }, (_, i) => ({ features: [1, i % 7], seconds: 40 + 20 * (i % 7) })),
      prior,
    )
    expect(secondsOf(one, [1, 1])).toBeLessThan(57)
    expect(many[0]).toBeCloseTo(40, -1)
    expect(many[1]).toBeCloseTo(20, -1)
    expect(median([3, 1, 2, 10])).toBe(2.5)
  })

  it('refuses what is no log, with the place', () => {
    expect(() => readLog('{')).toThrow(Fault)
    const text = JSON.stringify({ format: 'jump-rail-log', version: 1, runs: [{ date: 'x', builder: 'nobody', steps: [] }] })
    expect(() => readLog(text)).toThrow(expect.objectContaining({ code: 'bad-value', place: 'runs[0].builder' }) as Error)
  })
})
