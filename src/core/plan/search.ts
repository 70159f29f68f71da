import { followHolding } from './holding'
import {
  weightsNear,
  STRATEGY_WEIGHTS,
  withCaution,
  withLargerSteps,
  withPartFirst,
  type SchedulingWeights,
  type Strategy,
} from './scheduling-weights'
import { randomFrom } from './random'
import { schedule, type Frame } from './schedule'
import { brokenPromises, measureSteps, PROMISE } from './step-measures'
import type { StepLimits } from './types'

/** Larger sections take the first weights: trying them all would cost more than it brings. */
const MOST_NODES = 6000

/** A little less than what a reader is promised (DESIGN.md: 20, 6, 0.9), since not every section can keep it: less is not rewarded, more is paid for. */
const STRICTER = { stepsPer100: 15, meanJump: 5, likeTogether: 0.93 } as const

/** Cost of one group that is not held in time: more than all else together. */
const UNHELD = 1000
/** Two costs closer than this are equal; a search that comes so near to nothing ends. */
const EQUAL = 0.01
/** More tries than this for one section bring little. */
const MOST_TRIES = 150

export interface SearchOptions {
  readonly limits: StepLimits
  readonly strategy?: Strategy
  /** How many placements of parts the search may try beyond the usual weights: `EFFORTS`. */
  readonly effort?: number
  readonly seed?: number
  /** Told from 0 to 1 while it climbs. */
  readonly tried?: (fraction: number) => void
}

/** The seed of plans that name none. */
export const SEED = 4

/** Work a search may spend on one section, in placements: none, about half a second, some seconds. */
export const EFFORTS = { quick: 0, normal: 60_000, patient: 300_000 } as const
export type Effort = keyof typeof EFFORTS

interface Tried {
  readonly weights: SchedulingWeights
  readonly steps: number[][]
  readonly cost: number
}

/**
 * Tries the weights of a strategy and keeps the schedule that measures best, the first where they are equal; then, with
 * effort, climbs on from there: weights near the best ones, drawn at random from a seed, as long as promises are broken.
 */
export function searchSchedule(frame: Frame, options: SearchOptions): Tried {
  const usual = tryWeights(frame, options)
  const tries = Math.min(MOST_TRIES, Math.floor((options.effort ?? 0) / Math.max(1, frame.scene.nodes.length)))
  return tries > 0 ? climb(frame, options, usual, tries) : usual
}

function tryWeights(frame: Frame, options: SearchOptions): Tried {
  const strategy = options.strategy ?? 'ground-up'
  const isLarge = frame.scene.nodes.length > MOST_NODES
  // With one set of weights to choose from there is nothing to measure it against.
  const attempt = (weights: SchedulingWeights): Tried => attemptWith(frame, options.limits, weights, isLarge ? 'holding' : 'everything')
  const cheaper = (best: Tried, weights: SchedulingWeights): Tried => cheaperOf(best, attempt(weights))
  const [first, ...others] = STRATEGY_WEIGHTS[strategy]
  // In a large section something always lies loose too long unless care is taken.
  let best = attempt(isLarge ? withCaution(first!) : first!)
  if (best.cost >= UNHELD) best = cheaper(best, isLarge ? first! : withCaution(first!))
  if (!isLarge && best.cost > EQUAL) {
    best = others.reduce(cheaper, best)
    if (best.cost >= UNHELD) best = others.map(withCaution).reduce(cheaper, best)
    // Fewer steps also keep shorter what lies about.
    const hasManySteps = measureSteps(frame.scene, best.steps).stepsPer100 > PROMISE.stepsPer100
    if (hasManySteps || best.cost >= UNHELD) best = withLargerSteps(best.weights).reduce(cheaper, best)
  }
  if (best.cost >= UNHELD) best = cheaper(best, withPartFirst(best.weights))
  // Layer after layer is what is left when a strategy leaves things lying about.
  if (best.cost >= UNHELD && strategy !== 'ground-up') best = cheaper(best, withCaution(STRATEGY_WEIGHTS['ground-up'][0]!))
  return best
}

function climb(frame: Frame, { limits, seed, tried }: SearchOptions, start: Tried, tries: number): Tried {
  const random = randomFrom(seed ?? SEED)
  let best = start
  for (let i = 0; i < tries && best.cost > EQUAL; i++) {
    best = cheaperOf(best, attemptWith(frame, limits, weightsNear(best.weights, random), 'everything'))
    tried?.((i + 1) / tries)
  }
  return best
}

function attemptWith(frame: Frame, limits: StepLimits, weights: SchedulingWeights, counted: 'holding' | 'everything'): Tried {
  const steps = schedule(frame, { limits, weights })
  const held = UNHELD * followHolding(frame.scene, frame.joints, steps).problems.length
  return { weights, steps, cost: held + (counted === 'everything' ? costOf(frame, steps) : 0) }
}

const cheaperOf = (best: Tried, next: Tried): Tried => (next.cost < best.cost - EQUAL ? next : best)

/** Cost of going down once by the height of the whole: a reader builds upward. */
const DESCENT = 0.6

/** Zero where every promise is kept and the work only rises. */
function costOf(frame: Frame, steps: readonly (readonly number[])[]): number {
  return brokenPromises(frame.scene, steps, STRICTER) + DESCENT * descent(frame, steps)
}

/** How far the steps go down, in heights of the whole; of a street the mean of its houses, and going on to the next is no descent. */
function descent({ facts }: Frame, steps: readonly (readonly number[])[]): number {
  let down = 0
  let least = Infinity
  let most = -Infinity
  let before = -Infinity
  let cluster = -2
  const clusters = new Set<number>()
  for (const step of steps) {
    let plane = Infinity
    for (const node of step) {
      plane = Math.min(plane, facts.plane[node]!)
      most = Math.max(most, facts.top[node]!)
    }
    least = Math.min(least, plane)
    const here = step.length > 0 ? facts.cluster[step[0]!]! : cluster
    if (plane < before && here === cluster) down += before - plane
    before = plane
    cluster = here
    clusters.add(here)
  }
  return most > least ? down / (most - least) / Math.max(1, clusters.size) : 0
}
