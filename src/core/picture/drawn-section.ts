import { findJoints, placesOf } from '../joints'
import { patchesOf, type Patch } from '../decal'
import {
  catalogueOf,
  copiesOf,
  jointReach,
  sectionById,
  shapeOfPart,
  type Flattener,
  type JointReach,
  type ModelDocument,
  type PlacedPart,
} from '../model'
import type { Move, SectionPlan } from '../plan'
import { buildScene, partHull, type NodeSpec } from '../scene'
import { boxAt, directionFromText, DIRECTION_VECTORS, NO_TURN, turnFromText, unite, type Box, type Turn, type Vec } from '../space'

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
  readonly patches: ReadonlyMap<number, readonly Patch[]>
  /** How far the joints of things let them move. */
  readonly reaches: ReadonlyMap<number, JointReach>
  /** Part indices [from, to) of each step, by step. */
  readonly ranges: readonly (readonly [number, number])[]
  /** Node indices [from, to) of each step. */
  readonly nodeRanges: readonly (readonly [number, number])[]
  /** Where each thing travels to when it comes in, a unit vector. */
  readonly nodeTravels: readonly Vec[]
  /** How the work lies in each step. */
  readonly lies: readonly Turn[]
  /** Where the new parts of each step take hold of what was there before, u. */
  readonly holds: readonly (readonly Vec[])[]
  /** Where each thing takes hold of what was there before it, in the order of building, u. */
  readonly nodeHolds: readonly (readonly Vec[])[]
  readonly box: Box
}

/**
 * Reads from a plan what stands where after each step. Works from the printed plan alone, so that a booklet needs no planner.
 * @param base the section of the document whose lattice it stands in, where the plan does not reach to it yet
 */
export function drawnSection(
  model: ModelDocument,
  flattener: Flattener,
  sections: readonly SectionPlan[],
  sectionId: string,
  base?: string,
): DrawnSection {
  const plan = sections.find((section) => section.id === sectionId)
  if (!plan) throw new RangeError(`no planned section ${sectionId}`)
  const lookup = new MoveLookup(model, flattener, sections, base ?? baseOf(sections, plan))
  const specs: NodeSpec[] = []
  const ranges: [number, number][] = []
  const nodeRanges: [number, number][] = []
  const nodeTravels: Vec[] = []
  const lies: Turn[] = []
  let lie = NO_TURN
  let parts = 0
  for (const step of plan.steps) {
    if (step.turn !== undefined) lie = turnFromText(step.turn) ?? lie
    lies.push(lie)
    const firstNode = specs.length
    const firstPart = parts
    for (const move of step.moves) {
      for (const spec of lookup.nodes(move)) {
        specs.push(spec)
        nodeTravels.push(typeof move.direction === 'string' ? DIRECTION_VECTORS[directionFromText(move.direction)!]! : move.direction)
        parts += spec.parts.length
      }
    }
    ranges.push([firstPart, parts])
    nodeRanges.push([firstNode, specs.length])
  }
  const placed = specs.flatMap((spec) => spec.parts)
  let holds: Vec[][] | undefined
  let nodeHolds: Vec[][] | undefined
  return {
    id: sectionId,
    parts: placed,
    partNode: Int32Array.from(specs.flatMap((spec, node) => spec.parts.map(() => node))),
    nodeIds: specs.map((spec) => spec.id),
    nodeJoins: specs.map((spec) => spec.kind !== 'part'),
    patches: patchesByPart(model, placed),
    reaches: lookup.reaches(specs),
    ranges,
    nodeRanges,
    nodeTravels,
    lies,
    // A look at what shows does not ask for them, so they are found when a picture does.
    get holds() {
      holds ??= holdsByStep(specs, nodeRanges)
      return holds
    },
    get nodeHolds() {
      nodeHolds ??= holdsByStep(
        specs,
        specs.map((_, node) => [node, node + 1] as const),
      )
      return nodeHolds
    },
    box: placed.length === 0 ? boxAt([0, 0, 0], [10, 10, 4]) : placed.map(partHull).reduce(unite),
  }
}

function patchesByPart(model: ModelDocument, placed: readonly PlacedPart[]): Map<number, readonly Patch[]> {
  const found = new Map<number, readonly Patch[]>()
  if (!model.decals) return found
  const decals = new Map(model.decals.map((decal) => [decal.id, decal]))
  const { shapes } = catalogueOf(model)
  placed.forEach(({ part, shape, isMirrored }, i) => {
    if (!part.work) return
    const patches = patchesOf(part, shape, shapeOfPart(part, shapes), isMirrored, decals)
    if (patches.length > 0) found.set(i, patches)
  })
  return found
}

const baseOf = (sections: readonly SectionPlan[], plan: SectionPlan): string => {
  let at = plan
  while (at.derivedFrom !== undefined) at = sections.find((section) => section.id === at.derivedFrom)!
  return at.id
}

class MoveLookup {
  private readonly own: ReadonlyMap<string, PlacedPart>

  constructor(
    private readonly model: ModelDocument,
    private readonly flattener: Flattener,
    private readonly sections: readonly SectionPlan[],
    private readonly base: string,
  ) {
    this.own = new Map(flattener.own(sectionById(model, base)).map((placed) => [placed.part.id, placed]))
  }

  reaches(specs: readonly NodeSpec[]): Map<number, JointReach> {
    const found = new Map<number, JointReach>()
    const section = sectionById(this.model, this.base)
    const jointed = new Map(copiesOf(section).flatMap((copy) => (copy.joint ? [[copy.id, copy] as const] : [])))
    specs.forEach(({ id, kind }, node) => {
      const copy = kind === 'copy' ? jointed.get(id) : undefined
      const reach = copy && jointReach(this.model, section, copy, catalogueOf(this.model))
      if (reach) found.set(node, reach)
    })
    return found
  }

  nodes(move: Move): NodeSpec[] {
    if ('parts' in move) {
      return move.parts.flatMap((id) => {
        const placed = this.own.get(id)
        return placed ? [{ id, kind: 'part', source: placed.part.shape, parts: [placed] }] : []
      })
    }
    if ('copy' in move) {
      const base = sectionById(this.model, this.base)
      const copy = copiesOf(base).find((candidate) => candidate.id === move.copy)
      return copy ? [{ id: copy.id, kind: 'copy', source: copy.section, parts: this.flattener.copy(base, copy) }] : []
    }
    const derived = this.sections.find((section) => section.id === move.section)
    const inner = derived?.steps.flatMap((step) => step.moves.flatMap((deeper) => this.nodes(deeper))) ?? []
    return [{ id: move.section, kind: 'derived', source: move.section, parts: inner.flatMap((spec) => spec.parts) }]
  }
}

function holdsByStep(specs: readonly NodeSpec[], nodeRanges: readonly (readonly [number, number])[]): Vec[][] {
  const stepOf = new Int32Array(specs.length)
  nodeRanges.forEach(([from, to], step) => stepOf.fill(step, from, to))
  const holds: Vec[][] = nodeRanges.map(() => [])
  const joints = findJoints(buildScene(specs))
  joints.list.forEach((joint, i) => {
    const [a, b] = [stepOf[joint.a]!, stepOf[joint.b]!]
    if (a !== b) holds[Math.max(a, b)]!.push(...placesOf(joints, i))
  })
  return holds
}
