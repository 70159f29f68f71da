import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { readModelText } from '../model'
import { reportModel } from '../pipeline'
import { EFFORTS } from '../plan'
import { stepSeconds } from './durations'
import {
  basisWords,
  durationsOf,
  logOfProof,
  minutesBySection,
  minutesWords,
  proofOfLog,
  proofReport,
  rangeWords,
  toldWords,
  readLog,
  writeLog,
} from './index'
import { secondsOfRun, type ProofRun, type ProofStep } from '../proof-build'
import { ADVICE_IN_ENGLISH } from '../language'

const { report } = reportModel(
  readModelText(readFileSync(new URL('../../../demo/models/ferry-house.rail.json', import.meta.url), 'utf8')),
  {
    effort: EFFORTS.quick,
  },
)
const expected = stepSeconds(report, [])

/** Built at a pace, with what happens at some steps by their numbers in the row. */
function built(pace: number, happens: Readonly<Record<number, Partial<ProofStep>>> = {}): ProofRun {
  const steps = report.sections.flatMap(({ id, steps: own }) => own.map((_step, i) => ({ section: id, step: i + 1 })))
  return {
    date: '2026-11-20T10:00:00.000Z',
    steps: steps.map(({ section, step }, i) => ({
      section,
      step,
      seconds: pace * expected(section, step)!,
      mistakes: 0,
      missing: 0,
      left: 0,
      note: '',
      backs: 0,
      ...happens[i],
    })),
  }
}
const slow = (n: number, pace: number): Partial<ProofStep> => {
  const { section, step } = built(1).steps[n]!
  return { seconds: pace * 3 * expected(section, step)! + 30 }
}

describe('a proof build', () => {
  it('finds nothing where all goes well, however slowly', () => {
    for (const pace of [0.3, 1, 7]) {
      const { toMend, lines, seconds } = proofReport(report, built(pace))
      expect(toMend).toEqual([])
      expect(lines.every((line) => Math.abs(line.seconds - line.expected) <= 1)).toBe(true)
      expect(Math.abs(seconds - lines.reduce((sum, line) => sum + line.seconds, 0))).toBeLessThan(lines.length)
    }
  })

  it('tells slow steps, steps gone back to, and what was noted, the worst first', () => {
    const run = built(2, { 3: slow(3, 2), 5: { mistakes: 1, missing: 2, note: ' It points the wrong way ' }, 8: { backs: 2, left: 1 } })
    const { toMend, mistakes, missing, left } = proofReport(report, run)
    expect([mistakes, missing, left]).toEqual([1, 2, 1])
    expect(toMend.map(({ reasons }) => reasons.map(ADVICE_IN_ENGLISH.say))).toEqual([
      ['1 mistake', '2 pieces missing', 'It points the wrong way'],
      ['1 piece left over', 'gone back to 2 times'],
      [expect.stringMatching(/^[\d.]+ times as long as such a step takes$/)],
    ])
    expect(toMend[0]).toMatchObject({ section: run.steps[5]!.section, step: run.steps[5]!.step })
  })

  it('says of a second proof what got better and what did not', () => {
    const first = built(1, { 3: { mistakes: 1 }, 5: { mistakes: 2 } })
    const second = built(1, { 5: { mistakes: 1 }, 7: { missing: 1 } })
    const { since, lines } = proofReport(report, second, [first])
    const keyOf = (n: number) => ({ section: second.steps[n]!.section, step: second.steps[n]!.step })
    expect(since!.better).toMatchObject([keyOf(3)])
    expect(since!.worse).toMatchObject([keyOf(7)])
    expect(lines[0]!.before).toBe(Math.round(first.steps[0]!.seconds))
    expect(proofReport(report, first).since).toBeUndefined()
  })

  it('leaves out steps that the plan does not have any more', () => {
    const run = built(1)
    const stale = { ...run, steps: [...run.steps, { ...run.steps[0]!, section: 'gone', mistakes: 3 }] }
    expect(proofReport(report, stale).lines).toHaveLength(run.steps.length)
  })

  it('is a log that durations are fitted to, as a file too', () => {
    const log = [logOfProof(built(3, { 2: { mistakes: 1, backs: 4, note: 'Look' } }))]
    expect(readLog(writeLog(log))).toEqual(log)
    expect(log[0]!.steps[2]).toMatchObject({ mistakes: 1, note: 'Look' })
    expect(durationsOf(report, log).build.minutes).toBeGreaterThan(2 * durationsOf(report).build.minutes)
  })

  it('took so long in all, and in each section', () => {
    const run = built(2)
    const minutes = minutesBySection(run)
    expect([...minutes.keys()]).toEqual(report.sections.map(({ id }) => id))
    expect([...minutes.values()].reduce((sum, each) => sum + each, 0) * 60).toBeCloseTo(secondsOfRun(run), 6)
  })

  it('comes back from a log', () => {
    const run = built(1, { 2: { mistakes: 2, note: 'Look' } })
    const back = proofOfLog(logOfProof(run))
    expect(back.steps[2]).toMatchObject({ mistakes: 2, note: 'Look', backs: 0 })
    expect(proofReport(report, back).toMend).toHaveLength(1)
  })
})

describe('durations in words', () => {
  it('are as exact as anybody knows them', () => {
    expect([0.4, 1, 44.6, 60, 63, 200, 119].map((minutes) => minutesWords(minutes))).toEqual([
      'less than a minute',
      '1 minute',
      '45 minutes',
      '1 hour',
      '1 hour 5 minutes',
      '3 hours 20 minutes',
      '2 hours',
    ])
    expect(rangeWords({ minutes: 30, low: 20, high: 61 })).toBe('about 30 minutes, between 20 minutes and 1 hour')
  })

  it('say what builders said', () => {
    expect(toldWords([])).toBe('')
    expect(toldWords([50])).toBe('One builder says that it took 50 minutes.')
    expect(toldWords([40, 90, 50])).toBe('3 builders say that it took between 40 minutes and 1 hour 30 minutes, 50 minutes in the middle.')
  })

  it('say what they rest on', () => {
    expect(basisWords({ logs: 0, steps: 0, medianError: null })).toContain('rules of thumb')
    expect(basisWords({ logs: 1, steps: 4, medianError: null })).toBe(
      'Fitted to 4 steps of 1 building with a clock. They are too few to say how good the fit is.',
    )
    expect(basisWords({ logs: 2, steps: 40, medianError: 0.234 })).toContain('half were off by less than 23 %')
  })
})
