import { GrowingInts, type ConnectorTable, type FreeConnector, type Scene } from '../scene'
import { DIRECTION_VECTORS, dot, FREE_TOLERANCE, length, opposite, subtract, type Direction, type Vec } from '../space'
import { PointHash } from './point-hash'

/** Axis index of a joint whose axis is not one of the lattice's; its vector stands in `vector`. */
export const FREE_AXIS = 3

/** What one pair of nodes holds to each other along one axis: studs in sockets that can only be pulled along it. */
export interface Joint {
  readonly a: number
  readonly b: number
  /** 0–2 for x, y, z; `FREE_AXIS` otherwise. */
  readonly axis: number
  readonly vector: Vec
  /** How many studs hold. */
  readonly studs: number
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
export interface HeldStuds {
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

/**
 * All stud–socket joints between different nodes. Two connectors join when their places coincide and they face each other:
 * equal integers in the lattice, within `FREE_TOLERANCE` across a free pose. O(connectors).
 */
export function findJoints(scene: Scene): Joints {
  const hash = hashSockets(scene.connectors)
  const collector = new Collector(scene.nodes.length)
  joinLattice(scene.connectors, hash, collector)
  joinFree(scene, collector)
  return collector.finish(hash.probes)
}

interface Held {
  readonly node: number
  readonly part: number
}

/** Gathers studs in sockets, one joint a pair of nodes and axis. */
class Collector {
  /** Of each pair of nodes, the last joint found; from each joint the one before it of the same pair, −1 for none. */
  private readonly lastOf = new Map<number, number>()
  private readonly before = new GrowingInts()
  private readonly joints: { a: number; b: number; axis: number; vector: Vec; studs: number }[] = []
  private readonly jointOf = new GrowingInts()
  private readonly studPart = new GrowingInts()
  private readonly socketPart = new GrowingInts()
  /** Single precision: exact in the lattice, and far within the tolerance elsewhere. */
  private places: Float32Array

  /** @param expected how many studs are gathered, about */
  constructor(
    private readonly nodeCount: number,
    expected = 1024,
  ) {
    this.places = new Float32Array(expected * 3 + 3)
  }

  add(
    studNode: number,
    studPart: number,
    socketNode: number,
    socketPart: number,
    axis: number,
    vector: Vec,
    x: number,
    y: number,
    z: number,
  ): void {
    if (studNode === socketNode) return
    const joint = this.jointFor(Math.min(studNode, socketNode), Math.max(studNode, socketNode), axis, vector)
    this.joints[joint]!.studs++
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
    this.studPart.push(studPart)
    this.socketPart.push(socketPart)
  }

  private jointFor(a: number, b: number, axis: number, vector: Vec): number {
    const key = a * this.nodeCount + b
    const last = this.lastOf.get(key) ?? -1
    for (let index = last; index >= 0; index = this.before.data[index]!) {
      const joint = this.joints[index]!
      if (joint.axis === axis && (axis !== FREE_AXIS || Math.abs(dot(joint.vector, vector)) > AGREES)) return index
    }
    this.before.push(last)
    this.lastOf.set(key, this.joints.length)
    return this.joints.push({ a, b, axis, vector, studs: 0 }) - 1
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
  joints.list.forEach(({ a, b, axis, vector }, joint) => {
    const [first, second] = [newOf[a]!, newOf[b]!]
    for (let i = start[joint]!; i < start[joint + 1]!; i++) {
      collector.add(first, studPart[i]!, second, socketPart[i]!, axis, vector, places[i * 3]!, places[i * 3 + 1]!, places[i * 3 + 2]!)
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

function hashSockets(table: ConnectorTable): PointHash {
  const hash = new PointHash(table)
  for (let i = 0; i < table.count; i++) if (table.isStud[i] === 0) hash.put(i)
  return hash
}

function joinLattice(table: ConnectorTable, sockets: PointHash, into: Collector): void {
  const { at, facing, isStud, node, part } = table
  for (let i = 0; i < table.count; i++) {
    if (isStud[i] === 0) continue
    const [x, y, z] = [at[i * 3]!, at[i * 3 + 1]!, at[i * 3 + 2]!]
    const way = facing[i] as Direction
    const axis = way >> 1
    for (let found = sockets.first(x, y, z, opposite(way)); found >= 0; found = sockets.next[found]!) {
      into.add(node[i]!, part[i]!, node[found]!, part[found]!, axis, AXIS_VECTORS[axis]!, x, y, z)
    }
  }
}

/** Cosine above which two axes count as one: about half a degree. */
const AGREES = 0.99996

/** Free connectors against all: buckets of 1 u, looking into the neighbours that the tolerance can reach. */
function joinFree(scene: Scene, into: Collector): void {
  if (scene.freeConnectors.length === 0) return
  const all: FreeConnector[] = [...scene.freeConnectors, ...latticeConnectors(scene)]
  const buckets = new Map<string, FreeConnector[]>()
  const bucketOf = (v: Vec): Vec => [Math.floor(v[0]), Math.floor(v[1]), Math.floor(v[2])]
  for (const connector of all) {
    if (connector.isStud) continue
    const key = bucketOf(connector.at).join()
    const bucket = buckets.get(key)
    if (bucket) bucket.push(connector)
    else buckets.set(key, [connector])
  }
  const isFree = new Set(scene.freeConnectors)
  for (const stud of all) {
    if (!stud.isStud) continue
    for (const key of reachableBuckets(stud.at)) {
      for (const socket of buckets.get(key) ?? []) {
        if (!isFree.has(stud) && !isFree.has(socket)) continue
        if (length(subtract(stud.at, socket.at)) > FREE_TOLERANCE) continue
        if (dot(stud.facing, socket.facing) > -AGREES) continue
        addFree(stud, socket, stud, into)
      }
    }
  }
}

function addFree(stud: Held, socket: Held, { at, facing }: FreeConnector, into: Collector): void {
  const axis = AXIS_VECTORS.findIndex((v) => Math.abs(dot(v, facing)) > AGREES)
  const [index, vector] = axis < 0 ? [FREE_AXIS, facing] : [axis, AXIS_VECTORS[axis]!]
  into.add(stud.node, stud.part, socket.node, socket.part, index, vector, at[0], at[1], at[2])
}

/** The buckets that a ball of the tolerance around a place touches: one as a rule, up to eight. */
function reachableBuckets(at: Vec): Set<string> {
  const keys = new Set<string>()
  const low = at.map((value) => Math.floor(value - FREE_TOLERANCE))
  const high = at.map((value) => Math.floor(value + FREE_TOLERANCE))
  for (let x = low[0]!; x <= high[0]!; x++)
    for (let y = low[1]!; y <= high[1]!; y++) for (let z = low[2]!; z <= high[2]!; z++) keys.add([x, y, z].join())
  return keys
}

function latticeConnectors(scene: Scene): FreeConnector[] {
  const table = scene.connectors
  return Array.from({ length: table.count }, (_, i) => ({
    node: table.node[i]!,
    part: table.part[i]!,
    at: [table.at[i * 3]!, table.at[i * 3 + 1]!, table.at[i * 3 + 2]!] as Vec,
    facing: DIRECTION_VECTORS[table.facing[i]!]!,
    isStud: table.isStud[i] === 1,
  }))
}
