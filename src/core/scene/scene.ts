import type { PlacedPart } from '../model'
import {
  apply,
  axisOf,
  boxAt,
  directionOf,
  DIRECTION_VECTORS,
  isLatticePose,
  orientedBox,
  posed,
  posedBox,
  STUD_HEIGHT,
  STUD_WIDTH,
  unite,
  type Box,
  type Direction,
  type OrientedBox,
  type Vec,
} from '../space'

/** What moves as one body while a section is built: a part, a copy, or a derived section. */
export interface NodeSpec {
  readonly id: string
  readonly kind: 'part' | 'copy' | 'derived'
  /** What it is one of: the shape of a part, the section of a copy (with its mirror), the id of a derived section. */
  readonly source: string
  readonly parts: readonly PlacedPart[]
}

/** Boxes of bodies or studs in the lattice. `boxes` holds min x, y, z, max x, y, z of each, in u. */
export interface BoxTable {
  readonly count: number
  readonly node: Int32Array
  readonly part: Int32Array
  readonly boxes: Int32Array
  /** Bodies: 1 where a stud may pass (the cut of a wedge plate). Studs: the axis they point along. */
  readonly mark: Uint8Array
}

/** Connectors in the lattice; `facing` is a direction, `isStud` 1 for studs and 0 for sockets. */
export interface ConnectorTable {
  readonly count: number
  readonly node: Int32Array
  readonly part: Int32Array
  readonly at: Int32Array
  readonly facing: Uint8Array
  readonly isStud: Uint8Array
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

export interface FreeConnector {
  readonly node: number
  readonly part: number
  readonly at: Vec
  readonly facing: Vec
  readonly isStud: boolean
}

/** The parts of one section in space: what joints, motion, plan, picture and checks read. */
export interface Scene {
  readonly nodes: readonly NodeSpec[]
  readonly parts: readonly PlacedPart[]
  readonly partNode: Int32Array
  /** Around the body of each node: six numbers, in u. */
  readonly nodeBoxes: readonly Box[]
  readonly bodies: BoxTable
  readonly studs: BoxTable
  readonly connectors: ConnectorTable
  readonly freeBodies: readonly FreeBody[]
  readonly freeConnectors: readonly FreeConnector[]
  /** Lowest plane of all bodies, u. */
  readonly floor: number
}

/** The box of a stud that stands on `at` and points along `facing`, in the frame of both. */
export function studBox(at: Vec, facing: Direction): Box {
  const half = STUD_WIDTH / 2
  const axis = axisOf(facing)
  const size: [number, number, number] = [STUD_WIDTH, STUD_WIDTH, STUD_WIDTH]
  size[axis] = STUD_HEIGHT
  const min: [number, number, number] = [at[0] - half, at[1] - half, at[2] - half]
  min[axis] = at[axis] - ((facing & 1) === 0 ? 0 : STUD_HEIGHT)
  return boxAt(min, size)
}

class BoxList {
  private readonly node: number[] = []
  private readonly part: number[] = []
  private readonly boxes: number[] = []
  private readonly mark: number[] = []

  push(node: number, part: number, box: Box, mark: number): void {
    this.node.push(node)
    this.part.push(part)
    this.boxes.push(...box.min, ...box.max)
    this.mark.push(mark)
  }

  table(): BoxTable {
    return {
      count: this.node.length,
      node: Int32Array.from(this.node),
      part: Int32Array.from(this.part),
      boxes: Int32Array.from(this.boxes),
      mark: Uint8Array.from(this.mark),
    }
  }
}

class ConnectorList {
  private readonly node: number[] = []
  private readonly part: number[] = []
  private readonly at: number[] = []
  private readonly facing: number[] = []
  private readonly isStud: number[] = []

  push(node: number, part: number, at: Vec, facing: Direction, isStud: boolean): void {
    this.node.push(node)
    this.part.push(part)
    this.at.push(...at)
    this.facing.push(facing)
    this.isStud.push(isStud ? 1 : 0)
  }

  table(): ConnectorTable {
    return {
      count: this.node.length,
      node: Int32Array.from(this.node),
      part: Int32Array.from(this.part),
      at: Int32Array.from(this.at),
      facing: Uint8Array.from(this.facing),
      isStud: Uint8Array.from(this.isStud),
    }
  }
}

/** Puts the nodes of a section into flat tables. O(boxes and connectors). */
export function buildScene(nodes: readonly NodeSpec[]): Scene {
  const bodies = new BoxList()
  const studs = new BoxList()
  const connectors = new ConnectorList()
  const freeBodies: FreeBody[] = []
  const freeConnectors: FreeConnector[] = []
  const parts: PlacedPart[] = []
  const partNode: number[] = []
  const nodeBoxes: Box[] = []
  let floor = Infinity

  nodes.forEach((spec, node) => {
    let hull: Box | undefined
    for (const placed of spec.parts) {
      const part = parts.push(placed) - 1
      partNode.push(node)
      const box = partHull(placed)
      hull = hull ? unite(hull, box) : box
      if (isLatticePose(placed.pose)) addLattice(placed, node, part)
      else addFree(placed, node, part)
    }
    const around = hull ?? { min: [0, 0, 0], max: [0, 0, 0] }
    nodeBoxes.push(around)
    if (hull) floor = Math.min(floor, hull.min[2])
  })

  function addLattice(placed: PlacedPart, node: number, part: number): void {
    const { shape, pose } = placed
    for (const body of shape.bodies) bodies.push(node, part, posedBox(pose, body), body.open ? 1 : 0)
    for (const connector of shape.connectors) {
      const at = posed(pose, connector.at)
      const facing = directionOf(apply(pose.matrix, DIRECTION_VECTORS[connector.facing]!))!
      connectors.push(node, part, at, facing, connector.kind === 'stud')
      if (connector.kind === 'stud') studs.push(node, part, studBox(at, facing), axisOf(facing))
    }
  }

  function addFree(placed: PlacedPart, node: number, part: number): void {
    const { shape, pose } = placed
    const push = (box: Box, isStud: boolean, isOpen: boolean, axis: Vec): void => {
      freeBodies.push({ node, part, shape: orientedBox(pose, box), hull: posedBox(pose, box), isStud, isOpen, axis })
    }
    for (const body of shape.bodies) push(body, false, body.open === true, [0, 0, 0])
    for (const connector of shape.connectors) {
      const facing = apply(pose.matrix, DIRECTION_VECTORS[connector.facing]!)
      freeConnectors.push({ node, part, at: posed(pose, connector.at), facing, isStud: connector.kind === 'stud' })
      if (connector.kind === 'stud') push(studBox(connector.at, connector.facing), true, false, facing)
    }
  }

  return {
    nodes,
    parts,
    partNode: Int32Array.from(partNode),
    nodeBoxes,
    bodies: bodies.table(),
    studs: studs.table(),
    connectors: connectors.table(),
    freeBodies,
    freeConnectors,
    floor: floor === Infinity ? 0 : floor,
  }
}

/** The box around all bodies of a placed part (a bracket's wall included), without studs. */
export function partHull(placed: PlacedPart): Box {
  return placed.shape.bodies.map((body) => posedBox(placed.pose, body)).reduce(unite)
}

export const tableBox = (table: BoxTable, i: number): Box => ({
  min: [table.boxes[i * 6]!, table.boxes[i * 6 + 1]!, table.boxes[i * 6 + 2]!],
  max: [table.boxes[i * 6 + 3]!, table.boxes[i * 6 + 4]!, table.boxes[i * 6 + 5]!],
})

/** A lattice box as an oriented one, for tests against free bodies. */
export const asOriented = (box: Box): OrientedBox => orientedBox({ matrix: [1, 0, 0, 0, 1, 0, 0, 0, 1], at: [0, 0, 0] }, box)
