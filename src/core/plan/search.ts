import { followHolding } from './holding'
import { mannerNear, MANNERS, withCaution, withLargerSteps, withPartFirst, type Manner, type Strategy } from './manner'
import { randomFrom } from './random'
import { schedule, type Frame } from './schedule'
import { brokenPromises, measureSteps, PROMISE } from './step-measures'
import type { StepLimits } from './types'

/** Larger sections take the first manner: trying them all would cost more than it brings. */
const MOST_NODES = 6000

/** A little less than what a reader is promised (DESIGN.md: 20, 6, 0.9), since not every section can keep it: less is not rewarded, more is paid for. */
const STRICTER = { stepsPer100: 15, meanJump: 5, likeTogether: 0.93 } as const

/** Price of one group that is not held in time: more than all else together. */
const UNHELD = 1000
/** Two prices closer than this are equal; a search that comes so near to nothing ends. */
const EQUAL = 0.01
/** More tries than this for one section bring little. */
const MOST_TRIES = 150

export interface SearchOptions {
  readonly limits: StepLimits
  readonly strategy?: Strategy
  /** How many placements of parts the search may try beyond the usual manners: `EFFORTS`. */
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
  readonly manner: Manner
  readonly steps: number[][]
  readonly price: number
}

/**
 * Tries the manners of a strategy and keeps the schedule that measures best, the first where they are equal; then, with
 * effort, climbs on from there: manners near the best one, drawn at random from a seed, as long as promises are broken.
 */
export function searchSchedule(frame: Frame, options: SearchOptions): Tried {
  const usual = tryManners(frame, options)
  const tries = Math.min(MOST_TRIES, Math.floor((options.effort ?? 0) / Math.max(1, frame.scene.nodes.length)))
  return tries > 0 ? climb(frame, options, usual, tries) : usual
}

function tryManners(frame: Frame, options: SearchOptions): Tried {
  const strategy = options.strategy ?? 'ground-up'
  const isLarge = frame.scene.nodes.length > MOST_NODES
  // With one manner to choose from there is nothing to measure it against.
  const attempt = (manner: Manner): Tried => attemptWith(frame, options.limits, manner, !isLarge)
  const cheaper = (best: Tried, manner: Manner): Tried => cheaperOf(best, attempt(manner))
  const [first, ...others] = MANNERS[strategy]
  // In a large section something always lies loose too long unless care is taken.
  let best = attempt(isLarge ? withCaution(first!) : first!)
  if (best.price >= UNHELD) best = cheaper(best, isLarge ? first! : withCaution(first!))
  if (!isLarge && best.price > EQUAL) {
    best = others.reduce(cheaper, best)
    if (best.price >= UNHELD) best = others.map(withCaution).reduce(cheaper, best)
    // Fewer steps also keep shorter what lies about.
    const hasManySteps = measureSteps(frame.scene, best.steps).stepsPer100 > PROMISE.stepsPer100
    if (hasManySteps || best.price >= UNHELD) best = withLargerSteps(best.manner).reduce(cheaper, best)
  }
  if (best.price >= UNHELD) best = cheaper(best, withPartFirst(best.manner))
  // Layer after layer is what is left when a strategy leaves things lying about.
  if (best.price >= UNHELD && strategy !== 'ground-up') best = cheaper(best, withCaution(MANNERS['ground-up'][0]!))
  return best
}

function climb(frame: Frame, { limits, seed, tried }: SearchOptions, start: Tried, tries: number): Tried {
  const random = randomFrom(seed ?? SEED)
  let best = start
  for (let i = 0; i < tries && best.price > EQUAL; i++) {
    best = cheaperOf(best, attemptWith(frame, limits, mannerNear(best.manner, random), true))
    tried?.((i + 1) / tries)
  }
  return best
}

function attemptWith(frame: Frame, limits: StepLimits, manner: Manner, isMeasured: boolean): Tried {
  const steps = schedule(frame, { limits, manner })
  const held = UNHELD * followHolding(frame.scene, frame.joints, steps).problems.length
  return { manner, steps, price: held + (isMeasured ? priceOf(frame, steps) : 0) }
}

const cheaperOf = (best: Tried, next: Tried): Tried => (next.price < best.price - EQUAL ? next : best)

/** Price of going down once by the height of the whole: a reader builds upward. */
const DESCENT = 0.6

/** Zero where every promise is kept and the work only rises. */
function priceOf(frame: Frame, steps: readonly (readonly number[])[]): number {
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
