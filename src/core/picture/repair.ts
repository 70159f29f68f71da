import { layAgain, type BuiltSection, type SectionOptions, type Wish } from '../plan'
import type { DrawnSection } from './drawn-section'
import { ENOUGH, lookAtSteps, lookFromHome, type StepLook } from './look'

/** Rounds of drawing, wishing and laying anew; most models need one or two. */
const ROUNDS = 4

export interface Seen {
  readonly built: BuiltSection
  readonly looks: readonly StepLook[]
}

/**
 * Draws the rail; for each part that does not show from the usual side, wishes it before what hides it, lays the steps again,
 * a few times. The round with the fewest poorly visible steps is kept; only then are other sides tried for what is left.
 * Nodes of the drawing are those of the steps, in order.
 */
export function lookAndRepair(built: BuiltSection, draw: (built: BuiltSection) => DrawnSection, options: SectionOptions): Seen {
  let best = lookOnce(built, draw)
  let current = best
  const wishes = new Map<string, Wish>()
  for (let round = 0; built.frame && round < ROUNDS && poorSteps(best.looks) > 0; round++) {
    const order = current.built.steps.flat()
    const before = wishes.size
    for (const { node, by } of current.hiding) {
      for (const hider of by) {
        const wish: Wish = [order[node]!, order[hider]!]
        wishes.set(wish.join(), wish)
      }
    }
    if (wishes.size === before) break
    current = lookOnce(layAgain(built, [...wishes.values()], options), draw)
    const isHeld = current.built.holding.problems.length <= built.holding.problems.length
    if (isHeld && poorSteps(current.looks) < poorSteps(best.looks)) best = current
  }
  return { built: best.built, looks: lookAtSteps(best.drawn, best.looks) }
}

function lookOnce(built: BuiltSection, draw: (built: BuiltSection) => DrawnSection) {
  const drawn = draw(built)
  return { built, drawn, ...lookFromHome(drawn) }
}

const poorSteps = (looks: readonly StepLook[]): number => looks.filter(({ shares }) => shares.some((share) => share < ENOUGH)).length
