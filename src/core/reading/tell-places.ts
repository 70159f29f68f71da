import {
  MOST_INSETS,
  VIEWS,
  type Doubt,
  type PictureDifference,
  type PlaceReader,
  type StepInset,
  type StepLook,
  type ViewNumber,
} from '../picture'
import type { Scene } from '../scene'
import { boxesMeet, widened } from '../space'
import type { SlippedPlace } from './other-places'

/** A part that the picture of its step leaves in doubt. */
export interface NodeInDoubt {
  readonly node: number
  readonly doubts: readonly Doubt<SlippedPlace>[]
}

/** A step, and who reads its pictures. */
export interface StepInDoubt {
  readonly reader: PlaceReader
  readonly scene: Scene
  readonly step: number
  readonly look: StepLook
  readonly isTurned: (place: SlippedPlace) => boolean
  readonly enough: PictureDifference
}

/** What is left in doubt, and the insets that it takes; none where those that the step has by itself do as well. */
export interface ToldPlaces {
  readonly left: readonly NodeInDoubt[]
  /** How many would be left without these insets. */
  readonly without: number
  readonly insets?: readonly StepInset[]
}

/** Parts no farther apart than this are shown in one inset, u. */
const NEAR = 30
/** What an inset shows smaller than this, in sizes of the picture, it does not tell. */
const LEAST_ENLARGEMENT = 0.5
/** So many insets are tried for one step. */
const MOST_TRIED = 20

/**
 * Chooses insets that tell where the parts of a step go, each time the one that settles the most: what is left in doubt all together,
 * or some that stand near each other, seen from the side of the picture first (greedy set cover, Chvátal 1979).
 */
export function tellPlaces(read: StepInDoubt, inDoubt: readonly NodeInDoubt[]): ToldPlaces {
  if (inDoubt.length === 0) return { left: [], without: 0 }
  const settle = (left: readonly NodeInDoubt[], inset: StepInset): readonly NodeInDoubt[] => settledBy(read, left, inset)
  // What shows from one side alone keeps its inset.
  const needed = (read.look.insets ?? []).filter(({ tellsPlaces }) => tellsPlaces !== true)
  const usual = needed.length === 0 ? read.reader.usualInset(read.step) : undefined
  const leftByNeeded = needed.reduce(settle, inDoubt)
  const leftAsItIs = usual ? settle(leftByNeeded, usual) : leftByNeeded
  const insets = [...needed]
  const tries = { left: MOST_TRIED }
  let left = leftByNeeded
  while (leftAsItIs.length > 0 && left.length > 0 && insets.length < MOST_INSETS) {
    const best = bestInset(read, left, tries)
    if (!best) break
    insets.push(best)
    left = settle(left, best)
  }
  const without = leftAsItIs.length
  return left.length < without ? { left, without, insets } : { left: leftAsItIs, without }
}

function settledBy(
  { reader, step, isTurned, enough }: StepInDoubt,
  left: readonly NodeInDoubt[],
  inset: StepInset,
): readonly NodeInDoubt[] {
  const rest: NodeInDoubt[] = []
  for (const each of left) {
    const doubts = reader.doubtsWith(step, each.node, each.doubts, { inset, isTurned, enough })
    if (doubts.length > 0) rest.push({ node: each.node, doubts })
  }
  return rest
}

/** How many parts an inset leaves in doubt. */
function countLeft({ reader, step, isTurned, enough }: StepInDoubt, left: readonly NodeInDoubt[], inset: StepInset): number {
  return left.filter(({ node, doubts }) => !reader.settles(step, node, doubts, { inset, isTurned, enough })).length
}

/** The inset that leaves the fewest parts in doubt; nothing where none helps. @param tries counted down */
function bestInset(read: StepInDoubt, left: readonly NodeInDoubt[], tries: { left: number }): StepInset | undefined {
  let best: StepInset | undefined
  let least = left.length
  for (const { group, view } of candidatesOf(read, left)) {
    const inset: StepInset = { view, things: group.map(({ node }) => read.scene.nodes[node]!.id), tellsPlaces: true }
    if (read.reader.enlargementOf(read.step, inset) < LEAST_ENLARGEMENT) continue
    if (tries.left-- <= 0) break
    const count = countLeft(read, left, inset)
    if (count < least) [best, least] = [inset, count]
    if (count === left.length - group.length) break
  }
  return best
}

/** What may be shown from where: from the height of the picture first, from its own side before all. */
function candidatesOf(read: StepInDoubt, left: readonly NodeInDoubt[]): { group: readonly NodeInDoubt[]; view: ViewNumber }[] {
  const first = read.look.view
  const isBelow = (view: ViewNumber): boolean => view >= VIEWS.length / 2
  const others = VIEWS.filter((view) => view !== first)
  const near = [first, ...others.filter((view) => isBelow(view) === isBelow(first))]
  const far = others.filter((view) => isBelow(view) !== isBelow(first))
  const groups = groupsOf(read, left)
  return [near, far].flatMap((views) => groups.flatMap((group) => views.map((view) => ({ group, view }))))
}

/** What is in doubt all together, then those around one of them. */
function groupsOf({ scene }: StepInDoubt, left: readonly NodeInDoubt[]): (readonly NodeInDoubt[])[] {
  const around = ({ node }: NodeInDoubt): readonly NodeInDoubt[] => {
    const reach = widened(scene.nodeBoxes[node]!, NEAR)
    return left.filter((other) => boxesMeet(scene.nodeBoxes[other.node]!, reach))
  }
  return [
    left,
    ...left
      .slice(0, MOST_TRIED)
      .map(around)
      .filter((group) => group.length < left.length),
  ]
}
