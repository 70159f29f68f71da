import { followHolding } from './holding'
import { MANNERS, withCaution, withLargerSteps, type Manner, type Strategy } from './manner'
import { measureSteps } from './step-measures'
import type { Scene } from '../scene'
import { schedule, type Frame } from './schedule'
import type { StepLimits } from './types'

/** Larger sections take the first manner: trying them all would cost more than it brings. */
const MOST_NODES = 6000

/** What a reader is promised (docs/architecture.md, measures): less is not rewarded, more is paid for. */
const PROMISE = { stepsPer100: 20, meanJump: 6, likeTogether: 0.9 } as const

/** Price of one group that is not held in time: more than all else together. */
const UNHELD = 1000

interface Tried {
  readonly manner: Manner
  readonly steps: number[][]
  readonly price: number
}

/** Tries the manners of a strategy and keeps the schedule that measures best; the first wins where they are equal. */
export function searchSchedule(frame: Frame, options: { readonly limits: StepLimits; readonly strategy?: Strategy }): Tried {
  const strategy = options.strategy ?? 'ground-up'
  const isLarge = frame.scene.nodes.length > MOST_NODES
  const attempt = (manner: Manner): Tried => {
    const steps = schedule(frame, { limits: options.limits, manner })
    const held = UNHELD * followHolding(frame.scene, frame.joints, steps).problems.length
    // With one manner to choose from there is nothing to measure it against.
    return { manner, steps, price: held + (isLarge ? 0 : priceOf(frame, steps)) }
  }
  const cheaper = (best: Tried, manner: Manner): Tried => {
    const next = attempt(manner)
    return next.price < best.price - 0.01 ? next : best
  }
  const [first, ...others] = MANNERS[strategy]
  // In a large section something always lies loose too long unless care is taken.
  let best = attempt(isLarge ? withCaution(first!) : first!)
  if (best.price >= UNHELD) best = cheaper(best, isLarge ? first! : withCaution(first!))
  if (!isLarge) {
    best = others.reduce(cheaper, best)
    if (best.price >= UNHELD) best = others.map(withCaution).reduce(cheaper, best)
    // Fewer steps also keep shorter what lies about.
    const hasManySteps = measureSteps(frame.scene, best.steps).stepsPer100 > PROMISE.stepsPer100
    if (hasManySteps || best.price >= UNHELD) best = withLargerSteps(best.manner).reduce(cheaper, best)
  }
  // Layer after layer is what is left when a strategy leaves things lying about.
  if (best.price >= UNHELD && strategy !== 'ground-up') best = cheaper(best, withCaution(MANNERS['ground-up'][0]!))
  return best
}

/** Price of going down once by the height of the whole: a reader builds upward. */
const DESCENT = 0.6

/** Zero where every promise is kept and the work only rises. */
function priceOf({ scene }: Frame, steps: readonly (readonly number[])[]): number {
  const { stepsPer100, meanJump, likeTogether } = measureSteps(scene, steps)
  return (
    Math.max(0, stepsPer100 / PROMISE.stepsPer100 - 1) +
    Math.max(0, meanJump / PROMISE.meanJump - 1) +
    4 * Math.max(0, PROMISE.likeTogether - likeTogether) +
    DESCENT * descent(scene, steps)
  )
}

/** How far the steps go down in all, in heights of the whole. */
function descent({ nodeBoxes }: Scene, steps: readonly (readonly number[])[]): number {
  let down = 0
  let least = Infinity
  let most = -Infinity
  let before = -Infinity
  for (const step of steps) {
    let plane = Infinity
    for (const node of step) {
      plane = Math.min(plane, nodeBoxes[node]!.min[2])
      most = Math.max(most, nodeBoxes[node]!.max[2])
    }
    least = Math.min(least, plane)
    if (plane < before) down += before - plane
    before = plane
  }
  return most > least ? down / (most - least) : 0
}
