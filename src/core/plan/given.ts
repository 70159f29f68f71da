import { findJoints, FREE_AXIS, jointsOf, type Joints } from '../joints'
import { copiesOf, isLoose, partsOf, type Flattener, type GivenStep, type ModelDocument, type Section } from '../model'
import { pressBlocker, PRESSES, reverseTravel, SpaceLeft, type Travel } from '../motion'
import { buildScene, sectionNodes, type Scene } from '../scene'
import { MINUS_Z, PLUS_Z, scale, type Direction } from '../space'
import type { BuiltSection } from './built'
import { followHolding } from './holding'
import { NO_NODES, signatureWith, type Signature } from './signature'
import type { Block } from './types'

/** How a node came in when a certain set of others was there. */
interface WayIn {
  readonly present: Signature
  readonly arrives: Travel | undefined
  readonly press?: Direction
  readonly block: Block | undefined
}

/** A section's nodes in space, in the order of the document: the same whatever its steps say. */
interface GivenSpace {
  readonly scene: Scene
  readonly joints: Joints
  readonly space: SpaceLeft
  readonly indexOf: ReadonlyMap<string, number>
  /** Of each node, its way in when it was followed last. */
  readonly ways: (WayIn | undefined)[]
}

/** Spaces of sections with given steps, kept between edits: an edit of the steps moves nothing in space. */
export class GivenSpaces {
  private readonly known = new Map<string, { key: readonly unknown[]; space: GivenSpace }>()

  of(model: ModelDocument, flattener: Flattener, section: Section): GivenSpace {
    const key = keyOf(model, section)
    const entry = this.known.get(section.id)
    if (entry && entry.key.length === key.length && entry.key.every((value, i) => value === key[i])) return entry.space
    const space = makeSpace(model, flattener, section)
    this.known.set(section.id, { key, space })
    return space
  }
}

/** All that places of nodes depend on, by identity: parts, copies, the sections copied, own shapes. */
function keyOf(model: ModelDocument, section: Section): unknown[] {
  const key: unknown[] = [section.parts, section.copies, model.shapes]
  const seen = new Set<string>()
  const visit = (copied: Section): void => {
    for (const { section: id } of copiesOf(copied)) {
      if (seen.has(id)) continue
      seen.add(id)
      const inner = model.sections.find((candidate) => candidate.id === id)!
      key.push(inner.parts, inner.copies)
      visit(inner)
    }
  }
  visit(section)
  return key
}

function makeSpace(model: ModelDocument, flattener: Flattener, section: Section): GivenSpace {
  const scene = buildScene(sectionNodes(model, flattener, section.id))
  const joints = findJoints(scene)
  return {
    scene,
    joints,
    space: new SpaceLeft(scene, joints),
    indexOf: new Map(scene.nodes.map((spec, node) => [spec.id, node])),
    ways: new Array<WayIn | undefined>(scene.nodes.length).fill(undefined),
  }
}

/** Keeps given steps as they are and finds the way each part came in, past what was there before it. */
export function followGiven(
  model: ModelDocument,
  flattener: Flattener,
  section: Section,
  given: readonly GivenStep[],
  spaces = new GivenSpaces(),
): BuiltSection {
  const around = spaces.of(model, flattener, section)
  const listed = listSteps(section, given, around)
  const { scene, joints } = around
  return {
    id: section.id,
    name: section.name,
    base: section.id,
    derivedFrom: undefined,
    scene,
    joints,
    ...listed,
    ...waysIn(around, listed.steps.flat()),
    holding: followHolding(scene, joints, listed.steps),
  }
}

function listSteps(section: Section, given: readonly GivenStep[], { indexOf }: GivenSpace) {
  const loose = new Set(
    partsOf(section)
      .filter(isLoose)
      .map((part) => part.id),
  )
  const seen = new Set<string>()
  const twice: { id: string; step: number }[] = []
  const steps: number[][] = []
  const looseParts: string[][] = []
  given.forEach((step, i) => {
    steps.push([])
    looseParts.push([])
    for (const id of [...(step.add ?? []), ...(step.join ?? [])]) {
      if (seen.has(id)) twice.push({ id, step: i })
      else if (loose.has(id)) looseParts[i]!.push(id)
      else steps[i]!.push(indexOf.get(id)!)
      seen.add(id)
    }
  })
  const everything = [...partsOf(section), ...copiesOf(section)].map((entry) => entry.id)
  return { steps, looseParts, twice, missing: everything.filter((id) => !seen.has(id)) }
}

/** Ways in that are tried: from above, from the sides, from below. */
const WAYS_OUT = [PLUS_Z, 3, 2, 0, 1, 5] as const

/**
 * The way in of each node of an order, last first: what comes later is taken away, and the node must then be free to leave.
 * A node before which the same others came as last time came in the same way; only between the first and the last of the
 * others is anything asked of the columns.
 */
function waysIn({ space, ways, scene }: GivenSpace, order: readonly number[]): Pick<BuiltSection, 'arrives' | 'presses' | 'blocks'> {
  const before: Signature[] = []
  let present = NO_NODES
  for (const node of order) {
    before.push(present)
    present = signatureWith(present, node)
  }
  const isNew = (i: number): boolean => ways[order[i]!]?.present !== before[i]
  const firstNew = order.findIndex((_, i) => isNew(i))
  if (firstNew >= 0) {
    space.restore()
    const listed = new Set(order)
    scene.nodes.forEach((_, node) => {
      if (!listed.has(node)) space.remove(node)
    })
    for (let i = order.length - 1; i >= firstNew; i--) {
      if (isNew(i)) ways[order[i]!] = wayIn(space, order[i]!, before[i]!)
      space.remove(order[i]!)
    }
  }
  const arrives = ways.map((way) => way?.arrives ?? MINUS_Z)
  const presses = new Map(order.flatMap((node) => (ways[node]!.press === undefined ? [] : [[node, ways[node]!.press] as const])))
  const blocks = [...order].reverse().flatMap((node) => ways[node]!.block ?? [])
  return { arrives, presses, blocks }
}

function wayIn(space: SpaceLeft, node: number, present: Signature): WayIn {
  const tried = waysOut(space, node).map((travel) => ({ travel, by: space.blocker(node, travel) }))
  const free = tried.find(({ by }) => by < 0)
  if (free) return { present, arrives: reverseTravel(free.travel), block: undefined }
  const pressed =
    space.scene.freeBodies.length > 0 ? undefined : PRESSES.find(({ out, press }) => pressBlocker(space, node, out, press) < 0)
  if (pressed) return { present, arrives: reverseTravel(pressed.out), press: pressed.press, block: undefined }
  return { present, arrives: undefined, block: { node, blockers: tried } }
}

function waysOut(space: SpaceLeft, node: number): readonly Travel[] {
  const free = jointsOf(space.joints, node).find((joint) => joint.axis === FREE_AXIS)
  return free ? [free.vector, scale(free.vector, -1)] : WAYS_OUT
}
