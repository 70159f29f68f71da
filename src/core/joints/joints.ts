import type { ConnectorTable, FreeConnector, Scene } from '../scene'
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
  /** Places of the studs, u. Its length is the number of studs. */
  readonly places: readonly Vec[]
  /** The parts that hold each other, by index into the scene: owner of the stud, owner of the socket, a pair a place. */
  readonly pairs: readonly (readonly [number, number])[]
}

export interface Joints {
  readonly list: readonly Joint[]
  /** Indices into `list`, for each node. */
  readonly ofNode: readonly (readonly number[])[]
  readonly adjacency: Adjacency
  readonly probes: number
}

/** Compressed rows: what holds to node n is list[start[n]] … list[start[n + 1] − 1]; a pair with two axes comes twice. */
export interface Adjacency {
  readonly start: Int32Array
  readonly list: Int32Array
}

const AXIS_VECTORS: readonly Vec[] = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
]

interface Draft {
  a: number
  b: number
  axis: number
  vector: Vec
  places: Vec[]
  pairs: [number, number][]
}

/**
 * All stud–socket joints between different nodes. Two connectors join when their places coincide and they face each other:
 * equal integers in the lattice, within `FREE_TOLERANCE` across a free pose. O(connectors).
 */
export function findJoints(scene: Scene): Joints {
  const drafts = new Map<number, Draft[]>()
  const nodeCount = scene.nodes.length
  const record = (stud: Held, socket: Held, axis: number, vector: Vec, place: Vec): void => {
    if (stud.node === socket.node) return
    const a = Math.min(stud.node, socket.node)
    const b = Math.max(stud.node, socket.node)
    const key = a * nodeCount + b
    let ofPair = drafts.get(key)
    if (!ofPair) drafts.set(key, (ofPair = []))
    let draft = ofPair.find((d) => d.axis === axis && (axis !== FREE_AXIS || Math.abs(dot(d.vector, vector)) > AGREES))
    if (!draft) ofPair.push((draft = { a, b, axis, vector, places: [], pairs: [] }))
    draft.places.push(place)
    draft.pairs.push([stud.part, socket.part])
  }
  const hash = hashSockets(scene.connectors)
  joinLattice(scene.connectors, hash, record)
  joinFree(scene, record)

  const list: Joint[] = [...drafts.values()].flat()
  const ofNode: number[][] = scene.nodes.map(() => [])
  list.forEach((joint, i) => {
    ofNode[joint.a]!.push(i)
    ofNode[joint.b]!.push(i)
  })
  return { list, ofNode, adjacency: adjacencyOf(list, nodeCount), probes: hash.probes }
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
  for (const { a, b } of joints) {
    list[fill[a]!++] = b
    list[fill[b]!++] = a
  }
  return { start, list }
}

interface Held {
  readonly node: number
  readonly part: number
}

type Record = (stud: Held, socket: Held, axis: number, vector: Vec, place: Vec) => void

function hashSockets(table: ConnectorTable): PointHash {
  const hash = new PointHash(table.count)
  for (let i = 0; i < table.count; i++) {
    if (table.isStud[i] === 1) continue
    hash.put(table.at[i * 3]!, table.at[i * 3 + 1]!, table.at[i * 3 + 2]!, table.facing[i]!, i)
  }
  return hash
}

const held = (table: ConnectorTable, i: number): Held => ({ node: table.node[i]!, part: table.part[i]! })

function joinLattice(table: ConnectorTable, sockets: PointHash, record: Record): void {
  for (let i = 0; i < table.count; i++) {
    if (table.isStud[i] === 0) continue
    const place: Vec = [table.at[i * 3]!, table.at[i * 3 + 1]!, table.at[i * 3 + 2]!]
    const facing = table.facing[i] as Direction
    const axis = facing >> 1
    let found = sockets.first(place[0], place[1], place[2], opposite(facing))
    for (; found >= 0; found = sockets.next[found]!) {
      record(held(table, i), held(table, found), axis, AXIS_VECTORS[axis]!, place)
    }
  }
}

/** Cosine above which two axes count as one: about half a degree. */
const AGREES = 0.99996

/** Free connectors against all: buckets of 1 u, looking into the neighbours that the tolerance can reach. */
function joinFree(scene: Scene, record: Record): void {
  if (scene.freeConnectors.length === 0) return
  const all: FreeConnector[] = [...scene.freeConnectors, ...latticeNear(scene)]
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
        const axis = AXIS_VECTORS.findIndex((v) => Math.abs(dot(v, stud.facing)) > AGREES)
        record(stud, socket, axis < 0 ? FREE_AXIS : axis, axis < 0 ? stud.facing : AXIS_VECTORS[axis]!, stud.at)
      }
    }
  }
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

function latticeNear(scene: Scene): FreeConnector[] {
  const table = scene.connectors
  return Array.from({ length: table.count }, (_, i) => ({
    node: table.node[i]!,
    part: table.part[i]!,
    at: [table.at[i * 3]!, table.at[i * 3 + 1]!, table.at[i * 3 + 2]!] as Vec,
    facing: DIRECTION_VECTORS[table.facing[i]!]!,
    isStud: table.isStud[i] === 1,
  }))
}
