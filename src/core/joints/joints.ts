import { AGREEMENT, HOLD, type HoldKind } from '../catalogue'
import { Budget } from '../fault'
import { GrowingInts, holdOfCode, latticeConnectors, ROLE, type FreeConnector, type GripTable, type Scene } from '../scene'
import { dot, FREE_TOLERANCE, scale, subtract, type Vec } from '../space'
import { PointHash } from './point-hash'
import { findPressed } from './pressed'

/** What one pair of nodes holds to each other in one sort and one way: studs in sockets, a bar in a clip, an axle in holes. */
export interface Joint {
  readonly a: number
  readonly b: number
  /** A bit for each axis of the lattice along which it can be pulled apart; 0 where these do not lie in the lattice. */
  readonly lets: number
  /** The same as unit vectors, either sense. */
  readonly ways: readonly Vec[]
  readonly hold: HoldKind
  /** How many studs, clips, holes hold. */
  readonly studs: number
  /** How far the places of what holds lie apart at most, u: 0 in the lattice, up to the tolerance in a free pose. */
  readonly miss: number
}

export interface Joints {
  readonly list: readonly Joint[]
  readonly adjacency: Adjacency
  readonly held: HeldStuds
  readonly probes: number
}

/** Compressed rows: what holds to node n is list[start[n]] … list[start[n + 1] − 1], by the joint of the same index in `joint`. */
export interface Adjacency {
  readonly start: Int32Array
  /** The other node; one that holds along two axes comes twice. */
  readonly list: Int32Array
  readonly joint: Int32Array
}

/** Every stud in a socket, joint after joint: those of joint j are start[j] … start[j + 1] − 1. */
interface HeldStuds {
  readonly start: Int32Array
  /** Parts by index into the scene: owner of the stud, owner of the socket. */
  readonly studPart: Int32Array
  readonly socketPart: Int32Array
  /** x, y, z of each, u. */
  readonly places: Float32Array
}

const AXIS_VECTORS: readonly Vec[] = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
]

/** For each set of axes, its unit vectors. */
const WAYS: readonly (readonly Vec[])[] = Array.from({ length: 8 }, (_, bits) => AXIS_VECTORS.filter((_v, axis) => (bits >> axis) & 1))

/**
 * All joints between different nodes; @throws Fault `too-much-work` where too many connectors meet in one place. Two connectors join when their places coincide and their ways agree: equal integers in
 * the lattice, within `FREE_TOLERANCE` across a free pose. O(connectors).
 */
export function findJoints(scene: Scene): Joints {
  const hash = hashReceivers(scene.grips)
  const most = HELD + HELD_BY_GRIP * (scene.grips.count + scene.freeConnectors.length)
  const collector = new Collector(
    scene.nodes.length,
    1024,
    new Budget(most, 'holding of parts that lie in one place', 'Move apart what stands in one place.'),
  )
  joinLattice(scene.grips, hash, collector)
  joinFree(scene, collector)
  if (scene.nodes.some((node) => node.holdsPressed)) joinPressed(scene, collector)
  return collector.finish(hash.probes)
}

/** A connector holds one other as a rule: where many meet in one place, parts lie inside each other. */
const HELD_BY_GRIP = 6
const HELD = 100_000

interface Held {
  readonly node: number
  readonly part: number
}

type Freedom = Pick<Joint, 'lets' | 'ways' | 'hold'>

/** By kind of hold and set of axes: there are few, and studs by the million. */
const LATTICE_FREEDOMS = new Map<HoldKind, readonly Freedom[]>(
  Object.values(HOLD).map((hold) => [hold, WAYS.map((ways, lets) => ({ lets, ways, hold }))]),
)

const areAlike = (a: readonly Vec[], b: readonly Vec[]): boolean =>
  a.length === b.length && a.every((way, i) => Math.abs(dot(way, b[i]!)) > AGREES)

/** Gathers what holds, one joint a pair of nodes, sort and set of ways. */
class Collector {
  /** Of each pair of nodes, the last joint found; from each joint the one before it of the same pair, −1 for none. */
  private readonly lastOf = new Map<number, number>()
  private readonly before = new GrowingInts()
  private readonly joints: { a: number; b: number; lets: number; ways: readonly Vec[]; hold: HoldKind; studs: number; miss: number }[] = []
  private readonly jointOf = new GrowingInts()
  private readonly studPart = new GrowingInts()
  private readonly socketPart = new GrowingInts()
  /** Single precision: exact in the lattice, and far within the tolerance elsewhere. */
  private places: Float32Array

  /** @param expected how many studs are gathered, about */
  constructor(
    private readonly nodeCount: number,
    expected: number,
    private readonly budget?: Budget,
  ) {
    this.places = new Float32Array(expected * 3 + 3)
  }

  // eslint-disable-next-line max-params -- runs for every stud of a model
  add(gives: Held, receives: Held, freedom: Freedom, x: number, y: number, z: number, miss = 0): void {
    this.budget?.spend()
    if (gives.node === receives.node) return
    const joint = this.jointFor(Math.min(gives.node, receives.node), Math.max(gives.node, receives.node), freedom)
    this.joints[joint]!.studs++
    if (miss > this.joints[joint]!.miss) this.joints[joint]!.miss = miss
    const at = this.jointOf.length * 3
    if (at + 3 > this.places.length) {
      const larger = new Float32Array(this.places.length * 2)
      larger.set(this.places)
      this.places = larger
    }
    this.places[at] = x
    this.places[at + 1] = y
    this.places[at + 2] = z
    this.jointOf.push(joint)
    this.studPart.push(gives.part)
    this.socketPart.push(receives.part)
  }

  private jointFor(a: number, b: number, { lets, ways, hold }: Freedom): number {
    const key = a * this.nodeCount + b
    const last = this.lastOf.get(key) ?? -1
    for (let index = last; index >= 0; index = this.before.data[index]!) {
      const joint = this.joints[index]!
      if (joint.lets === lets && joint.hold === hold && (lets !== 0 || areAlike(joint.ways, ways))) return index
    }
    this.before.push(last)
    this.lastOf.set(key, this.joints.length)
    return this.joints.push({ a, b, lets, ways, hold, studs: 0, miss: 0 }) - 1
  }

  finish(probes: number): Joints {
    return { list: this.joints, adjacency: adjacencyOf(this.joints, this.nodeCount), held: this.heldStuds(), probes }
  }

  private heldStuds(): HeldStuds {
    const count = this.jointOf.length
    const jointOf = this.jointOf.take()
    const start = new Int32Array(this.joints.length + 1)
    this.joints.forEach((joint, i) => {
      start[i + 1] = start[i]! + joint.studs
    })
    const fill = start.slice()
    const held = { start, studPart: new Int32Array(count), socketPart: new Int32Array(count), places: new Float32Array(count * 3) }
    for (let i = 0; i < count; i++) {
      const at = fill[jointOf[i]!]!++
      held.studPart[at] = this.studPart.data[i]!
      held.socketPart[at] = this.socketPart.data[i]!
      for (let k = 0; k < 3; k++) held.places[at * 3 + k] = this.places[i * 3 + k]!
    }
    return held
  }
}

function adjacencyOf(joints: readonly Joint[], nodes: number): Adjacency {
  const start = new Int32Array(nodes + 1)
  for (const { a, b } of joints) {
    start[a + 1]!++
    start[b + 1]!++
  }
  for (let i = 0; i < nodes; i++) start[i + 1]! += start[i]!
  const fill = start.slice()
  const list = new Int32Array(joints.length * 2)
  const joint = new Int32Array(joints.length * 2)
  joints.forEach(({ a, b }, i) => {
    joint[fill[a]!] = i
    list[fill[a]!++] = b
    joint[fill[b]!] = i
    list[fill[b]!++] = a
  })
  return { start, list, joint }
}

/** The joints between nodes some of which were drawn together; what now lies inside one node is no joint. */
export function contractJoints(joints: Joints, newOf: Int32Array, nodeCount: number): Joints {
  const { start, studPart, socketPart, places } = joints.held
  const collector = new Collector(nodeCount, studPart.length)
  joints.list.forEach((old, joint) => {
    const [first, second] = [newOf[old.a]!, newOf[old.b]!]
    for (let i = start[joint]!; i < start[joint + 1]!; i++) {
      const [gives, receives] = [
        { node: first, part: studPart[i]! },
        { node: second, part: socketPart[i]! },
      ]
      collector.add(gives, receives, old, places[i * 3]!, places[i * 3 + 1]!, places[i * 3 + 2]!, old.miss)
    }
  })
  return collector.finish(joints.probes)
}

/** Where the studs of a joint stand, u. */
export function placesOf(joints: Joints, joint: number): Vec[] {
  const { start, places } = joints.held
  const found: Vec[] = []
  for (let i = start[joint]!; i < start[joint + 1]!; i++) found.push([places[i * 3]!, places[i * 3 + 1]!, places[i * 3 + 2]!])
  return found
}

function hashReceivers(table: GripTable): PointHash {
  let count = 0
  for (let i = 0; i < table.count; i++) if (table.role[i] === ROLE.receives) count++
  const hash = new PointHash(table, count)
  for (let i = 0; i < table.count; i++) if (table.role[i] === ROLE.receives) hash.put(i)
  return hash
}

function joinLattice(table: GripTable, receivers: PointHash, into: Collector): void {
  const { at, code, role, lets, node, part } = table
  for (let i = 0; i < table.count; i++) {
    if (role[i] === ROLE.receives) continue
    const x = at[i * 3]!
    const y = at[i * 3 + 1]!
    const z = at[i * 3 + 2]!
    let found = receivers.first(x, y, z, code[i]!)
    if (found < 0) continue
    const gives = { node: node[i]!, part: part[i]! }
    const freedoms = LATTICE_FREEDOMS.get(holdOfCode(code[i]!))!
    for (; found >= 0; found = receivers.next[found]!) {
      const receives = { node: node[found]!, part: part[found]! }
      into.add(gives, receives, freedoms[lets[found]!]!, x, y, z)
    }
  }
}

/** Plates on edge, where they are held by the studs on both their sides: they come out upward. */
function joinPressed(scene: Scene, into: Collector): void {
  const upward = LATTICE_FREEDOMS.get(HOLD.press)![UPWARD]!
  const held = (part: number): Held => ({ node: scene.partNode[part]!, part })
  for (const { edge, studs, at } of findPressed(scene)) for (const stud of studs) into.add(held(stud), held(edge), upward, ...at)
}

/** The set of axes that holds only that from below to above. */
const UPWARD = 1 << 2

/** Cosine above which two axes count as one: about half a degree. */
const AGREES = 0.99996

/** Free connectors against all: buckets of 1 u, looking into the neighbours that the tolerance can reach. */
function joinFree(scene: Scene, into: Collector): void {
  if (scene.freeConnectors.length === 0) return
  const all: FreeConnector[] = [...scene.freeConnectors, ...latticeConnectors(scene.grips)]
  const buckets = new Map<string, FreeConnector[]>()
  for (const connector of all) {
    if (connector.gives) continue
    const key = connector.at.map(Math.floor).join()
    const bucket = buckets.get(key)
    if (bucket) bucket.push(connector)
    else buckets.set(key, [connector])
  }
  const isFree = new Set(scene.freeConnectors)
  for (const gives of all) {
    if (!gives.gives) continue
    for (const key of reachableBuckets(gives.at)) {
      for (const receives of buckets.get(key) ?? []) {
        if (!isFree.has(gives) && !isFree.has(receives)) continue
        const miss = missOf(gives, receives)
        if (miss !== undefined) into.add(gives, receives, freedomOf(receives), ...gives.at, miss)
      }
    }
  }
}

/** How far two connectors miss each other, u; undefined when they do not join. Along its axis a bar is held anywhere, also between two whole u. */
function missOf(gives: FreeConnector, receives: FreeConnector): number | undefined {
  if (gives.hold !== receives.hold) return undefined
  const agreement = AGREEMENT[gives.hold]!
  if (agreement === 'facing' && dot(gives.way, receives.way) > -AGREES) return undefined
  if (agreement === 'axis' && Math.abs(dot(gives.way, receives.way)) < AGREES) return undefined
  const apart = subtract(receives.at, gives.at)
  const along = agreement === 'axis' ? dot(apart, gives.way) : 0
  const across = subtract(apart, scale(gives.way, along))
  const miss = Math.hypot(...across)
  return Math.abs(along) <= HALF_STEP && miss <= FREE_TOLERANCE ? miss : undefined
}

/** Half the distance between two places of a bar, u; the later of two equally near is not asked for again. */
const HALF_STEP = 0.5
/** No two that join lie farther apart, u. */
const REACH = Math.hypot(HALF_STEP, FREE_TOLERANCE)

function freedomOf({ lets, hold }: FreeConnector): Freedom {
  const axes = lets.map((way) => AXIS_VECTORS.findIndex((axis) => Math.abs(dot(axis, way)) > AGREES))
  if (axes.includes(-1)) return { lets: 0, ways: lets, hold }
  const bits = axes.reduce((sum, axis) => sum | (1 << axis), 0)
  return { lets: bits, ways: WAYS[bits]!, hold }
}

/** The buckets that a ball of the tolerance around a place touches: one as a rule, up to eight. */
function reachableBuckets(at: Vec): Set<string> {
  const keys = new Set<string>()
  const low = at.map((value) => Math.floor(value - REACH))
  const high = at.map((value) => Math.floor(value + REACH))
  for (let x = low[0]!; x <= high[0]!; x++)
    for (let y = low[1]!; y <= high[1]!; y++) for (let z = low[2]!; z <= high[2]!; z++) keys.add([x, y, z].join())
  return keys
}
