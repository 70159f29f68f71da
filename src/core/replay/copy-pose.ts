import { cutToLength, isByLength, type Connector, type ConnectorKind, type Shape } from '../catalogue'
import type { Copy, CopyJoint, JointEnd, ModelDocument, Part, Section } from '../model'
import {
  add,
  apply,
  cross,
  DIRECTION_VECTORS,
  dot,
  length,
  MM_PER_U,
  scale,
  subtract,
  turnFromText,
  TURNS,
  type Matrix,
  type Vec,
  mapVec,
} from '../space'

/**
 * Where copies stand, worked out a second time: by quaternions and by turning one direction onto another (Shoemake 1985), where
 * the model multiplies frames. A fault in one does not hide a fault in the other.
 */

/** w, x, y, z; of unit length. */
type Quaternion = readonly [number, number, number, number]

const about = (axis: Vec, degrees: number): Quaternion => {
  const half = (degrees * Math.PI) / 360
  const sine = Math.sin(half)
  return [Math.cos(half), axis[0] * sine, axis[1] * sine, axis[2] * sine]
}

const after = ([aw, ax, ay, az]: Quaternion, [bw, bx, by, bz]: Quaternion): Quaternion => [
  aw * bw - ax * bx - ay * by - az * bz,
  aw * bx + ax * bw + ay * bz - az * by,
  aw * by - ax * bz + ay * bw + az * bx,
  aw * bz + ax * by - ay * bx + az * bw,
]

function turned([w, ...xyz]: Quaternion, v: Vec): Vec {
  const twice = scale(cross(xyz, v), 2)
  return add(add(v, scale(twice, w)), cross(xyz, twice))
}

/** Some direction across another. */
const acrossAny = (v: Vec): Vec => unit(cross(v, Math.abs(v[0]) < 0.9 ? [1, 0, 0] : [0, 1, 0]))
const unit = (v: Vec): Vec => scale(v, 1 / length(v))
const degreesBetween = (a: Vec, b: Vec, around: Vec): number => (Math.atan2(dot(cross(a, b), around), dot(a, b)) * 180) / Math.PI

/** Turns two directions at right angles onto two others: the first by the shortest way, then round it. */
function onto(from: readonly [Vec, Vec], to: readonly [Vec, Vec]): Quaternion {
  const axis = cross(from[0], to[0])
  const round = length(axis) < 1e-9 ? acrossAny(from[0]) : unit(axis)
  const swing = about(round, degreesBetween(from[0], to[0], round))
  return after(about(to[0], degreesBetween(turned(swing, from[1]), to[1], to[0])), swing)
}

/** A joint's end: where it is, where it faces, and the axis that it turns about. */
interface End {
  readonly at: Vec
  readonly facing: Vec
  readonly axis: Vec
  /** Its axis is the way it faces. */
  readonly isStraight: boolean
}

export const ownShape = ({ shape, length: mm }: Part, shapes: ReadonlyMap<string, Shape>): Shape =>
  mm !== undefined && isByLength(shape) ? cutToLength(shape, Math.max(1, Math.round(mm / MM_PER_U))) : shapes.get(shape)!

const MIRRORS = { x: 0, y: 1, z: 2 } as const
const mirrored = (v: Vec, axis: Copy['mirror']): Vec =>
  axis === undefined ? v : mapVec(v, (value, i) => (i === MIRRORS[axis] ? -value : value))

function endOf(
  section: Section,
  end: JointEnd,
  shapes: ReadonlyMap<string, Shape>,
  { slide, mirror }: { readonly slide: number; readonly mirror?: Copy['mirror'] },
): End {
  const part = section.parts!.find(({ id }) => id === end.part)!
  const shape = ownShape(part, shapes)
  const turn = TURNS[turnFromText(part.turn ?? '+x+y')!]!
  const far = apply(turn, shape.box)
  const shift = mapVec(part.at!, (value, i) => value - Math.min(0, far[i]))
  const connector: Connector = shape.connectors.filter(({ kind }) => kind === end.kind)[(end.number ?? 1) - 1]!
  const way = (direction: number): Vec => mirrored(apply(turn, DIRECTION_VECTORS[direction]!), mirror)
  const facing = way(connector.facing)
  const along = connector.along === undefined ? facing : way(connector.along)
  const isStraight = Math.abs(dot(along, facing)) > 0.5
  const at = mirrored(add(apply(turn, connector.at), shift), mirror)
  return {
    at: connector.length === undefined ? at : add(at, scale(facing, slide)),
    facing,
    axis: isStraight ? facing : along,
    isStraight,
  }
}

/** Ends that look at each other; of all others the axes fall together. */
const FACING: ReadonlySet<ConnectorKind> = new Set(['post', 'ring', 'ball', 'cup', 'tongue', 'fork'])

/** z, or y of what stands upright: the direction that an end without another is counted from. */
const besideOf = (axis: Vec): Vec => (Math.abs(axis[2]) < 0.5 ? [0, 0, 1] : [0, 1, 0])
const besideFacing = ({ facing, axis, isStraight }: End): Vec => (isStraight ? besideOf(facing) : axis)
const besideAxis = ({ facing, axis, isStraight }: End): Vec => (isStraight ? besideOf(axis) : facing)

/** How the copy is turned where no angle bends its joint. */
function straightTurn(joint: CopyJoint, on: End, by: End): Quaternion {
  if (!FACING.has(joint.on.kind)) return onto([by.axis, besideAxis(by)], [on.axis, besideAxis(on)])
  const beside = on.isStraight ? besideOf(on.facing) : scale(on.axis, -1)
  return onto([by.facing, besideFacing(by)], [scale(on.facing, -1), beside])
}

const AXES: readonly Vec[] = [
  [0, 0, 1],
  [0, 1, 0],
  [1, 0, 0],
]

/** A mirrored copy may have the axis of its hinge or clip the other way round: as it stands up most as it does unmirrored. */
// eslint-disable-next-line max-params -- two ends, and what they are compared with
function mirroredTurn(joint: CopyJoint, on: End, by: End, plain: Quaternion, mirror: NonNullable<Copy['mirror']>): Quaternion {
  const one = straightTurn(joint, on, by)
  if (by.isStraight) return one
  const other = straightTurn(joint, on, { ...by, axis: scale(by.axis, -1) })
  for (const axis of AXES) {
    if (axis[MIRRORS[mirror]] !== 0) continue
    const [a, b] = [one, other].map((way) => Math.round(dot(turned(way, axis), turned(plain, axis))))
    if (a !== b) return a! > b! ? one : other
  }
  return one
}

function jointTurn(joint: CopyJoint, on: End, straight: Quaternion): Quaternion {
  const [first = 0, second = 0, third = 0] = joint.angles ?? []
  if (joint.on.kind !== 'ball' && joint.on.kind !== 'cup') return after(about(on.axis, first), straight)
  const across = besideOf(on.facing)
  const ball = after(about(cross(on.facing, across), third), after(about(across, second), about(on.facing, first)))
  return after(ball, straight)
}

/** What is nearly whole is whole: a copy that stands straight stands in the lattice. */
const wholeWithin =
  (tolerance: number) =>
  (value: number): number =>
    Math.abs(value - Math.round(value)) < tolerance ? Math.round(value) + 0 : value
const whole = wholeWithin(1e-9)
/** Free angles are taken as they are written, however small: only what arithmetic leaves is taken away. */
const nearlyExact = wholeWithin(1e-12)

/** Three turns, about x, then y, then z. */
const spun = ([x, y, z]: Vec): Quaternion => after(about([0, 0, 1], z), after(about([0, 1, 0], y), about([1, 0, 0], x)))

/** The pose of a copy in the section that holds it. */
export function ownCopyPose(
  model: ModelDocument,
  section: Section,
  copy: Copy,
  shapes: ReadonlyMap<string, Shape>,
): { matrix: Matrix; at: Vec } {
  const { joint, mirror } = copy
  const inner = (id: string): Section => model.sections.find((candidate) => candidate.id === id)!
  const slide = joint?.slide ?? 0
  const on = joint && endOf(section, joint.on, shapes, { slide })
  const by = joint && endOf(inner(copy.section), joint.by, shapes, { slide, mirror })
  const straightOf = (own: CopyJoint, from: End, to: End): Quaternion => {
    if (mirror === undefined) return straightTurn(own, from, to)
    const plain = straightTurn(own, from, endOf(inner(copy.section), own.by, shapes, { slide }))
    return mirroredTurn(own, from, to, plain, mirror)
  }
  const turn: (v: Vec) => Vec =
    on && by
      ? asTurn(jointTurn(joint, on, straightOf(joint, on, by)))
      : copy.rotate
        ? asTurn(spun(copy.rotate))
        : (v) => apply(TURNS[turnFromText(copy.turn ?? '+x+y')!]!, v)
  const clean = !joint && copy.rotate ? nearlyExact : whole
  const columns = (
    [
      [1, 0, 0],
      [0, 1, 0],
      [0, 0, 1],
    ] as const
  ).map((v) => turn(mirrored(v, mirror)).map(clean))
  const matrix = [0, 1, 2].flatMap((row) => columns.map((column) => column[row]!)) as unknown as Matrix
  const at = on && by ? mapVec(subtract(on.at, turn(by.at)), whole) : (copy.at ?? [0, 0, 0])
  return { matrix, at }
}

const asTurn =
  (quaternion: Quaternion) =>
  (v: Vec): Vec =>
    turned(quaternion, v)
