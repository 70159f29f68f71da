import { axesLet, givenHolds, gripCount, HOLD, mainWay, receivedHold, type Connector, type HoldKind } from '../catalogue'
import { apply, DIRECTION_VECTORS, posed, type Pose, type Vec, mapVec } from '../space'
import { holdOfCode, ROLE, type GripTable } from './grips'

/** A connector in a free pose, or one of the lattice looked at as if it were: in one sort of joint. */
export interface FreeConnector {
  readonly node: number
  readonly part: number
  readonly at: Vec
  readonly hold: HoldKind
  /** What must agree: away from the body, or the axis turned about. */
  readonly way: Vec
  readonly gives: boolean
  readonly isStud: boolean
  /** Of what receives: the ways that the other can be pulled out, either sense. */
  readonly lets: readonly Vec[]
}

const AXES: readonly Vec[] = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
]

/** A connector brought into a pose, once for each sort of joint and each place of its length. */
export function freeConnectors(connector: Connector, pose: Pose, node: number, part: number): FreeConnector[] {
  const { kind, at, facing } = connector
  const isStud = kind === 'stud'
  const way = apply(pose.matrix, DIRECTION_VECTORS[mainWay(connector)]!)
  const holds = givenHolds(kind)
  if (holds.length === 0) {
    const lets = axesLet(connector).map((axis) => apply(pose.matrix, AXES[axis]!))
    return [{ node, part, at: posed(pose, at), hold: receivedHold(kind), way, gives: false, isStud, lets }]
  }
  const step = DIRECTION_VECTORS[facing]!
  return Array.from({ length: gripCount(connector) }, (_, k) =>
    posed(
      pose,
      mapVec(at, (v, i) => v + k * step[i]),
    ),
  ).flatMap((place) => holds.map((hold) => ({ node, part, at: place, hold, way, gives: true, isStud, lets: [] })))
}

/** The grips of the lattice in the same form. */
export function latticeConnectors(table: GripTable): FreeConnector[] {
  return Array.from({ length: table.count }, (_, i): FreeConnector => {
    const role = table.role[i]!
    const hold = holdOfCode(table.code[i]!)
    return {
      node: table.node[i]!,
      part: table.part[i]!,
      at: [table.at[i * 3]!, table.at[i * 3 + 1]!, table.at[i * 3 + 2]!],
      hold,
      way: wayOf(hold, table.code[i]! % 8, role !== ROLE.receives),
      gives: role !== ROLE.receives,
      isStud: role === ROLE.stud,
      lets: AXES.filter((_axis, axis) => (table.lets[i]! >> axis) & 1),
    }
  })
}

function wayOf(hold: HoldKind, rest: number, gives: boolean): Vec {
  if (hold !== HOLD.stud && hold !== HOLD.post) return AXES[rest] ?? AXES[0]!
  return DIRECTION_VECTORS[gives ? rest ^ 1 : rest]!
}
