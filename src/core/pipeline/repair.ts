import { memo } from '../memo'
import type { Section } from '../model'
import { brokenPromises, layAgain, orderSets, type BuiltSection, type SectionOptions, type VisibilityConstraint } from '../plan'
import {
  beginLook,
  ENOUGH,
  lookAtSome,
  lookAtSteps,
  lookFromHome,
  lookFromSide,
  steadyViews,
  withInsets,
  type StepLook,
  type ViewNumber,
} from '../picture'
import type { Scene } from '../scene'
import type { Turn } from '../space'

/** Rounds of drawing, wishing and laying anew; most models need one or two. */
const ROUNDS = 4
/** A large section takes fewer: each round draws all of it. */
const LARGE = 6000
const FEW_ROUNDS = 2

export interface Seen {
  readonly built: BuiltSection
  readonly looks: readonly StepLook[]
}

/** Cost of one step in a hundred that shows a part poorly, where a promise broken by its whole costs 1. */
const POOR = 1

/**
 * Draws the rail; for each part that does not show from the usual side, asks that it come before what hides it, lays the steps again,
 * a few times; what is left is looked at from other sides. The round that reads best is kept: visibility constraints cost way.
 */
export function lookAndRepair(built: BuiltSection, options: SectionOptions, section?: Section): Seen {
  beginLook(built.scene)
  const chosen = section ? chosenViews(section, built) : undefined
  if (!built.frame || built.isKept === true) return { built, looks: lookAgain(built, chosen) }
  let current = lookOnce(built)
  let best = current
  const visibilityConstraints = new Map<string, VisibilityConstraint>()
  const rounds = built.scene.nodes.length > LARGE ? FEW_ROUNDS : ROUNDS
  for (let round = 0; round < rounds && poorSteps(best.looks) > 0; round++) {
    const before = visibilityConstraints.size
    for (const { node, by } of current.hiding) {
      for (const hider of by) {
        const constraint: VisibilityConstraint = [node, hider]
        visibilityConstraints.set(constraint.join(), constraint)
      }
    }
    if (visibilityConstraints.size === before) break
    current = lookOnce(layAgain(built, [...visibilityConstraints.values()], options))
    const isHeld = current.built.holding.problems.length <= built.holding.problems.length
    if (isHeld && current.cost < best.cost) best = current
  }
  // Only now: a picture that shows everything by itself is worth another order of steps.
  const looks = steadyLooks(best.built, best.looks, remember(best.built, best.looks))
  if (section && chosen) return { built: best.built, looks: lookAgain(best.built, chosenViews(section, best.built)) }
  return { built: best.built, looks }
}

function lookOnce(built: BuiltSection) {
  const { scene, steps } = built
  const { looks: home, hiding } = lookFromHome(scene, steps)
  const looks = lookAtSteps(built, home)
  const poor = (100 * poorSteps(looks)) / Math.max(1, steps.length)
  return { built, hiding, looks, cost: POOR * poor + brokenPromises(scene, steps) }
}

/** More changed steps than this share are cheaper to draw all at once. */
const MANY = 0.2

interface Remembered {
  /** What was there before the step that the look belongs to. */
  readonly present: number
  readonly orientation: Turn
  /** The view that somebody chose. */
  readonly chosen?: ViewNumber | undefined
  /** As it shows best, or from the side that was chosen. */
  readonly look: StepLook
  /** What else was seen of it, by side, and the same with insets. */
  readonly sides: Map<ViewNumber, StepLook>
  readonly insets: Map<ViewNumber, StepLook>
}

/** What was seen of steps, by the geometry of their scene and by what came, in which order. */
/** More than so many times the steps are not remembered: most belong to edits long past. */
const MOST_REMEMBERED = 4

function memoryOf({ scene, steps }: BuiltSection): Map<string, Remembered> {
  if (scene.tables.of(noLooks, scene).size > MOST_REMEMBERED * steps.length + 1000) scene.tables.forget(noLooks)
  return scene.tables.of(noLooks, scene)
}

const noLooks = (_: Scene): Map<string, Remembered> => new Map()

/** What was seen of a plan is remembered, so that its steps need not be looked at again when they become given. */
function remember(built: BuiltSection, looks: readonly StepLook[]): Remembered[] {
  const known = memoryOf(built)
  const { before } = orderSets(built.steps)
  let at = 0
  return built.steps.map((step, i) => {
    const entry = { present: before[at]!, orientation: built.orientations[i]!, look: looks[i]!, sides: new Map(), insets: new Map() }
    known.set(keyOfStep(step), entry)
    at += step.length
    return entry
  })
}

/** All steps from sides that stay, with insets for what does not show there; what was seen before is not looked at again. */
function steadyLooks(built: BuiltSection, best: readonly StepLook[], seen: readonly Remembered[], chosen: ChosenViews = []): StepLook[] {
  const fromSide = lookFromSide(built)
  const lookFrom = (step: number, view: ViewNumber): StepLook => {
    const { sides } = seen[step]!
    let look = sides.get(view)
    if (!look) sides.set(view, (look = fromSide(step, view)))
    return look
  }
  const inset = (step: number, look: StepLook): StepLook => {
    const { insets } = seen[step]!
    let known = insets.get(look.view)
    if (!known) insets.set(look.view, (known = withInsets(built, [look], [step])[0]!))
    return known
  }
  return steadyViews(best, lookFrom, chosen).map((look, step) => {
    const steady = inset(step, look)
    if (look.view === best[step]!.view || poorParts(steady) === 0) return steady
    // The inset does not make up for it: the side that shows most is worth the change.
    const other = inset(step, best[step]!)
    return poorParts(other) < poorParts(steady) ? other : steady
  })
}

/** Looks at given steps; after an edit only at those that bring something else, or bring it to something else. */
function lookAgain(built: BuiltSection, chosen: ChosenViews = []): readonly StepLook[] {
  const { steps, orientations } = built
  const known = memoryOf(built)
  const presents: number[] = []
  const seen = new Array<Remembered>(steps.length)
  const changed: number[] = []
  const { before } = orderSets(steps)
  let at = 0
  steps.forEach((step, i) => {
    presents.push(before[at]!)
    at += step.length
    const kept = known.get(keyOfStep(step))
    const isSame = kept?.present === presents[i] && kept?.orientation === orientations[i] && kept?.chosen === chosen[i]
    if (isSame) seen[i] = kept!
    else changed.push(i)
  })
  const see = (step: number, look: StepLook): void => {
    const [present, orientation] = [presents[step]!, orientations[step]!]
    seen[step] = { present, orientation, chosen: chosen[step], look, sides: new Map(), insets: new Map() }
    known.set(keyOfStep(steps[step]!), seen[step])
  }
  const isMany = changed.length > steps.length * MANY
  const free = isMany ? changed.filter((step) => chosen[step] === undefined) : []
  if (free.length > 0) {
    const all = lookAtSteps(built)
    for (const step of free) see(step, all[step]!)
  }
  const single = isMany ? changed.filter((step) => chosen[step] !== undefined) : changed
  lookAtSome({ ...built, chosen }, single).forEach((look, i) => see(single[i]!, look))
  return steadyLooks(
    built,
    seen.map(({ look }) => look),
    seen,
    chosen,
  )
}

type ChosenViews = readonly (ViewNumber | undefined)[]

/** Of each step the view that somebody chose for it; nothing where none is chosen in the whole section. */
function chosenViews({ steps = [] }: Section, built: BuiltSection): ChosenViews | undefined {
  const viewOf = new Map<string, number>()
  for (const { view, add = [], join = [] } of steps) if (view !== undefined) for (const id of [...add, ...join]) viewOf.set(id, view)
  if (viewOf.size === 0) return undefined
  return built.steps.map(
    (nodes) => nodes.map((node) => viewOf.get(built.scene.nodes[node]!.id)).find((view) => view !== undefined) as ViewNumber,
  )
}

const keyOfStep = memo((step: readonly number[]) => step.join())

const poorParts = ({ shares }: StepLook): number => shares.filter((share) => share < ENOUGH).length
const poorSteps = (looks: readonly StepLook[]): number => looks.filter(({ shares }) => shares.some((share) => share < ENOUGH)).length
