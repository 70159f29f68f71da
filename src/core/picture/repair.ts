import { layAgain, NO_NODES, signatureWith, type BuiltSection, type SectionOptions, type Wish } from '../plan'
import type { DrawnSection } from './drawn-section'
import { ENOUGH, lookAtSome, lookAtSteps, lookFromHome, type StepLook } from './look'

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
  if (!built.frame) return { built, looks: lookAgain(built, draw) }
  let best = lookOnce(built, draw)
  let current = best
  const wishes = new Map<string, Wish>()
  for (let round = 0; round < ROUNDS && poorSteps(best.looks) > 0; round++) {
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

/** More changed steps than this share are cheaper to draw all at once. */
const MANY = 0.2

/** What was seen of given steps, by scene and by what was there and what came. */
const remembered = new WeakMap<object, Map<string, StepLook>>()

/** Looks at given steps; after an edit only at those that bring something else, or bring it to something else. */
function lookAgain(built: BuiltSection, draw: (built: BuiltSection) => DrawnSection): readonly StepLook[] {
  const before = remembered.get(built.scene)
  let present = NO_NODES
  const keys = built.steps.map((step) => {
    const key = `${present} ${step.join()}`
    for (const node of step) present = signatureWith(present, node)
    return key
  })
  const changed = keys.flatMap((key, i) => (before?.has(key) ? [] : [i]))
  let looks: readonly StepLook[]
  if (!before || changed.length > keys.length * MANY) looks = lookAtSteps(draw(built))
  else {
    const fresh = changed.length === 0 ? [] : lookAtSome(draw(built), changed)
    const byStep = new Map(changed.map((step, i) => [step, fresh[i]!]))
    looks = keys.map((key, i) => byStep.get(i) ?? before.get(key)!)
  }
  remembered.set(built.scene, new Map(keys.map((key, i) => [key, looks[i]!])))
  return looks
}

function lookOnce(built: BuiltSection, draw: (built: BuiltSection) => DrawnSection) {
  const drawn = draw(built)
  return { built, drawn, ...lookFromHome(drawn) }
}

const poorSteps = (looks: readonly StepLook[]): number => looks.filter(({ shares }) => shares.some((share) => share < ENOUGH)).length
