import { contractJoints, findJoints, neighboursOf, type Joints } from '../joints'
import { isLoose, partsOf, sectionById, type Flattener, type ModelDocument, type Section } from '../model'
import { reverseTravel, SpaceLeft, type Travel } from '../motion'
import { buildScene, contractScene, sectionNodes, type NodeSpec, type Scene } from '../scene'
import { axisOf, MINUS_Z, type Direction } from '../space'
import type { BuiltSection } from './built'
import { derivedId, derivedName } from './derived-sections'
import { followGiven, type GivenSpaces } from './given'
import { followHolding } from './holding'
import { peelExactly } from './exact-peel'
import { Peeler, type Removal } from './peel'
import { orientationsOfSteps } from './orientation'
import { findLocks, type FoundLocks } from './locks'
import { nodeFacts } from './node-facts'
import { findPrecedence, type Pressed } from './precede'
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
  if (section.steps && !section.planRest) return [followGiven(model, flattener, section, section.steps, options.spaces)]
  const specs = sectionNodes(model, flattener, sectionId)
  const identity: Identity = { id: sectionId, name: section.name, base: sectionId, derivedFrom: undefined }
  const { kept, ...afresh } = options
  const followed = kept && planNodes(identity, specs, { next: 1 }, options, section)
  const built = followed ?? planNodes(identity, specs, { next: 1 }, afresh, section)!
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

/**
 * Peels, turns units into derived sections of their own, then schedules what is left; or does all that as it was kept.
 * @param section whose locked steps stay as they are
 * @returns undefined where there is a kept order that does not fit
 */
function planNodes(
  identity: Identity,
  specs: readonly NodeSpec[],
  counter: { next: number },
  options: SectionOptions,
  section?: Section,
): BuiltSection[] | undefined {
  const plan = options.kept?.find(({ id }) => id === identity.id)
  const keptRemovals = plan && removalsOfKept(plan, options.kept!, specs)
  if (options.kept && !keptRemovals) return undefined
  let scene = buildScene(specs)
  let joints = findJoints(scene)
  let space = new SpaceLeft(scene, joints)
  const peelShare = options.effort ? PEEL_SHARE : 1
  const removals = keptRemovals ?? peelWell(space, (done, all) => options.progress?.(done * peelShare, all))
  const derived: BuiltSection[] = []
  const contracted: NodeSpec[] = []
  const leaving: (Travel | undefined)[] = []
  const pressed: Pressed[] = []
  /** For each leave, in the order of the peel, its node in the final scene. */
  const removalNodes = new Int32Array(removals.length)
  const rank = new Map(removals.map((removal, i) => [removal, i]))
  // In the order of the document, so that equal choices fall the same way with and without units.
  for (const removal of [...removals].sort((a, b) => Math.min(...a.nodes) - Math.min(...b.nodes))) {
    removalNodes[rank.get(removal)!] = leaving.length
    if (removal.press !== undefined) pressed.push({ node: leaving.length, out: removal.travel as Direction, press: removal.press })
    leaving.push(removal.block || removal.press !== undefined ? undefined : removal.travel)
    const spec = isUnit(removal) ? derive(removal) : specs[removal.nodes[0]!]!
    if (!spec) return undefined
    contracted.push(spec)
  }

  function derive(removal: Removal): NodeSpec | undefined {
    const inner = [...removal.nodes].sort((a, b) => a - b).map((node) => specs[node]!)
    const id = removal.unit ?? derivedId(identity.base, counter.next++)
    const name = derivedName(identity.name, identity.base, id)
    const built = planNodes({ id, name, base: identity.base, derivedFrom: identity.id }, inner, counter, options)
    derived.push(...(built ?? []))
    return built && { id, kind: 'derived', source: id, parts: inner.flatMap((spec) => spec.parts) }
  }

  const hasUnits = removals.some(isUnit)
  const newOf = new Int32Array(specs.length)
  removals.forEach((removal, i) => removal.nodes.forEach((node) => (newOf[node] = removalNodes[i]!)))
  if (hasUnits) {
    // Nothing keeps the old tables: they are large.
    scene = contractScene(scene, contracted, newOf)
    joints = contractJoints(joints, newOf, contracted.length)
    space = space.contract(scene, joints, newOf)
  } else space.restore()
  const precedence = findPrecedence(space, leaving, pressed)
  const index = new Map(contracted.map((spec, node) => [spec, node]))
  const starters = findStarters(scene, joints, removalNodes)
  const presses = new Map(pressed.map(({ node, press }) => [node, press]))
  for (const { node, out } of pressed) leaving[node] = out
  const isSideways = Uint8Array.from(leaving, (travel) => (typeof travel === 'number' && axisOf(travel) !== 2 ? 1 : 0))
  const { locks, lost }: FoundLocks = section ? findLocks(section, scene, precedence) : { locks: undefined, lost: [] }
  const frame: Frame = {
    scene,
    joints,
    order: precedence,
    starters,
    isSideways,
    facts: nodeFacts(scene, joints.adjacency),
    ...(locks ? { locks } : {}),
  }
  const keptSteps = plan && nodesOfSteps(plan, scene)
  if (keptSteps && !obeys(keptSteps, frame)) return undefined
  const { weights, steps } = keptSteps
    ? { weights: undefined, steps: keptSteps }
    : searchSchedule(frame, { ...options, tried: (fraction) => options.progress?.(peelShare + (1 - peelShare) * fraction, 1) })
  const arrives = leaving.map((travel) => (travel === undefined ? MINUS_Z : reverseTravel(travel)))
  const holding = followHolding(scene, joints, steps)
  const blocks = removals.flatMap(({ block }) => (block ? [renumber(block, specs, index)] : []))
  return [
    ...derived,
    {
      ...identity,
      frame,
      ...(weights ? { weights } : {}),
      isKept: keptSteps !== undefined,
      scene,
      joints,
      steps,
      arrives,
      presses,
      blocks,
      holding,
      orientations: orientationsOfSteps({ steps, arrives, holding }),
      looseParts: [],
      missing: [],
      twice: [],
      lostLocks: lost,
    },
  ]
}

const isUnit = ({ nodes, unit }: Removal): boolean => nodes.length > 1 || unit !== undefined

/** The greedy peel never goes back; in a small section all orders are tried before anything is called a unit or interlocking. */
function peelWell(space: SpaceLeft, progress: (done: number, all: number) => void): readonly Removal[] {
  const greedy = new Peeler(space, progress).run()
  const isDoubtful = greedy.some((removal) => removal.nodes.length > 1 || removal.block !== undefined)
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
function renumber(block: Block, specs: readonly NodeSpec[], index: ReadonlyMap<NodeSpec, number>): Block {
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
