import { findJoints, FREE_AXIS, jointsOf, type Joints } from '../joints'
import { copiesOf, isLoose, partsOf, type Flattener, type GivenStep, type ModelDocument, type Section } from '../model'
import { pressBlocker, PRESSES, reverseTravel, SpaceLeft, type Travel } from '../motion'
import { buildScene, sectionNodes, type Scene } from '../scene'
import { MINUS_Z, PLUS_Z, scale, type Direction } from '../space'
import type { BuiltSection } from './built'
import { followHolding } from './holding'
import { signaturesBefore, type Signature } from './signature'
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
  readonly looseIds: ReadonlySet<string>
  /** Parts and copies, loose ones included. */
  readonly everything: readonly string[]
  /** Of each node, its way in when it was followed last. */
  readonly ways: (WayIn | undefined)[]
  /** What each given step brings: an edit leaves most of them as they are. */
  readonly read: WeakMap<GivenStep, ReadStep>
}

interface ReadStep {
  readonly nodes: readonly number[]
  readonly loose: readonly string[]
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
    looseIds: new Set(
      partsOf(section)
        .filter(isLoose)
        .map((part) => part.id),
    ),
    everything: [...partsOf(section), ...copiesOf(section)].map((entry) => entry.id),
    read: new WeakMap(),
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
  const listed = listSteps(given, around)
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

function listSteps(given: readonly GivenStep[], around: GivenSpace) {
  const { scene, looseIds, everything } = around
  const seen = new Uint8Array(scene.nodes.length)
  const seenLoose = new Set<string>()
  const twice: { id: string; step: number }[] = []
  const steps: (readonly number[])[] = []
  const looseParts: (readonly string[])[] = []
  const isNew = (node: number): boolean => seen[node] === 0 && (seen[node] = 1) === 1
  const isNewLoose = (id: string): boolean => !seenLoose.has(id) && seenLoose.add(id) !== undefined
  let count = 0
  given.forEach((step, i) => {
    const { nodes, loose } = readStep(step, around)
    const say = (id: string): void => void twice.push({ id, step: i })
    const fresh = keepIf(nodes, isNew, (node) => say(scene.nodes[node]!.id))
    const freshLoose = keepIf(loose, isNewLoose, say)
    steps.push(fresh)
    looseParts.push(freshLoose)
    count += fresh.length + freshLoose.length
  })
  const isAdded = (id: string): boolean => seenLoose.has(id) || (!looseIds.has(id) && seen[around.indexOf.get(id)!] === 1)
  const missing = count === everything.length ? [] : everything.filter((id) => !isAdded(id))
  return { steps, looseParts, twice, missing }
}

function readStep(step: GivenStep, { read, indexOf, looseIds }: GivenSpace): ReadStep {
  let known = read.get(step)
  if (!known) {
    const ids = [...(step.add ?? []), ...(step.join ?? [])]
    const loose = ids.filter((id) => looseIds.has(id))
    const nodes = ids.filter((id) => !looseIds.has(id)).map((id) => indexOf.get(id)!)
    read.set(step, (known = { nodes, loose }))
  }
  return known
}

/** The list itself where everything passes, so that what is remembered of it holds. */
function keepIf<T>(list: readonly T[], passes: (item: T) => boolean, otherwise: (item: T) => void): readonly T[] {
  const kept = list.filter((item) => {
    const isKept = passes(item)
    if (!isKept) otherwise(item)
    return isKept
  })
  return kept.length === list.length ? list : kept
}

/** Ways in that are tried: from above, from the sides, from below. */
const WAYS_OUT = [PLUS_Z, 3, 2, 0, 1, 5] as const

/** From so many new ways in on, parts are taken out of the columns one after another; fewer are asked with all in place. */
const MANY = 200

/**
 * The way in of each node of an order: what comes later is taken away, and the node must then be free to leave. A node
 * before which the same others came as last time came in the same way.
 */
function waysIn(around: GivenSpace, order: readonly number[]): Pick<BuiltSection, 'arrives' | 'presses' | 'blocks'> {
  const { ways } = around
  const before = signaturesBefore(order)
  const fresh: number[] = []
  for (let i = 0; i < order.length; i++) if (ways[order[i]!]?.present !== before[i]) fresh.push(i)
  if (fresh.length > MANY) askTakingAway(around, order, before, fresh[0]!)
  else if (fresh.length > 0) askInPlace(around, order, before, fresh)
  const arrives = ways.map((way) => way?.arrives ?? MINUS_Z)
  const presses = new Map<number, Direction>()
  const blocks: Block[] = []
  for (let i = order.length - 1; i >= 0; i--) {
    const { press, block } = ways[order[i]!]!
    if (press !== undefined) presses.set(order[i]!, press)
    if (block) blocks.push(block)
  }
  return { arrives, presses, blocks }
}

function askTakingAway({ space, ways, scene }: GivenSpace, order: readonly number[], before: Float64Array, first: number): void {
  space.restore()
  const listed = new Set(order)
  scene.nodes.forEach((_, node) => {
    if (!listed.has(node)) space.remove(node)
  })
  for (let i = order.length - 1; i >= first; i--) {
    const node = order[i]!
    if (ways[node]?.present !== before[i]) ways[node] = wayIn(space, node, before[i]!)
    space.remove(node)
  }
}

function askInPlace({ space, ways }: GivenSpace, order: readonly number[], before: Float64Array, fresh: readonly number[]): void {
  const isThere = space.restoreLinked()
  isThere.fill(0)
  let at = 0
  for (const i of fresh) {
    for (; at <= i; at++) isThere[order[at]!] = 1
    ways[order[i]!] = wayIn(space, order[i]!, before[i]!)
  }
  isThere.fill(1)
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
