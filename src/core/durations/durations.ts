import type { Report } from '../pipeline'
import { total } from '../count'
import { stepCount, type PlanStep, type SectionPlan } from '../plan'
import { fitSeconds, median, secondsOf, type StepFeatures, type TimedStep } from './fit'
import type { LogRun } from './log'

/** Minutes as a range: as good as surely not less than `low`, not more than `high`. */
export interface Minutes {
  readonly minutes: number
  readonly low: number
  readonly high: number
}

export interface Durations {
  readonly build: Minutes & {
    readonly sections: readonly (Minutes & { readonly section: string })[]
    /** With so many people at the same time, each section built by one of them. */
    readonly people: readonly { readonly people: number; readonly minutes: number }[]
  }
  /** Writing the instructions, from what is left to do. */
  readonly write: Minutes
  readonly basis: {
    readonly logs: number
    readonly steps: number
    /** Of steps that were held back while fitting: half are off by less than this share; null where there are too few. */
    readonly medianError: number | null
  }
}

/**
 * Seconds by feature where nobody has held a clock yet, rules of thumb: a step, a piece, a kind of piece to look for, a finished section
 * to join, a turn of the work, a piece that comes from a side or from below, something laid loose.
 */
const PRIOR = [9, 4, 5, 14, 12, 3, 4] as const
/** How far off a whole may be where there is no log, as shares. */
const UNKNOWN = { low: 0.6, high: 1.7 }
/** Fewer timed steps say nothing of how good a fit is. */
const FEWEST = 10
const FOLDS = 5
const MOST_PEOPLE = 4

/** Writing: minutes for the whole, for each step and for each finding, rules of thumb. */
const WRITING = { whole: 15, step: 0.6, warning: 2, error: 5, low: 0.5, high: 2 }

function featuresOf({ moves, callout, rests, turn }: PlanStep): StepFeatures {
  const parts = moves.reduce((sum, move) => sum + ('parts' in move ? move.parts.length : 0), 0)
  const aside = moves.reduce((sum, move) => sum + ('parts' in move && move.direction !== '-z' ? move.parts.length : 0), 0)
  return [
    1,
    Math.max(total(callout), parts),
    callout.length,
    moves.filter((move) => !('parts' in move)).length,
    turn === undefined ? 0 : 1,
    aside,
    rests.length,
  ]
}

/** How long building and writing take, by a fit to logs; where there are none, by rules of thumb. */
export function durationsOf(report: Report, runs: readonly LogRun[] = []): Durations {
  const sections = report.sections.filter(({ times, mirrored }) => times + mirrored > 0)
  const timed = timedSteps(sections, runs)
  const fitted = fitSeconds(timed, PRIOR)
  const error = heldBackError(timed)
  const range = rangeOf(timed, fitted)
  const minutesOf = (section: SectionPlan): number =>
    ((section.times + section.mirrored) * section.steps.reduce((sum, step) => sum + secondsOf(fitted, featuresOf(step)), 0)) / 60
  const own = new Map(sections.map((section) => [section.id, minutesOf(section)]))
  const whole = [...own.values()].reduce((sum, minutes) => sum + minutes, 0)
  return {
    build: {
      ...spread(whole, range),
      sections: sections.map(({ id }) => ({ section: id, ...spread(own.get(id)!, range) })),
      people: Array.from({ length: MOST_PEOPLE }, (_, i) => ({ people: i + 1, minutes: rounded(shared([...own.values()], i + 1)) })),
    },
    write: writing(report),
    basis: { logs: runs.length, steps: timed.length, medianError: error },
  }
}

/** How long each step of a plan takes by a fit to logs, s. @returns undefined for a step that the plan does not have */
export function stepSeconds(
  { sections }: Pick<Report, 'sections'>,
  runs: readonly LogRun[],
): (section: string, step: number) => number | undefined {
  const fitted = fitSeconds(timedSteps(sections, runs), PRIOR)
  const byId = new Map(sections.map((section) => [section.id, section]))
  return (section, step) => {
    const planned = byId.get(section)?.steps[step - 1]
    return planned && secondsOf(fitted, featuresOf(planned))
  }
}

/** How long building a plan takes where nobody has held a clock: each section as often as it is built. */
export function roughBuildTime(sections: readonly SectionPlan[]): Minutes {
  const minutes = sections.reduce((sum, { times, mirrored, steps }) => {
    const once = steps.reduce((all, step) => all + secondsOf(PRIOR, featuresOf(step)), 0) / 60
    return sum + (times + mirrored) * once
  }, 0)
  return spread(minutes, UNKNOWN)
}

const rounded = (minutes: number): number => Math.round(minutes * 10) / 10
const spread = (minutes: number, { low, high }: { readonly low: number; readonly high: number }): Minutes => ({
  minutes: rounded(minutes),
  low: rounded(minutes * low),
  high: rounded(minutes * high),
})

/** Steps of the plan that were taken with a clock; what the log says of other steps is of another version. */
function timedSteps(sections: readonly SectionPlan[], runs: readonly LogRun[]): TimedStep[] {
  const byId = new Map(sections.map((section) => [section.id, section]))
  return runs.flatMap(({ steps }) =>
    steps.flatMap(({ section, step, seconds }) => {
      const planned = byId.get(section)?.steps[step - 1]
      return planned ? [{ features: featuresOf(planned), seconds }] : []
    }),
  )
}

/** The median share by which steps are missed that were held back from the fit, over five folds. */
function heldBackError(timed: readonly TimedStep[]): number | null {
  if (timed.length < FEWEST) return null
  const errors = Array.from({ length: FOLDS }, (_, fold) => {
    const fitted = fitSeconds(
      timed.filter((_step, i) => i % FOLDS !== fold),
      PRIOR,
    )
    return timed
      .filter((_step, i) => i % FOLDS === fold)
      .map(({ features, seconds }) => Math.abs(secondsOf(fitted, features) - seconds) / Math.max(1, seconds))
  }).flat()
  return Math.round(median(errors) * 1000) / 1000
}

/** Shares by which a whole may be off: wide without logs, narrower the more steps were timed, never narrower than a tenth. */
function rangeOf(timed: readonly TimedStep[], fitted: readonly number[]): { readonly low: number; readonly high: number } {
  if (timed.length < FEWEST) return UNKNOWN
  const ratios = timed.map(({ features, seconds }) => seconds / secondsOf(fitted, features)).sort((a, b) => a - b)
  const at = (share: number): number => ratios[Math.min(ratios.length - 1, Math.floor(share * ratios.length))]!
  const few = Math.sqrt(FEWEST / timed.length)
  const narrow = (ratio: number, unknown: number): number => ratio * (1 - few) + unknown * few
  return {
    low: Math.min(0.9, narrow(Math.max(at(0.25), 0.5), UNKNOWN.low)),
    high: Math.max(1.1, narrow(Math.min(at(0.75), 2), UNKNOWN.high)),
  }
}

/** Sections dealt out to people, the longest first, each to who has least; the last joins. */
function shared(minutes: readonly number[], people: number): number {
  const loads = new Array<number>(people).fill(0)
  for (const each of [...minutes].sort((a, b) => b - a)) {
    const least = loads.indexOf(Math.min(...loads))
    loads[least]! += each
  }
  return Math.max(0, ...loads)
}

function writing({ sections, findings }: Report): Minutes {
  const steps = stepCount(sections)
  const count = (severity: string): number => findings.filter((found) => found.severity === severity).length
  return spread(WRITING.whole + WRITING.step * steps + WRITING.warning * count('warning') + WRITING.error * count('error'), WRITING)
}
