import { memo } from '../memo'
import type { Scene } from '../scene'
import { NO_TURN, type Turn } from '../space'
import { ENOUGH, VisibilityMeter, worthOf } from './visibility-meter'
import { pictureSceneOf, type PictureScene } from './picture-scene'
import { VIEWS, type ViewNumber } from './view'

/** The usual side. */
export const HOME: ViewNumber = 0

/** How one step shows: the chosen view, and for each node it brings the share of it that can be seen there. */
export interface StepLook {
  readonly view: ViewNumber
  readonly shares: readonly number[]
  /** Small pictures beside it; `shares` counts what they show. */
  readonly insets?: readonly StepInset[]
}

/** Things of a step, by id, and the side from which a small picture shows them. */
export interface StepInset {
  readonly view: ViewNumber
  readonly things: readonly string[]
  /** Set where it is there to tell places apart: all shows without it too. */
  readonly tellsPlaces?: true
}

/** So many small pictures fit beside a step's without taking it over. */
export const MOST_INSETS = 3
/** Another side must show this much more to be worth going round. */
const GAIN = 0.02

/** Who hides a node in the picture of its step: nodes of the section, each covering a good part of it. */
interface Hiding {
  readonly node: number
  readonly by: readonly number[]
}

/** What of each step shows from the usual side, and for everything that shows too little, who is in front of it. */
export interface HomeLook {
  readonly looks: readonly StepLook[]
  readonly hiding: readonly Hiding[]
}

export type Steps = readonly (readonly number[])[]

/** Steps in space, and how the work lies in each. */
export interface LaidSteps {
  readonly scene: Scene
  readonly steps: Steps
  readonly orientations: readonly Turn[]
  /** Views that somebody chose; the others are free. */
  readonly chosen?: readonly (ViewNumber | undefined)[]
}

/** Draws the rail from the usual side, each step into the picture of those before it. */
export function lookFromHome(scene: Scene, steps: Steps): HomeLook {
  const meter = new VisibilityMeter(pictureSceneOf(scene), HOME)
  const hiding: Hiding[] = []
  const looks = steps.map((step) => {
    const shares = meter.add(step)
    shares.forEach((share, i) => {
      if (share < ENOUGH) hiding.push({ node: step[i]!, by: meter.hiders(step[i]!) })
    })
    return { view: HOME, shares }
  })
  return { looks, hiding }
}

/**
 * Chooses the view of every step and counts what shows there, by the part buffer: dots of a node left on top, over the
 * dots it would have alone. The home view stays unless another shows the worst-hidden new part better.
 */
export function lookAtSteps(laid: LaidSteps, fromHome = lookFromHome(laid.scene, laid.steps).looks): StepLook[] {
  const { scene, steps, orientations } = laid
  const views = new Views(pictureSceneOf(scene))
  const stepOf = stepsOfNodes(scene, steps)
  return fromHome.map((home, step) => {
    const isThere = (node: number): boolean => stepOf[node]! <= step
    return orientations[step] === NO_TURN
      ? views.best(home, steps[step]!, NO_TURN, isThere)
      : views.look(steps[step]!, orientations[step]!, isThere)
  })
}

/** What one step shows from one side. */
export function lookFromSide({ scene, steps, orientations }: LaidSteps): (step: number, view: ViewNumber) => StepLook {
  const views = viewsOf(pictureSceneOf(scene))
  const stepOf = stepsOfNodes(scene, steps)
  return (step, view) => views.from(view, steps[step]!, orientations[step]!, (node) => stepOf[node]! <= step)
}

/** The same for some steps only, each drawn in its own window. */
export function lookAtSome({ scene, steps, orientations, chosen }: LaidSteps, some: readonly number[]): StepLook[] {
  const views = viewsOf(pictureSceneOf(scene))
  const stepOf = stepsOfNodes(scene, steps)
  return some.map((step) => {
    const isThere = (node: number): boolean => stepOf[node]! <= step
    const view = chosen?.[step]
    return view === undefined
      ? views.look(steps[step]!, orientations[step]!, isThere)
      : views.from(view, steps[step]!, orientations[step]!, isThere)
  })
}

/** Looks of some steps, all or a few of them by number, with insets for what they do not show well. */
export function withInsets({ scene, steps, orientations }: LaidSteps, looks: readonly StepLook[], some?: readonly number[]): StepLook[] {
  const isPoor = ({ shares }: StepLook): boolean => shares.some((share) => share < ENOUGH)
  if (!looks.some(isPoor)) return [...looks]
  const views = viewsOf(pictureSceneOf(scene))
  const stepOf = stepsOfNodes(scene, steps)
  return looks.map((look, i) => {
    const step = some ? some[i]! : i
    return isPoor(look) ? views.withInsets(look, steps[step]!, orientations[step]!, (node) => stepOf[node]! <= step) : look
  })
}

/** Of each node the step that brings it; what no step brings is never there. */
function stepsOfNodes(scene: Scene, steps: Steps): Int32Array {
  const stepOf = new Int32Array(scene.nodes.length).fill(steps.length)
  for (let step = 0; step < steps.length; step++) for (const node of steps[step]!) stepOf[node] = step
  return stepOf
}

/** The views of one section, made as they are asked for. */
class Views {
  private readonly meters = new Map<number, VisibilityMeter>()

  constructor(private readonly stage: PictureScene) {}

  private meter(view: ViewNumber, orientation: Turn): VisibilityMeter {
    const key = orientation * VIEWS.length + view
    let known = this.meters.get(key)
    if (!known) this.meters.set(key, (known = new VisibilityMeter(this.stage, view, orientation)))
    return known
  }

  /** Looks at nodes in their windows, from the usual side first. */
  look(nodes: readonly number[], orientation: Turn, isThere: (node: number) => boolean): StepLook {
    const home = { view: HOME, shares: this.meter(HOME, orientation).sharesAmong(isThere, nodes) }
    return this.best(home, nodes, orientation, isThere)
  }

  /** Looks at nodes from one side. */
  from(view: ViewNumber, nodes: readonly number[], orientation: Turn, isThere: (node: number) => boolean): StepLook {
    return { view, shares: this.meter(view, orientation).sharesAmong(isThere, nodes) }
  }

  /** Keeps the usual side unless it shows too little and another shows more. */
  best(home: StepLook, nodes: readonly number[], orientation: Turn, isThere: (node: number) => boolean): StepLook {
    let best = home
    if (Math.min(1, ...best.shares) >= ENOUGH) return best
    const poor = nodes.filter((_, i) => home.shares[i]! < ENOUGH)
    const most = (nodes.length - poor.length) * ENOUGH
    for (const view of VIEWS.slice(1)) {
      const meter = this.meter(view, orientation)
      const bar = worth(best.shares) + GAIN
      // A view that shows what is hard to see no better needs no look at the rest.
      if (poor.length < nodes.length && worth(meter.sharesAmong(isThere, poor, bar - most)) + most <= bar) continue
      const shares = meter.sharesAmong(isThere, nodes, bar)
      if (worth(shares) > bar) best = { view, shares }
      if (Math.min(...best.shares) >= ENOUGH) break
    }
    return best
  }

  /** What no single view shows together with the rest is shown in insets, each from the side where most of it shows. */
  withInsets(best: StepLook, nodes: readonly number[], orientation: Turn, isThere: (node: number) => boolean): StepLook {
    const shares = best.shares.slice()
    const insets: StepInset[] = []
    while (insets.length < MOST_INSETS) {
      const poor = nodes.flatMap((_, i) => (shares[i]! < ENOUGH ? [i] : []))
      const found = poor.length === 0 ? undefined : this.inset({ best, nodes, orientation, isThere }, poor, shares)
      if (!found) break
      insets.push(found)
    }
    return insets.length > 0 ? { view: best.view, shares, insets } : best
  }

  /** The inset that shows the most of what is hard to see, by place in the step; nothing where none does. @param shares raised by what it shows */
  private inset({ best, nodes, orientation, isThere }: SeenNodes, poor: readonly number[], shares: number[]): StepInset | undefined {
    const mine = poor.map((i) => nodes[i]!)
    let found = { view: best.view, shares: poor.map((i) => shares[i]!) }
    for (const view of VIEWS) {
      if (view === best.view) continue
      const seen = this.meter(view, orientation).sharesAmong(isThere, mine)
      if (worth(seen) > worth(found.shares) + GAIN) found = { view, shares: seen }
    }
    if (found.view === best.view) return undefined
    const things: string[] = []
    poor.forEach((i, k) => {
      if (found.shares[k]! <= shares[i]!) return
      shares[i] = found.shares[k]!
      things.push(this.stage.scene.nodes[nodes[i]!]!.id)
    })
    return { view: found.view, things }
  }
}

/** Nodes in the picture of their step. */
interface SeenNodes {
  readonly best: StepLook
  readonly nodes: readonly number[]
  readonly orientation: Turn
  readonly isThere: (node: number) => boolean
}

/** Views stay as long as their scene does: what they remember of it is small, and edits ask again and again. */
const viewsOf = memo((stage: PictureScene) => new Views(stage))

/** How much a view shows of what is hard to see. */
const worth = (shares: readonly number[]): number => shares.reduce((sum, share) => sum + worthOf(share), 0)
