import { findJoints, jointsOf, type Joints } from '../joints'
import { copiesOf, isLoose, isSameList, partsOf, restsOn, type Flattener, type GivenStep, type ModelDocument, type Section } from '../model'
import { pressBlocker, PRESSES, reverseTravel, SpaceLeft, waysAlong, type Travel } from '../motion'
import { buildScene, sectionNodes, type Scene } from '../scene'
import { MINUS_Z, NO_TURN, PLUS_Z, turnFromText, type Direction, type Turn } from '../space'
import type { BuiltSection } from './built'
import { carryOver } from './carry-over'
import { followHolding } from './holding'
import { orderSets, type OrderSets, type Signature } from './signature'
import type { Block } from './types'

/** How a node comes in past those that are there. */
interface WayIn {
  readonly arrives: Travel
  readonly press?: Direction
  readonly block?: Block
}

/** The ways in of all nodes when they were followed last. */
interface Ways {
  /** The others that were there then, as a signature; −1 where it was not asked yet. */
  readonly present: Float64Array
  readonly arrives: Travel[]
  readonly presses: Map<number, Direction>
  readonly blocks: Map<number, Block>
  /** `arrives` as it was given away last, as long as it is the same. */
  given: readonly Travel[] | undefined
}

/** A section's nodes in space, in the order of the document: the same whatever its steps say. */
interface GivenSpace {
  readonly scene: Scene
  readonly joints: Joints
  /** Made when it is asked who is in the way. */
  readonly space: SpaceLeft
  readonly indexOf: ReadonlyMap<string, number>
  readonly looseIds: ReadonlySet<string>
  /** Parts and copies, loose ones included. */
  readonly everything: readonly string[]
  readonly ways: Ways
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
  private readonly planned = new Map<string, BuiltSection>()

  /** A section as the program planned it: when its steps become given, what was found out about them is not asked again. */
  keepPlanned(built: BuiltSection): void {
    this.planned.set(built.id, built)
  }

  of(model: ModelDocument, flattener: Flattener, section: Section): GivenSpace {
    const key = restsOn(model, section)
    const entry = this.known.get(section.id)
    if (entry && isSameList(entry.key, key)) return entry.space
    const space = makeSpace(model, flattener, section, this.planned.get(section.id))
    this.planned.delete(section.id)
    this.known.set(section.id, { key, space })
    return space
  }
}

function makeSpace(model: ModelDocument, flattener: Flattener, section: Section, planned?: BuiltSection): GivenSpace {
  const specs = sectionNodes(model, flattener, section.id)
  const carried = planned && carryOver(planned, specs)
  const scene = carried ?? buildScene(specs)
  const joints = carried ? planned.joints : findJoints(scene)
  let space: SpaceLeft | undefined
  return {
    scene,
    joints,
    get space() {
      return (space ??= new SpaceLeft(scene, joints))
    },
    indexOf: new Map(scene.nodes.map((spec, node) => [spec.id, node])),
    looseIds: new Set(
      partsOf(section)
        .filter(isLoose)
        .map((part) => part.id),
    ),
    everything: [...partsOf(section), ...copiesOf(section)].map((entry) => entry.id),
    read: new WeakMap(),
    ways: noWays(scene),
  }
}

const noWays = ({ nodes }: Scene): Ways => ({
  present: new Float64Array(nodes.length).fill(-1),
  arrives: nodes.map(() => MINUS_Z),
  presses: new Map(),
  blocks: new Map(),
  given: undefined,
})

/** Keeps given steps as they are and finds the way each part came in, past what was there before it. */
export function followGiven(
  model: ModelDocument,
  flattener: Flattener,
  section: Section & { readonly steps: readonly GivenStep[] },
  spaces = new GivenSpaces(),
): BuiltSection {
  const given = section.steps
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
    ...waysIn(around, orderSets(listed.steps)),
    holding: followHolding(scene, joints, listed.steps),
    orientations: givenOrientations(given),
  }
}

/** A turn holds from its step on. */
function givenOrientations(given: readonly GivenStep[]): Turn[] {
  let orientation: Turn = NO_TURN
  return given.map(({ turn }) => (orientation = turn === undefined ? orientation : turnFromText(turn)!))
}

function listSteps(given: readonly GivenStep[], around: GivenSpace) {
  const { scene, looseIds, everything } = around
  const seen = new Uint8Array(scene.nodes.length)
  const seenLoose = new Set<string>()
  const twice: { id: string; step: number }[] = []
  const steps: (readonly number[])[] = []
  const looseParts: (readonly string[])[] = []
  let count = 0
  for (let i = 0; i < given.length; i++) {
    const { nodes, loose } = readStep(given[i]!, around)
    const isFresh = nodes.every((node) => seen[node] === 0)
    const fresh = isFresh ? nodes : nodes.filter((node, k) => seen[node] === 0 && nodes.indexOf(node) === k)
    const freshLoose = loose.some((id) => seenLoose.has(id)) ? loose.filter((id) => !seenLoose.has(id)) : loose
    if (fresh !== nodes) for (const node of nodes) if (!fresh.includes(node)) twice.push({ id: scene.nodes[node]!.id, step: i })
    if (freshLoose !== loose) for (const id of loose) if (seenLoose.has(id)) twice.push({ id, step: i })
    for (const node of nodes) seen[node] = 1
    for (const id of loose) seenLoose.add(id)
    steps.push(fresh)
    looseParts.push(freshLoose)
    count += fresh.length + freshLoose.length
  }
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

/** Ways in that are tried: from above, from the sides, from below. */
const WAYS_OUT = [PLUS_Z, 3, 2, 0, 1, 5] as const

/** From so many new ways in on, parts are taken out of the columns one after another; fewer are asked with all in place. */
const MANY = 200

/**
 * The way in of each node of an order: what comes later is taken away, and the node must then be free to leave. A node
 * before which the same others came as last time came in the same way.
 */
function waysIn(around: GivenSpace, { order, before }: OrderSets): Pick<BuiltSection, 'arrives' | 'presses' | 'blocks'> {
  const { ways } = around
  const fresh: number[] = []
  for (let i = 0; i < order.length; i++) if (ways.present[order[i]!] !== before[i]) fresh.push(i)
  if (fresh.length > MANY) askTakingAway(around, order, before, fresh[0]!)
  else if (fresh.length > 0) askInPlace(around, order, before, fresh)
  const isListed = ways.presses.size + ways.blocks.size === 0 ? undefined : new Map([...order].map((node, i) => [node, i]))
  const blocks = [...ways.blocks.values()].filter(({ node }) => isListed!.has(node))
  return {
    arrives: (ways.given ??= ways.arrives.slice()),
    presses: new Map([...ways.presses].filter(([node]) => isListed!.has(node))),
    blocks: blocks.sort((a, b) => isListed!.get(b.node)! - isListed!.get(a.node)!),
  }
}

function askTakingAway({ space, ways, scene }: GivenSpace, order: Int32Array, before: Float64Array, first: number): void {
  space.restore()
  const listed = new Set(order)
  scene.nodes.forEach((_, node) => {
    if (!listed.has(node)) space.remove(node)
  })
  for (let i = order.length - 1; i >= first; i--) {
    const node = order[i]!
    if (ways.present[node] !== before[i]) keepWay(ways, node, before[i]!, wayIn(space, node))
    space.remove(node)
  }
}

function askInPlace({ space, ways }: GivenSpace, order: Int32Array, before: Float64Array, fresh: readonly number[]): void {
  space.withPresence((isThere) => {
    isThere.fill(0)
    let at = 0
    for (const i of fresh) {
      for (; at <= i; at++) isThere[order[at]!] = 1
      keepWay(ways, order[i]!, before[i]!, wayIn(space, order[i]!))
    }
  })
}

function keepWay(ways: Ways, node: number, present: Signature, { arrives, press, block }: WayIn): void {
  ways.present[node] = present
  if (ways.arrives[node] !== arrives) ways.given = undefined
  ways.arrives[node] = arrives
  if (press === undefined) ways.presses.delete(node)
  else ways.presses.set(node, press)
  if (block === undefined) ways.blocks.delete(node)
  else ways.blocks.set(node, block)
}

function wayIn(space: SpaceLeft, node: number): WayIn {
  const tried = waysOut(space, node).map((travel) => ({ travel, by: space.blocker(node, travel) }))
  const free = tried.find(({ by }) => by < 0)
  if (free) return { arrives: reverseTravel(free.travel) }
  const pressed =
    space.scene.freeBodies.length > 0 ? undefined : PRESSES.find(({ out, press }) => pressBlocker(space, node, out, press) < 0)
  if (pressed) return { arrives: reverseTravel(pressed.out), press: pressed.press }
  return { arrives: MINUS_Z, block: { node, blockers: tried } }
}

function waysOut(space: SpaceLeft, node: number): readonly Travel[] {
  const free = jointsOf(space.joints, node).find((joint) => joint.lets === 0)
  return free ? waysAlong(free) : WAYS_OUT
}
