import { DerivedTables } from '../memo'
import type { PlacedPart } from '../model'
import { add, apply, DIRECTION_VECTORS, isLatticePose, orientedBox, posedBox, unite, type Box, type OrientedBox, type Vec } from '../space'
import { attitudeOf, type Attitude } from './attitudes'
import { freeConnectors, type FreeConnector } from './free-connectors'
import type { GripTable } from './grips'
import { studBox } from './stud-box'

/** What moves as one body while a section is built: a part, a copy, or a derived section. */
export interface NodeSpec {
  readonly id: string
  readonly kind: 'part' | 'copy' | 'derived'
  /** What it is one of: the shape of a part, the section of a copy (with its mirror), the id of a derived section. */
  readonly source: string
  readonly parts: readonly PlacedPart[]
  /** In its model plates on edge are held by the studs on both their sides. */
  readonly holdsPressed?: boolean
  /** It stands by itself on the table: nothing has to hold it. */
  readonly standsApart?: boolean
}

/** Boxes of bodies or studs in the lattice. `boxes` holds min x, y, z, max x, y, z of each, in u. */
export interface BoxTable {
  readonly count: number
  readonly node: Int32Array
  readonly part: Int32Array
  readonly boxes: Int32Array
  /** Bodies: `MARK`. Studs: the axis they point along. */
  readonly mark: Uint8Array
}

/** A body or stud in a free pose. */
export interface FreeBody {
  readonly node: number
  readonly part: number
  readonly shape: OrientedBox
  readonly hull: Box
  readonly isStud: boolean
  readonly isOpen: boolean
  /** Of a stud: the way it points. */
  readonly axis: Vec
}

/** The boxes of all bodies of a scene, then of all its studs, in one table of six numbers each. */
export const allBoxes = ({ bodies, studs }: Scene): Int32Array =>
  new Int32Array(bodies.boxes.buffer, bodies.boxes.byteOffset, (bodies.count + studs.count) * 6)

/** The parts of one section in space: what joints, motion, plan, picture and checks read. */
export interface Scene {
  readonly nodes: readonly NodeSpec[]
  /** What is found out about places alone: scenes that share these tables have the same boxes under the same numbers. */
  readonly tables: DerivedTables
  readonly parts: readonly PlacedPart[]
  readonly partNode: Int32Array
  /** Around the body of each node: six numbers, in u. */
  readonly nodeBoxes: readonly Box[]
  readonly bodies: BoxTable
  readonly studs: BoxTable
  readonly grips: GripTable
  readonly freeBodies: readonly FreeBody[]
  readonly freeConnectors: readonly FreeConnector[]
}

/** Tables of known size, filled part by part. */
class SceneTables {
  readonly bodies: BoxTable
  readonly studs: BoxTable
  readonly grips: GripTable
  private body = 0
  private stud = 0
  private grip = 0

  constructor(attitudes: readonly (Attitude | undefined)[]) {
    let bodies = 0
    let studs = 0
    let grips = 0
    for (const attitude of attitudes) {
      if (!attitude) continue
      bodies += attitude.marks.length
      studs += attitude.studAxes.length
      grips += attitude.codes.length
    }
    // One table, bodies first: the columns read both as one.
    const boxes = new Int32Array((bodies + studs) * 6)
    this.bodies = boxTable(boxes.subarray(0, bodies * 6))
    this.studs = boxTable(boxes.subarray(bodies * 6))
    this.grips = {
      count: grips,
      node: new Int32Array(grips),
      part: new Int32Array(grips),
      at: new Int32Array(grips * 3),
      code: new Uint8Array(grips),
      role: new Uint8Array(grips),
      lets: new Uint8Array(grips),
    }
  }

  add(attitude: Attitude, at: Vec, node: number, part: number): void {
    this.body = addBoxes(this.bodies, this.body, attitude.bodies, attitude.marks, at, node, part)
    this.stud = addBoxes(this.studs, this.stud, attitude.studs, attitude.studAxes, at, node, part)
    const { places, codes, roles, lets } = attitude
    const { grips } = this
    let row = this.grip
    grips.node.fill(node, row, row + codes.length)
    grips.part.fill(part, row, row + codes.length)
    grips.code.set(codes, row)
    grips.role.set(roles, row)
    grips.lets.set(lets, row)
    for (let i = 0; i < places.length; i += 3, row++) shift(places, i, grips.at, row * 3, at)
    this.grip = row
  }
}

const boxTable = (boxes: Int32Array): BoxTable => ({
  count: boxes.length / 6,
  node: new Int32Array(boxes.length / 6),
  part: new Int32Array(boxes.length / 6),
  boxes,
  mark: new Uint8Array(boxes.length / 6),
})

/** Writes boxes relative to `at` from row `first` on. @returns the next free row */
// eslint-disable-next-line max-params -- runs for every part of a model
function addBoxes(table: BoxTable, first: number, boxes: Int32Array, marks: Uint8Array, at: Vec, node: number, part: number): number {
  const end = first + marks.length
  table.node.fill(node, first, end)
  table.part.fill(part, first, end)
  table.mark.set(marks, first)
  for (let i = 0; i < boxes.length; i += 3) shift(boxes, i, table.boxes, first * 6 + i, at)
  return end
}

// eslint-disable-next-line max-params -- runs for every box of a model
function shift(from: Int32Array, i: number, to: Int32Array, j: number, at: Vec): void {
  to[j] = from[i]! + at[0]
  to[j + 1] = from[i + 1]! + at[1]
  to[j + 2] = from[i + 2]! + at[2]
}

/** Puts the nodes of a section into flat tables. O(boxes and connectors). */
export function buildScene(nodes: readonly NodeSpec[]): Scene {
  const parts: PlacedPart[] = []
  const attitudes: (Attitude | undefined)[] = []
  for (const spec of nodes) {
    for (const placed of spec.parts) {
      parts.push(placed)
      attitudes.push(isLatticePose(placed.pose) ? attitudeOf(placed.shape, placed.pose.matrix) : undefined)
    }
  }
  const tables = new SceneTables(attitudes)
  const free: FreeTables = { bodies: [], connectors: [] }
  const partNode = new Int32Array(parts.length)
  let part = 0
  const nodeBoxes = nodes.map((spec, node) => {
    let hull: Box | undefined
    for (const placed of spec.parts) {
      const attitude = attitudes[part]
      const { at } = placed.pose
      if (attitude) tables.add(attitude, at, node, part)
      else addFree(placed, node, part, free)
      const box = attitude ? { min: add(attitude.hull.min, at), max: add(attitude.hull.max, at) } : partHull(placed)
      hull = hull ? unite(hull, box) : box
      partNode[part++] = node
    }
    return hull ?? NOWHERE
  })
  return {
    nodes,
    tables: new DerivedTables(),
    parts,
    partNode,
    nodeBoxes,
    bodies: tables.bodies,
    studs: tables.studs,
    grips: tables.grips,
    freeBodies: free.bodies,
    freeConnectors: free.connectors,
  }
}

/** A cube inside a ball is smaller than the one around it by half of 1 − 1/√3 on each side. */
const ROUND = 0.2

/** The box inside a ball, bar or peg: what turns with it wherever it is turned. */
export function insideRound({ min, max }: Box): Box {
  const less = ROUND * Math.min(max[0] - min[0], max[1] - min[1], max[2] - min[2])
  return { min: [min[0] + less, min[1] + less, min[2] + less], max: [max[0] - less, max[1] - less, max[2] - less] }
}

const NOWHERE: Box = { min: [0, 0, 0], max: [0, 0, 0] }

interface FreeTables {
  readonly bodies: FreeBody[]
  readonly connectors: FreeConnector[]
}

function addFree({ shape, pose }: PlacedPart, node: number, part: number, into: FreeTables): void {
  const push = (box: Box, kind: Pick<FreeBody, 'isStud' | 'isOpen' | 'axis'>): void => {
    into.bodies.push({ node, part, shape: orientedBox(pose, box), hull: posedBox(pose, box), ...kind })
  }
  for (const body of shape.bodies)
    push(body.round ? insideRound(body) : body, { isStud: false, isOpen: body.open === true, axis: [0, 0, 0] })
  for (const connector of shape.connectors) {
    into.connectors.push(...freeConnectors(connector, pose, node, part))
    if (connector.kind !== 'stud') continue
    const axis = apply(pose.matrix, DIRECTION_VECTORS[connector.facing]!)
    push(studBox(connector.at, connector.facing), { isStud: true, isOpen: false, axis })
  }
}

/**
 * The same scene with some of its nodes drawn together: the parts stay where they are, they only belong to others.
 * @param newOf the new node of each old one
 */
export function contractScene(scene: Scene, nodes: readonly NodeSpec[], newOf: Int32Array): Scene {
  const relabel = (node: Int32Array): Int32Array => node.map((old) => newOf[old]!)
  const nodeBoxes: Box[] = []
  scene.nodeBoxes.forEach((box, old) => {
    const node = newOf[old]!
    const known = nodeBoxes[node]
    nodeBoxes[node] = known ? unite(known, box) : box
  })
  return {
    ...scene,
    nodes,
    tables: new DerivedTables(),
    nodeBoxes,
    partNode: relabel(scene.partNode),
    bodies: { ...scene.bodies, node: relabel(scene.bodies.node) },
    studs: { ...scene.studs, node: relabel(scene.studs.node) },
    grips: { ...scene.grips, node: relabel(scene.grips.node) },
    freeBodies: scene.freeBodies.map((body) => ({ ...body, node: newOf[body.node]! })),
    freeConnectors: scene.freeConnectors.map((connector) => ({ ...connector, node: newOf[connector.node]! })),
  }
}

/** The box around all bodies of a placed part (a bracket's wall included), without studs. */
export function partHull(placed: PlacedPart): Box {
  return placed.shape.bodies.map((body) => posedBox(placed.pose, body)).reduce(unite)
}

/** The boxes of all nodes in one table, six numbers each, u: for what is asked of every node after every edit. */
export const flatNodeBoxes = (scene: Scene): Float64Array => scene.tables.of(flatten, scene.nodeBoxes)

function flatten(nodeBoxes: readonly Box[]): Float64Array {
  const boxes = new Float64Array(nodeBoxes.length * 6)
  nodeBoxes.forEach(({ min, max }, node) => {
    boxes.set(min, node * 6)
    boxes.set(max, node * 6 + 3)
  })
  return boxes
}

export const tableBox = (table: BoxTable, i: number): Box => ({
  min: [table.boxes[i * 6]!, table.boxes[i * 6 + 1]!, table.boxes[i * 6 + 2]!],
  max: [table.boxes[i * 6 + 3]!, table.boxes[i * 6 + 4]!, table.boxes[i * 6 + 5]!],
})

/** A lattice box as an oriented one, for tests against free bodies. */
export const asOriented = (box: Box): OrientedBox => orientedBox({ matrix: [1, 0, 0, 0, 1, 0, 0, 0, 1], at: [0, 0, 0] }, box)
