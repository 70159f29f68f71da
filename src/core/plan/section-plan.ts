import { contractJoints, findJoints, neighboursOf, type Joints } from '../joints'
import { isLoose, partsOf, sectionById, type Flattener, type ModelDocument, type Section } from '../model'
import { reverseTravel, SpaceLeft, travelVector, type Pressed, type Travel } from '../motion'
import { buildScene, contractScene, sectionNodes, type NodeSpec, type Scene } from '../scene'
import { axisOf, MINUS_Z, PLUS_Z, type Direction } from '../space'
import type { BuiltSection } from './built'
import { derivedName } from './derived-name'
import { derivedId } from './derived-sections'
import { followGiven, type GivenSpaces } from './given'
import { followHolding } from './holding'
import { peelExactly } from './exact-peel'
import { Peeler, type Removal } from './peel'
import { orientationsOfSteps } from './orientation'
import { findLocks, type FoundLocks } from './locks'
import { nodeFacts } from './node-facts'
import { findPrecedence } from './precede'
import { schedule, type Frame, type Starters, type VisibilityConstraint } from './schedule'
import { searchSchedule, type SearchOptions } from './search'
import { removalsOfKept, nodesOfSteps, obeys } from './kept-order'
import type { Block, SectionPlan, StepLimits } from './types'

export interface SectionOptions extends SearchOptions {
  readonly progress?: (done: number, all: number) => void
  /** Where given steps were followed before: kept between edits. */
  readonly spaces?: GivenSpaces
  /** The section's steps as they were shown before, derived sections included: followed where they still fit, not planned anew. */
  readonly kept?: readonly SectionPlan[]
}

/** Plans one section of the document: its given steps where it has some, or the program's. Derived sections come first. */
export function buildSection(model: ModelDocument, flattener: Flattener, sectionId: string, options: SectionOptions): BuiltSection[] {
  const section = sectionById(model, sectionId)
  if (section.steps && !section.planRest) return [followGiven(model, flattener, { ...section, steps: section.steps }, options.spaces)]
  const specs = sectionNodes(model, flattener, sectionId)
  const identity: Identity = { id: sectionId, name: section.name, base: sectionId, derivedFrom: undefined }
  const { kept, ...afresh } = options
  const task = (): Task => ({ identity, specs, counter: { next: 1 }, section })
  const followed = kept && planNodes(task(), options)
  const built = followed ?? planNodes(task(), afresh)!
  const own = built[built.length - 1]!
  const loose = looseSteps(model, sectionId, options.limits)
  return [...built.slice(0, -1), { ...own, looseParts: [...own.steps.map(() => []), ...loose] }]
}

/** Share of the progress that taking apart is told as, where a search follows. */
const PEEL_SHARE = 0.2

interface Identity {
  readonly id: string
  readonly name: string
  readonly base: string
  readonly derivedFrom: string | undefined
}

/** What is planned: some nodes of a section of the document. */
interface Task {
  readonly identity: Identity
  readonly specs: readonly NodeSpec[]
  /** Numbers the derived sections of the whole section. */
  readonly counter: { next: number }
  /** Whose locked steps stay as they are. */
  readonly section?: Section
}

/**
 * Peels, turns units into derived sections of their own, then schedules what is left; or does all that as it was kept.
 * @returns undefined where there is a kept order that does not fit
 */
function planNodes(task: Task, options: SectionOptions): BuiltSection[] | undefined {
  const { identity, specs, section } = task
  const plan = options.kept?.find(({ id }) => id === identity.id)
  const keptRemovals = plan && removalsOfKept(plan, options.kept!, specs)
  if (options.kept && !keptRemovals) return undefined
  const space = spaceOfNodes(specs)
  const peelShare = options.effort ? PEEL_SHARE : 1
  const removals = keptRemovals ?? peelWell(space, (done, all) => options.progress?.(done * peelShare, all))
  const units = deriveUnits(task, removals, options)
  if (!units) return undefined
  const whole = contractUnits(space, units, removals)
  const { scene, joints } = whole
  const { frame, leaving, presses, lost } = frameOf(whole, units, removals, section)
  const keptSteps = plan && nodesOfSteps(plan, scene)
  if (keptSteps && !obeys(keptSteps, frame)) return undefined
  const { weights, steps } = keptSteps
    ? { weights: undefined, steps: keptSteps }
    : searchSchedule(frame, { ...options, tried: (fraction) => options.progress?.(peelShare + (1 - peelShare) * fraction, 1) })
  const arrives = leaving.map((travel) => (travel === undefined ? MINUS_Z : reverseTravel(travel)))
  const holding = followHolding(scene, joints, steps)
  const built: BuiltSection = {
    ...identity,
    frame,
    ...(weights ? { weights } : {}),
    isKept: keptSteps !== undefined,
    scene,
    joints,
    steps,
    arrives,
    presses,
    blocks: removals.flatMap(({ block }) => (block ? [renumber(block, specs, units.contracted)] : [])),
    holding,
    orientations: orientationsOfSteps({ steps, arrives, holding }),
    looseParts: [],
    missing: [],
    twice: [],
    lostLocks: lost,
  }
  return [...units.derived, built]
}

/** All nodes in place. Nobody else holds the tables: they are large, and are drawn together in place. */
function spaceOfNodes(specs: readonly NodeSpec[]): SpaceLeft {
  const scene = buildScene(specs)
  return new SpaceLeft(scene, findJoints(scene))
}

/** The nodes of the final scene, after units became one node each. */
interface Units {
  /** The planned units, those inside others first. */
  readonly derived: readonly BuiltSection[]
  readonly contracted: readonly NodeSpec[]
  /** For each removal, in the order of the peel, its node among them. */
  readonly removalNodes: Int32Array
}

/** @returns undefined where a unit was kept in an order that does not fit */
function deriveUnits({ identity, specs, counter }: Task, removals: readonly Removal[], options: SectionOptions): Units | undefined {
  const derived: BuiltSection[] = []
  const contracted: NodeSpec[] = []
  const removalNodes = new Int32Array(removals.length)
  const rank = new Map(removals.map((removal, i) => [removal, i]))
  // In the order of the document, so that equal choices fall the same way with and without units.
  for (const removal of [...removals].sort((a, b) => Math.min(...a.nodes) - Math.min(...b.nodes))) {
    removalNodes[rank.get(removal)!] = contracted.length
    if (!isUnit(removal)) {
      contracted.push(specs[removal.nodes[0]!]!)
      continue
    }
    const inner = [...removal.nodes].sort((a, b) => a - b).map((node) => specs[node]!)
    const id = removal.unit ?? derivedId(identity.base, counter.next++)
    const unit: Identity = { id, name: derivedName(identity.name, identity.base, id), base: identity.base, derivedFrom: identity.id }
    const built = planNodes({ identity: unit, specs: inner, counter }, options)
    if (!built) return undefined
    derived.push(...built)
    contracted.push({ id, kind: 'derived', source: id, parts: inner.flatMap((spec) => spec.parts) })
  }
  return { derived, contracted, removalNodes }
}

/** The space with units drawn together, all there. */
function contractUnits(space: SpaceLeft, { contracted, removalNodes }: Units, removals: readonly Removal[]): SpaceLeft {
  if (!removals.some(isUnit)) {
    space.restore()
    return space
  }
  const newOf = new Int32Array(space.scene.nodes.length)
  removals.forEach((removal, i) => removal.nodes.forEach((node) => (newOf[node] = removalNodes[i]!)))
  const scene = contractScene(space.scene, contracted, newOf)
  return space.contract(scene, contractJoints(space.joints, newOf, contracted.length), newOf)
}

/** What the schedule must keep, and how each node leaves. */
function frameOf(space: SpaceLeft, { removalNodes, contracted }: Units, removals: readonly Removal[], section: Section | undefined) {
  const { scene, joints } = space
  const leaving = new Array<Travel | undefined>(contracted.length).fill(undefined)
  const pressed: Pressed[] = []
  removals.forEach(({ travel, press, block }, i) => {
    const node = removalNodes[i]!
    if (press !== undefined) pressed.push({ node, out: travel as Direction, press })
    else if (!block) leaving[node] = travel
  })
  // In the order of the document, as everything that may be equal.
  pressed.sort((a, b) => a.node - b.node)
  const order = findPrecedence(space, leaving, pressed)
  const presses = new Map(pressed.map(({ node, press }) => [node, press]))
  for (const { node, out } of pressed) leaving[node] = out
  const { locks, lost }: FoundLocks = section ? findLocks(section, scene, order) : { locks: undefined, lost: [] }
  const frame: Frame = {
    scene,
    joints,
    order,
    starters: findStarters(scene, joints, removalNodes),
    isSideways: Uint8Array.from(leaving, (travel) => (typeof travel === 'number' && axisOf(travel) !== 2 ? 1 : 0)),
    ways: waysOf(leaving),
    facts: nodeFacts(scene, joints.adjacency),
    ...(locks ? { locks } : {}),
  }
  return { frame, leaving, presses, lost }
}

/** Of each node a number of the way it goes; what was taken by force is put in from above. */
function waysOf(leaving: readonly (Travel | undefined)[]): Int32Array {
  const known = new Map<string, number>()
  return Int32Array.from(leaving, (travel) => {
    const key = travelVector(travel ?? PLUS_Z).join()
    const way = known.get(key) ?? known.size
    known.set(key, way)
    return way
  })
}

const isUnit = ({ nodes, unit }: Removal): boolean => nodes.length > 1 || unit !== undefined

/** The greedy peel never goes back; in a small section all orders are tried before anything is called a unit or interlocking. */
export function peelWell(space: SpaceLeft, progress: (done: number, all: number) => void): readonly Removal[] {
  const greedy = new Peeler(space, progress).run()
  const isDoubtful = greedy.some(({ nodes, isHanging, block }) => (nodes.length > 1 && isHanging !== true) || block !== undefined)
  return (isDoubtful && peelExactly(space)) || greedy
}

/** The same section with its steps laid anew, so that visibility constraints hold as far as they can. */
export function layAgain(
  built: BuiltSection,
  visibilityConstraints: readonly VisibilityConstraint[],
  options: SectionOptions,
): BuiltSection {
  if (!built.frame) return built
  const steps = schedule(built.frame, {
    limits: options.limits,
    visibilityConstraints,
    ...(built.weights ? { weights: built.weights } : {}),
  })
  const holding = followHolding(built.scene, built.joints, steps)
  const loose = built.looseParts.filter((ids) => ids.length > 0)
  return {
    ...built,
    steps,
    holding,
    orientations: orientationsOfSteps({ steps, arrives: built.arrives, holding }),
    looseParts: loose.length === 0 ? [] : [...steps.map(() => []), ...loose],
  }
}

/** Reads the peel backwards: what came with nothing there to hold it began a group on the table. */
function findStarters(scene: Scene, joints: Joints, removalNodes: Int32Array): Starters {
  const present = new Uint8Array(scene.nodes.length)
  const isStarter = new Uint8Array(scene.nodes.length)
  for (let i = removalNodes.length - 1; i >= 0; i--) {
    const node = removalNodes[i]!
    if (!neighboursOf(joints, node).some((other) => present[other] === 1)) isStarter[node] = 1
    present[node] = 1
  }
  const first = removalNodes[removalNodes.length - 1]
  return { isStarter, firstPlane: first === undefined ? 0 : scene.nodeBoxes[first]!.min[2] }
}

/** Blocks name nodes of the scene before units were drawn together; blockers inside a unit are left out. */
function renumber(block: Block, specs: readonly NodeSpec[], contracted: readonly NodeSpec[]): Block {
  const index = new Map(contracted.map((spec, node) => [spec, node]))
  const blockers = block.blockers.flatMap(({ travel, by }) => {
    const now = index.get(specs[by]!)
    return now === undefined ? [] : [{ travel, by: now }]
  })
  const all = (nodes: readonly number[]): number[] => nodes.flatMap((node) => index.get(specs[node]!) ?? [])
  const interlocking = block.interlocking && { core: all(block.interlocking.core), keys: all(block.interlocking.keys) }
  return { node: index.get(specs[block.node]!)!, blockers, ...(interlocking ? { interlocking } : {}) }
}

/** Loose parts have no place: they come last, as many a step as the limits allow. */
function looseSteps(model: ModelDocument, sectionId: string, limits: StepLimits): string[][] {
  const steps: string[][] = []
  let kinds = new Set<string>()
  for (const part of partsOf(sectionById(model, sectionId))) {
    if (!isLoose(part)) continue
    const piece = `${part.shape} ${part.colour}`
    const open = steps[steps.length - 1]
    if (open && open.length < limits.parts && (kinds.has(piece) || kinds.size < limits.kinds)) {
      open.push(part.id)
      kinds.add(piece)
    } else {
      steps.push([part.id])
      kinds = new Set([piece])
    }
  }
  return steps
}
