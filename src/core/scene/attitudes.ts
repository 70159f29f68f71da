import type { Shape } from '../catalogue'
import { apply, axisOf, directionOf, DIRECTION_VECTORS, posed, posedBox, unite, type Box, type Matrix, type Pose } from '../space'
import { studBox } from './stud-box'

/** A shape in one lattice attitude, relative to the place of its own origin: worked out once, then only shifted. */
export interface Attitude {
  /** min x, y, z, max x, y, z of each body, u. */
  readonly bodies: Int32Array
  /** 1 where a stud may pass. */
  readonly isOpen: Uint8Array
  readonly hull: Box
  /** x, y, z of each connector, u. */
  readonly places: Int32Array
  readonly facing: Uint8Array
  readonly isStud: Uint8Array
  /** The boxes of the studs, in the order of the studs among the connectors. */
  readonly studs: Int32Array
  readonly studAxes: Uint8Array
}

const known = new WeakMap<Shape, Map<number, Attitude>>()

/** A signed permutation as a number. */
const codeOf = (m: Matrix): number => m.reduce((code, value) => code * 3 + value + 1, 0)

export function attitudeOf(shape: Shape, matrix: Matrix): Attitude {
  let ofShape = known.get(shape)
  if (!ofShape) known.set(shape, (ofShape = new Map<number, Attitude>()))
  const code = codeOf(matrix)
  let attitude = ofShape.get(code)
  if (!attitude) ofShape.set(code, (attitude = makeAttitude(shape, matrix)))
  return attitude
}

function makeAttitude(shape: Shape, matrix: Matrix): Attitude {
  const pose: Pose = { matrix, at: [0, 0, 0] }
  const boxes = shape.bodies.map((body) => posedBox(pose, body))
  const connectors = shape.connectors.map(({ kind, at, facing }) => ({
    isStud: kind === 'stud',
    at: posed(pose, at),
    facing: directionOf(apply(matrix, DIRECTION_VECTORS[facing]!))!,
  }))
  const studs = connectors.filter((connector) => connector.isStud)
  return {
    bodies: flat(boxes),
    isOpen: Uint8Array.from(shape.bodies, (body) => (body.open ? 1 : 0)),
    hull: boxes.reduce(unite),
    places: Int32Array.from(connectors.flatMap((connector) => [...connector.at])),
    facing: Uint8Array.from(connectors, (connector) => connector.facing),
    isStud: Uint8Array.from(connectors, (connector) => (connector.isStud ? 1 : 0)),
    studs: flat(studs.map(({ at, facing }) => studBox(at, facing))),
    studAxes: Uint8Array.from(studs, ({ facing }): number => axisOf(facing)),
  }
}

const flat = (boxes: readonly Box[]): Int32Array => Int32Array.from(boxes.flatMap((box) => [...box.min, ...box.max]))
