import { apply, dot, scale, sizeOf, TURNS, unite, type Box, type Turn, type Vec } from '../space'
import type { DrawnSection } from './drawn-section'

/** A finished section is held at least this far off its place, px and u, and no farther than this for its size. */
const LEAST_GAP = { px: 64, u: 20 }
const MOST_GAP = 70
/** More ghosts than this would be a crowd. */
const MOST_GHOSTS = 6

/** Parts that come in another way than from above, and where they stand before: lifted off by so much, u. */
export interface Ghost {
  readonly parts: readonly number[]
  readonly lift: Vec
  readonly travel: Vec
}

/** What comes straight down on the work as it lies needs no showing. */
export function comesFromAbove(travel: Vec, orientation: Turn): boolean {
  return apply(TURNS[orientation]!, travel)[2] < -0.999
}

/**
 * Which things of a step are drawn beside their place: finished sections that take hold of what is there, each held back
 * along the way it travels.
 *
 * @param scalePx px for one u
 */
export function liftsOf(section: DrawnSection, step: number, scalePx: number): ReadonlyMap<number, Vec> {
  const lifts = new Map<number, Vec>()
  const [first, last] = section.nodeRanges[step]!
  if (section.ranges[step]![0] === 0) return lifts
  for (let node = first; node < last; node++) {
    if (!section.nodeJoins[node] || section.holdsOfNode(node).length === 0) continue
    const travel = section.nodeTravels[node]!
    const parts = partsOfNode(section, step, node)
    if (parts.length > 0) lifts.set(node, scale(travel, -gapFor(hullOf(section, parts), travel, scalePx)))
  }
  return lifts
}

const gapFor = (box: Box, travel: Vec, scalePx: number): number =>
  Math.max(LEAST_GAP.u, LEAST_GAP.px / scalePx, Math.min(extentAlong(box, travel), MOST_GAP))

/** What of a step comes in another way than from above, in place among what is there: those that travel alike together. */
export function ghostsOf(section: DrawnSection, step: number, scalePx: number): Ghost[] {
  const [first, last] = section.nodeRanges[step]!
  const groups = new Map<string, { parts: number[]; travel: Vec }>()
  if (section.ranges[step]![0] === 0) return []
  for (let node = first; node < last; node++) {
    const travel = section.nodeTravels[node]!
    if (section.nodeJoins[node] || comesFromAbove(travel, section.orientations[step]!)) continue
    const group = groups.get(travel.join()) ?? { parts: [], travel }
    group.parts.push(...partsOfNode(section, step, node))
    groups.set(travel.join(), group)
  }
  return [...groups.values()].flatMap(({ parts, travel }) => {
    if (parts.length === 0 || parts.length > MOST_GHOSTS) return []
    const box = hullOf(section, parts)
    return [{ parts, travel, lift: scale(travel, -(extentAlong(box, travel) + Math.max(LEAST_GAP.u / 2, LEAST_GAP.px / scalePx))) }]
  })
}

/**
 * Whether a thing of a step is drawn beside its place too, so that it shows although it ends up behind others.
 *
 * @param alike how many parts of the step travel as it does
 */
export const isDrawnBeside = (thing: { isPart: boolean; travel: Vec; alike: number }, orientation: Turn): boolean =>
  !thing.isPart || (!comesFromAbove(thing.travel, orientation) && thing.alike <= MOST_GHOSTS)

/** The parts that a thing of a step brings. */
export function partsOfNode(section: DrawnSection, step: number, node: number): number[] {
  const [from, to] = section.ranges[step]!
  const parts: number[] = []
  for (let part = from; part < to; part++) if (section.partNode[part] === node) parts.push(part)
  return parts
}

export const hullOf = (section: DrawnSection, parts: readonly number[]): Box =>
  parts.map((part) => section.space.hullOf(section.parts[part]!)).reduce(unite)

export function extentAlong(box: Box, travel: Vec): number {
  const size = sizeOf(box)
  return dot(size, [Math.abs(travel[0]), Math.abs(travel[1]), Math.abs(travel[2])])
}
