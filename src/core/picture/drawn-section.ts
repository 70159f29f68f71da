import { memo } from '../memo'
import { patchesOf, type Patch } from '../decal'
import { catalogueOf, shapeOfPart, type Flattener, type JointReach, type ModelDocument, type PlacedPart } from '../model'
import { baseSection, plansById, type Move, type SectionPlan } from '../plan'
import { directionFromText, DIRECTION_VECTORS, NO_TURN, turnFromText, type Box, type Turn, type Vec } from '../space'
import { boxAround, spaceOf, type SectionSpace } from './section-space'

/** Pictures on parts, by the index of the part. */
export type PatchesByPart = ReadonlyMap<number, readonly Patch[]>

/** A section as the painter sees it: placed parts in building order, and which of them each step brings. */
export interface DrawnSection {
  readonly id: string
  readonly parts: readonly PlacedPart[]
  /** For each part, which thing of its step it belongs to: a part of its own, a copy, a derived section. */
  readonly partNode: Int32Array
  readonly nodeIds: readonly string[]
  /** For each thing, whether it is a finished section that is joined. */
  readonly nodeJoins: readonly boolean[]
  /** The pictures on each part that has any. */
  readonly patches: PatchesByPart
  /** How far the joints of things let them move. */
  readonly reaches: ReadonlyMap<number, JointReach>
  /** Part indices [from, to) of each step, by step. */
  readonly ranges: readonly (readonly [number, number])[]
  /** Node indices [from, to) of each step. */
  readonly nodeRanges: readonly (readonly [number, number])[]
  /** Where each thing travels to when it comes in, a unit vector. */
  readonly nodeTravels: readonly Vec[]
  /** How the work lies in each step. */
  readonly orientations: readonly Turn[]
  /** Where the new parts of a step take hold of what was there before, u. */
  holdsOfStep(step: number): readonly Vec[]
  /** Where a thing takes hold of what was there before it, in the order of building, u. */
  holdsOfNode(node: number): readonly Vec[]
  readonly box: Box
  /** Where all parts stand, whatever the order: the same object as long as nothing has moved. */
  readonly space: SectionSpace
}

/** One thing of a step: its id, whether it is a finished section, its parts, and the nodes of the space it is made of. */
interface Thing {
  readonly id: string
  readonly joins: boolean
  readonly parts: readonly PlacedPart[]
  readonly spaceNodes: readonly number[]
}

/**
 * Reads from a plan what stands where after each step. Works from the printed plan alone, so that a booklet needs no planner.
 */
export function drawnSection(
  model: ModelDocument,
  flattener: Flattener,
  sections: readonly SectionPlan[],
  sectionId: string,
): DrawnSection {
  const plan = sections.find((section) => section.id === sectionId)
  if (!plan) throw new RangeError(`no planned section ${sectionId}`)
  const space = spaceOf(model, flattener, baseSection(plan, plansById(sections))!.id)
  const thingsOfMove = rememberedThings(space, sections)
  const things: Thing[] = []
  const ranges: [number, number][] = []
  const nodeRanges: [number, number][] = []
  const nodeTravels: Vec[] = []
  const orientations: Turn[] = []
  let orientation = NO_TURN
  let parts = 0
  for (const step of plan.steps) {
    if (step.turn !== undefined) orientation = turnFromText(step.turn) ?? orientation
    orientations.push(orientation)
    const firstNode = things.length
    const firstPart = parts
    for (const move of step.moves) {
      const travel = typeof move.direction === 'string' ? DIRECTION_VECTORS[directionFromText(move.direction)!]! : move.direction
      for (const thing of thingsOfMove(move)) {
        things.push(thing)
        nodeTravels.push(travel)
        parts += thing.parts.length
      }
    }
    ranges.push([firstPart, parts])
    nodeRanges.push([firstNode, things.length])
  }
  const placed: PlacedPart[] = []
  const partNode = new Int32Array(parts)
  const reaches = new Map<number, JointReach>()
  things.forEach((thing, node) => {
    partNode.fill(node, placed.length, placed.length + thing.parts.length)
    for (const part of thing.parts) placed.push(part)
    const reach = thing.joins ? space.reaches.get(thing.id) : undefined
    if (reach) reaches.set(node, reach)
  })
  return {
    id: sectionId,
    parts: placed,
    partNode,
    nodeIds: things.map(({ id }) => id),
    nodeJoins: things.map(({ joins }) => joins),
    patches: patchesByPart(model, placed),
    reaches,
    ranges,
    nodeRanges,
    nodeTravels,
    orientations,
    ...holdsAmong(things, nodeRanges, space),
    box: placed.length === space.parts ? space.box() : boxAround(placed, space.hullOf),
    space,
  }
}

/** By space, what each move brings: moves are never changed in place, and most are the same after an edit. */
const thingsBefore = memo((_: SectionSpace) => new WeakMap<Move, readonly Thing[]>())

function rememberedThings(space: SectionSpace, sections: readonly SectionPlan[]): (move: Move) => readonly Thing[] {
  const known = thingsBefore(space)
  return (move) => {
    // What a derived section holds is told by its own plan, not by the move.
    if ('section' in move) return thingsOf(move, space, sections)
    let things = known.get(move)
    if (!things) known.set(move, (things = thingsOf(move, space, sections)))
    return things
  }
}

function thingsOf(move: Move, space: SectionSpace, sections: readonly SectionPlan[]): Thing[] {
  if ('parts' in move) {
    return move.parts.flatMap((id) => {
      const placed = space.own.get(id)
      return placed ? [{ id, joins: false, parts: [placed], spaceNodes: [space.nodeOf.get(id)!] }] : []
    })
  }
  if ('copy' in move) {
    const parts = space.copies.get(move.copy)
    return parts ? [{ id: move.copy, joins: true, parts, spaceNodes: [space.nodeOf.get(move.copy)!] }] : []
  }
  const derived = sections.find((section) => section.id === move.section)
  const inner = derived?.steps.flatMap((step) => step.moves.flatMap((deeper) => thingsOf(deeper, space, sections))) ?? []
  return [
    {
      id: move.section,
      joins: true,
      parts: inner.flatMap(({ parts }) => parts),
      spaceNodes: inner.flatMap(({ spaceNodes }) => spaceNodes),
    },
  ]
}

/** Asked for one step or thing at a time, so that a picture costs what it shows. */
function holdsAmong(
  things: readonly Thing[],
  nodeRanges: readonly (readonly [number, number])[],
  space: SectionSpace,
): Pick<DrawnSection, 'holdsOfStep' | 'holdsOfNode'> {
  const order = new Int32Array(space.nodeOf.size).fill(-1)
  things.forEach(({ spaceNodes }, node) => {
    for (const spaceNode of spaceNodes) order[spaceNode] = node
  })
  /** Places where a thing holds what came before a node. */
  const before = (node: number, end: number): Vec[] =>
    things[node]!.spaceNodes.flatMap((spaceNode) =>
      space.holdsOf(spaceNode).flatMap(({ other, places }) => (order[other]! >= 0 && order[other]! < end ? places : [])),
    )
  return {
    holdsOfStep(step) {
      const [from, to] = nodeRanges[step]!
      return Array.from({ length: to - from }, (_, i) => before(from + i, from)).flat()
    },
    holdsOfNode: (node) => before(node, node),
  }
}

/** Pictures on parts, by their place in the list. */
export function patchesByPart(model: ModelDocument, placed: readonly PlacedPart[]): PatchesByPart {
  const found = new Map<number, readonly Patch[]>()
  if (!model.decals) return found
  const decals = new Map(model.decals.map((decal) => [decal.id, decal]))
  const { shapes } = catalogueOf(model)
  placed.forEach(({ part, shape, isMirrored }, i) => {
    if (!part.work) return
    const patches = patchesOf({ part, shape, drawn: shapeOfPart(part, shapes), isMirrored }, decals)
    if (patches.length > 0) found.set(i, patches)
  })
  return found
}
