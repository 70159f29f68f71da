import { rounded, type Said } from '../language'
import type { Report } from '../pipeline'
import { secondsOfRun, type ProofRun, type ProofStep } from '../proof-build'
import { stepSeconds } from './durations'
import { median } from './fit'
import type { LogRun, LogStep } from './log'

/** What a proof build says of one step. */
interface ProofLine {
  readonly section: string
  /** From 1. */
  readonly step: number
  readonly seconds: number
  /** What such a step takes at the pace of this builder. */
  readonly expected: number
  /** In the proof before; undefined where it was not built then. */
  readonly before?: number
  /** What to mend; empty where nothing went wrong. */
  readonly reasons: readonly Said[]
}

export interface ProofReport {
  readonly seconds: number
  readonly mistakes: number
  readonly missing: number
  readonly left: number
  /** Steps at which something went wrong, the worst first. */
  readonly toMend: readonly ProofLine[]
  /** All steps in the order in which they were built. */
  readonly lines: readonly ProofLine[]
  /** Against the proof before: how many steps went wrong then and go well now, and the other way round; undefined without one. */
  readonly since?: { readonly better: readonly ProofLine[]; readonly worse: readonly ProofLine[]; readonly seconds: number }
}

/** A step is slow where it takes so many times what such a step takes, and so many seconds more. */
const SLOW = { times: 2, seconds: 20 }

/**
 * What a proof build shows: slow steps, steps that were gone back to, and all that was noted. Times are compared with what such steps
 * take at the pace of this very builder, so that who builds slowly throughout finds no step slow.
 * @param before the proofs made earlier, oldest first
 */
export function proofReport(report: Pick<Report, 'sections'>, run: ProofRun, before: readonly ProofRun[] = []): ProofReport {
  const expect = stepSeconds(report, before.map(logOfProof))
  const known = run.steps.flatMap((step) => {
    const expected = expect(step.section, step.step)
    return expected === undefined ? [] : [{ step, expected }]
  })
  const pace = known.length === 0 ? 1 : median(known.map(({ step, expected }) => step.seconds / expected)) || 1
  const last = before.at(-1)
  const earlier = new Map((last?.steps ?? []).map((step) => [keyOf(step), step]))
  const lines = known.map(({ step, expected }): ProofLine => {
    const was = earlier.get(keyOf(step))
    return {
      section: step.section,
      step: step.step,
      seconds: Math.round(step.seconds),
      expected: Math.round(expected * pace),
      ...(was ? { before: Math.round(was.seconds) } : {}),
      reasons: reasonsOf(step, expected * pace),
    }
  })
  const sum = (of: (step: ProofStep) => number): number => run.steps.reduce((all, step) => all + of(step), 0)
  return {
    seconds: Math.floor(secondsOfRun(run)),
    mistakes: sum(({ mistakes }) => mistakes),
    missing: sum(({ missing }) => missing),
    left: sum(({ left }) => left),
    toMend: lines
      .filter(({ reasons }) => reasons.length > 0)
      .sort((a, b) => b.reasons.length - a.reasons.length || b.seconds - b.expected - (a.seconds - a.expected)),
    lines,
    ...(last ? { since: comparedWith(last, lines, report, before.slice(0, -1)) } : {}),
  }
}

/** Minutes of each section that was built, by its id, in the order in which they were begun. */
export function minutesBySection({ steps }: ProofRun): Map<string, number> {
  const minutes = new Map<string, number>()
  for (const { section, seconds } of steps) minutes.set(section, (minutes.get(section) ?? 0) + seconds / 60)
  return minutes
}

/** As a run that durations are fitted to. */
export const logOfProof = ({ date, steps }: ProofRun): LogRun => ({
  date,
  builder: 'designer',
  steps: steps.map(({ section, step, seconds, mistakes, missing, left, note }) => ({
    section,
    step,
    seconds: Number(seconds.toFixed(1)),
    ...(mistakes > 0 ? { mistakes } : {}),
    ...(missing > 0 ? { missing } : {}),
    ...(left > 0 ? { left } : {}),
    ...(note === '' ? {} : { note }),
  })),
})

/** A run of a log as a proof build: what it does not say did not happen. */
export const proofOfLog = ({ date, steps }: LogRun): ProofRun => ({
  date,
  steps: steps.map((step) => ({ mistakes: 0, missing: 0, left: 0, note: '', ...step, backs: 0 })),
})

const keyOf = ({ section, step }: Pick<LogStep, 'section' | 'step'>): string => `${section}\n${step}`

function reasonsOf({ seconds, mistakes, missing, left, note, backs }: ProofStep, expected: number): Said[] {
  const times = seconds / expected
  const isSlow = times >= SLOW.times && seconds - expected >= SLOW.seconds
  return [
    ...(isSlow ? [{ key: 'mend.slow', about: { times: rounded(times, times >= 10 ? 0 : 1) } } as const] : []),
    ...(mistakes > 0 ? [{ key: 'mend.mistakes', n: mistakes } as const] : []),
    ...(missing > 0 ? [{ key: 'mend.missing', n: missing } as const] : []),
    ...(left > 0 ? [{ key: 'mend.left', n: left } as const] : []),
    ...(backs > 0 ? [{ key: 'mend.backs', n: backs } as const] : []),
    ...(note.trim() === '' ? [] : [{ key: 'mend.note', about: { note: note.trim() } } as const]),
  ]
}

function comparedWith(
  last: ProofRun,
  lines: readonly ProofLine[],
  report: Pick<Report, 'sections'>,
  older: readonly ProofRun[],
): NonNullable<ProofReport['since']> {
  const wrong = new Set(proofReport(report, last, older).toMend.map(keyOf))
  const again = lines.filter(({ before }) => before !== undefined)
  return {
    better: again.filter((line) => wrong.has(keyOf(line)) && line.reasons.length === 0),
    worse: again.filter((line) => !wrong.has(keyOf(line)) && line.reasons.length > 0),
    seconds: Math.floor(secondsOfRun(last)),
  }
}
