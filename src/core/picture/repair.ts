import { layAgain, type BuiltSection, type SectionOptions, type Wish } from '../plan'
import type { DrawnSection } from './drawn-section'
import { ENOUGH, findHiding, lookAtSteps, type StepLook } from './look'

/** Rounds of drawing, wishing and laying anew; most models need one or two. */
const ROUNDS = 4

export interface Seen {
  readonly built: BuiltSection
  readonly looks: readonly StepLook[]
}

/**
 * Draws the rail; for each part that does not show, wishes it before what hides it, lays the steps again, a few times. The
 * round with the fewest poorly visible steps is kept. Nodes of the drawing are those of the steps, in order.
 */
export function lookAndRepair(built: BuiltSection, draw: (built: BuiltSection) => DrawnSection, options: SectionOptions): Seen {
  let drawn = draw(built)
  let best: Seen = { built, looks: lookAtSteps(drawn) }
  if (!built.frame) return best
  let current = best
  const wishes = new Map<string, Wish>()
  for (let round = 0; round < ROUNDS && poorSteps(best.looks) > 0; round++) {
    const order = current.built.steps.flat()
    const before = wishes.size
    for (const { node, by } of findHiding(drawn, current.looks)) {
      for (const hider of by) {
        const wish: Wish = [order[node]!, order[hider]!]
        wishes.set(wish.join(), wish)
      }
    }
    if (wishes.size === before) break
    const next = layAgain(built, [...wishes.values()], options)
    drawn = draw(next)
    current = { built: next, looks: lookAtSteps(drawn) }
    if (poorSteps(current.looks) < poorSteps(best.looks)) best = current
  }
  return best
}

const poorSteps = (looks: readonly StepLook[]): number => looks.filter(({ shares }) => shares.some((share) => share < ENOUGH)).length
