import { givenHolds, HOLD, receivedHold, type Catalogue, type Connector, type ConnectorKind, type Shape } from '../catalogue'
import {
  add,
  apply,
  cross,
  DIRECTION_VECTORS,
  dot,
  mirrorMatrix,
  multiply,
  posed,
  scale,
  subtract,
  transpose,
  type Matrix,
  type Pose,
  type Vec,
  mapVec,
} from '../space'
import { shapeOfPart } from './lengths'
import { partPose } from './part-pose'
import { partsOf, sectionById, type Copy, type CopyJoint, type JointEnd, type ModelDocument, type Section } from './types'

/** How far the joints of each kind turn, degrees either way; a ball is bent so far from straight, and spins. What is not named turns all the way round. */
export const ANGLE_LIMITS: Partial<Record<ConnectorKind, number>> = { fork: 120, tongue: 120, ball: 50, cup: 50 }

/** Whether two connectors hold a copy so that it moves: whatever goes into each other, but for studs. */
export function doJoin(a: ConnectorKind, b: ConnectorKind): boolean {
  const goesInto = (gives: ConnectorKind, takes: ConnectorKind): boolean =>
    givenHolds(gives).some((hold) => hold !== HOLD.stud && hold === receivedHold(takes))
  return goesInto(a, b) || goesInto(b, a)
}

/** The connector that a joint's end names; undefined when there is none. */
export function connectorOf(shape: Shape, { kind, number = 1 }: JointEnd): Connector | undefined {
  return shape.connectors.filter((connector) => connector.kind === kind)[number - 1]
}

/** An end of a joint in place: where it is, the axis it turns about, and a direction across that says which way is none. */
interface Seat {
  readonly at: Vec
  readonly axis: Vec
  readonly across: Vec
  readonly facing: Vec
}

interface SeatOptions {
  /** A place on the long ones is counted from where they begin, u. */
  readonly slide?: number
  /** Of the copy whose end it is. */
  readonly mirror?: Matrix
}

function seatOf(section: Section, end: JointEnd, catalogue: Catalogue, { slide = 0, mirror }: SeatOptions = {}): Seat {
  const part = partsOf(section).find((candidate) => candidate.id === end.part)!
  const shape = shapeOfPart(part, catalogue.shapes)
  const pose = partPose(part, shape)
  const { at, facing, along, length } = connectorOf(shape, end)!
  const turned = (way: Vec): Vec => {
    const here = apply(pose.matrix, way)
    return mirror ? apply(mirror, here) : here
  }
  const place = posed(pose, at)
  const face = turned(DIRECTION_VECTORS[facing]!)
  const axis = along === undefined || along >> 1 === facing >> 1 ? face : turned(DIRECTION_VECTORS[along]!)
  const here = mirror ? apply(mirror, place) : place
  return {
    at: length === undefined ? here : add(here, scale(face, slide)),
    axis,
    facing: face,
    across: along === undefined || along >> 1 === facing >> 1 ? acrossOf(axis) : face,
  }
}

/** The first of z, y, x that is not the axis. */
const acrossOf = (axis: Vec): Vec =>
  (
    [
      [0, 0, 1],
      [0, 1, 0],
      [1, 0, 0],
    ] as Vec[]
  ).find((candidate) => Math.abs(dot(candidate, axis)) < 0.5)!

const frameOf = (first: Vec, second: Vec): Matrix => {
  const third = cross(first, second)
  return [first[0], second[0], third[0], first[1], second[1], third[1], first[2], second[2], third[2]]
}

/** Turns by so many degrees about a unit vector (Rodrigues 1840). */
export function turnAbout(axis: Vec, degrees: number): Matrix {
  const angle = (degrees * Math.PI) / 180
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)]
  const [x, y, z] = axis
  const k = 1 - cos
  return [
    cos + x * x * k,
    x * y * k - z * sin,
    x * z * k + y * sin,
    y * x * k + z * sin,
    cos + y * y * k,
    y * z * k - x * sin,
    z * x * k - y * sin,
    z * y * k + x * sin,
    cos + z * z * k,
  ]
}

const CLEAN = 1e-9
/** Quarter turns give whole numbers: a copy that stands straight again stands in the lattice. */
const cleaned = (value: number): number => {
  const whole = Math.round(value)
  return Math.abs(value - whole) < CLEAN ? whole + 0 : value
}

/** A copy that hangs on a joint. */
export type JointedCopy = Copy & { readonly joint: CopyJoint }

/**
 * Where a joint puts a copy. With no angles the two look at each other (posts, balls, hinges) or share their axis (bars, pegs,
 * axles); the angles turn it about the axis in space, for a ball about all three axes of its cup.
 */
export function jointPose(model: ModelDocument, section: Section, copy: JointedCopy, catalogue: Catalogue): Pose {
  const { joint } = copy
  const slide = joint.slide ?? 0
  const on = seatOf(section, joint.on, catalogue, { slide })
  const mirror = copy.mirror === undefined ? undefined : mirrorMatrix(copy.mirror)
  const inner = sectionById(model, copy.section)
  const plain = seatOf(inner, joint.by, catalogue, { slide })
  const by = mirror ? seatOf(inner, joint.by, catalogue, { slide, mirror }) : plain
  const looksBack = BY_FACE.has(joint.on.kind)
  const target = looksBack ? frameOf(scale(on.facing, -1), backAcross(on)) : frameOf(on.axis, on.across)
  const straightFor = (seat: Seat): Matrix =>
    multiply(target, transpose(looksBack ? frameOf(seat.facing, onAcross(seat)) : frameOf(seat.axis, seat.across)))
  const straight = mirror ? mostAlike(straightFor(plain), mirror, axisEitherWay(by).map(straightFor)) : straightFor(by)
  const [first = 0, second = 0, third = 0] = joint.angles ?? []
  const turned = isBall(joint.on.kind)
    ? multiply(
        turnAbout(cross(on.facing, acrossOf(on.facing)), third),
        multiply(turnAbout(acrossOf(on.facing), second), turnAbout(on.facing, first)),
      )
    : turnAbout(on.axis, first)
  const turn = multiply(turned, straight)
  const whole = mirror ? multiply(turn, mirror) : turn
  const at = subtract(on.at, apply(turn, by.at))
  return { matrix: whole.map(cleaned) as unknown as Matrix, at: mapVec(at, cleaned) }
}

/** The axis of a hinge or clip has no head: a mirrored one may look along it either way. */
const axisEitherWay = (seat: Seat): Seat[] =>
  Math.abs(dot(seat.axis, seat.facing)) > 0.5 ? [seat] : [seat, { ...seat, axis: scale(seat.axis, -1) }]

/** Of the ways a mirrored copy can hang, the one in which it stands up as it does unmirrored; where that tells nothing, lies as it does. */
function mostAlike(plain: Matrix, mirror: Matrix, ways: readonly Matrix[]): Matrix {
  const kept = (
    [
      [0, 0, 1],
      [0, 1, 0],
      [1, 0, 0],
    ] as Vec[]
  ).filter((way) => dot(apply(mirror, way), way) > 0)
  const likeness = (way: Matrix): number =>
    kept.reduce((sum, each, i) => sum + dot(apply(multiply(way, mirror), each), apply(plain, each)) / 4 ** i, 0)
  return ways.reduce((best, way) => (likeness(way) > likeness(best) + CLEAN ? way : best))
}

/** How far from straight a ball is bent by its second and third angle, degrees. */
export function ballBend(second: number, third: number): number {
  const radians = Math.PI / 180
  return Math.acos(Math.max(-1, Math.min(1, Math.cos(second * radians) * Math.cos(third * radians)))) / radians
}

/** How far a ball that is bent so about one axis may be bent about the other, degrees either way. */
function bendLeft(most: number, other: number): number {
  const radians = Math.PI / 180
  const share = Math.cos(most * radians) / Math.cos(other * radians)
  return share >= 1 || share <= 0 ? 0 : Math.acos(share) / radians
}

/** How far a joint lets a copy move from where it is now, in the lattice of the section that holds it. */
export interface JointReach {
  readonly at: Vec
  /** Turns about a unit vector, degrees from where it is now; a joint that goes all the way round reaches 360. */
  readonly turns: readonly { readonly axis: Vec; readonly from: number; readonly to: number }[]
  /** Slides along a unit vector, u from where it is now. */
  readonly slide?: { readonly way: Vec; readonly from: number; readonly to: number }
}

/** @returns nothing for a copy without a joint */
export function jointReach(model: ModelDocument, section: Section, copy: Copy, catalogue: Catalogue): JointReach | undefined {
  const { joint } = copy
  if (!joint) return undefined
  const slide = joint.slide ?? 0
  const { at, axis, facing } = seatOf(section, joint.on, catalogue, { slide })
  const limit = ANGLE_LIMITS[joint.on.kind] ?? 360
  const turn = (about: Vec, now = 0, most = limit) => ({
    axis: about,
    from: -most - (most < 360 ? now : 0),
    to: most - (most < 360 ? now : 0),
  })
  const [first, second = 0, third = 0] = joint.angles ?? []
  const sideways = acrossOf(facing)
  // An axle turns with the cross it goes through, never in it.
  const isFast = joint.on.kind === 'cross' || joint.by.kind === 'cross'
  const ball = isBall(joint.on.kind)
    ? [turn(sideways, second, bendLeft(limit, third)), turn(cross(facing, sideways), third, bendLeft(limit, second))]
    : undefined
  const turns = isFast ? [] : (ball ?? [turn(axis, first)])
  const [along, through] = [lengthOf(section, joint.on, catalogue), lengthOf(sectionById(model, copy.section), joint.by, catalogue)]
  if (along !== undefined) return { at, turns, slide: { way: axis, from: -slide, to: along - slide } }
  // What slides through the joint goes the other way than the place where it is held.
  return { at, turns, ...(through === undefined ? {} : { slide: { way: axis, from: slide - through, to: slide } }) }
}

/** How long what an end names is, where it is a bar, axle or hose, u. */
function lengthOf(section: Section, end: JointEnd, catalogue: Catalogue): number | undefined {
  const part = partsOf(section).find((candidate) => candidate.id === end.part)!
  return connectorOf(shapeOfPart(part, catalogue.shapes), end)!.length
}

const BY_FACE = new Set<ConnectorKind>(['post', 'ring', 'ball', 'cup', 'tongue', 'fork'])
export const isBall = (kind: ConnectorKind): boolean => kind === 'ball' || kind === 'cup'
/** What looks back at a hinge has it the other way round, so that two plates that lie flat both have their studs up. */
const backAcross = (seat: Seat): Vec => (onAcross(seat) === seat.axis ? scale(seat.axis, -1) : onAcross(seat))
/** Across the way it faces: the hinge's axis where it has one. */
const onAcross = (seat: Seat): Vec => (Math.abs(dot(seat.axis, seat.facing)) > 0.5 ? acrossOf(seat.facing) : seat.axis)
