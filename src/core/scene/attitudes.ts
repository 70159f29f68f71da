import { memo } from '../memo'
import type { Shape } from '../catalogue'
import {
  apply,
  axisOf,
  directionOf,
  DIRECTION_VECTORS,
  posed,
  posedBox,
  unite,
  type Box,
  type Direction,
  type Matrix,
  type Pose,
} from '../space'
import { gripsOf } from './grips'
import { studBox } from './stud-box'

/** A shape in one lattice attitude, relative to the place of its own origin: worked out once, then only shifted. */
export const MARK = {
  /** A stud may pass. */
  open: 1,
  /** A ball, bar or peg: against what stands in a free pose only what is inside its round counts. */
  round: 2,
} as const

export interface Attitude {
  /** min x, y, z, max x, y, z of each body, u. */
  readonly bodies: Int32Array
  /** Of each body, see `MARK`. */
  readonly marks: Uint8Array
  readonly hull: Box
  /** x, y, z of each grip, u. */
  readonly places: Int32Array
  /** What must agree, see `grips.ts`. */
  readonly codes: Uint8Array
  readonly roles: Uint8Array
  readonly lets: Uint8Array
  /** The boxes of the studs, in the order of the studs among the connectors. */
  readonly studs: Int32Array
  readonly studAxes: Uint8Array
}

/** A signed permutation as a number. */
const codeOf = (m: Matrix): number => m.reduce((code, value) => code * 3 + value + 1, 0)

const attitudesOf = memo((_: Shape) => new Map<number, Attitude>())

export function attitudeOf(shape: Shape, matrix: Matrix): Attitude {
  const ofShape = attitudesOf(shape)
  const code = codeOf(matrix)
  let attitude = ofShape.get(code)
  if (!attitude) ofShape.set(code, (attitude = makeAttitude(shape, matrix)))
  return attitude
}

function makeAttitude(shape: Shape, matrix: Matrix): Attitude {
  const pose: Pose = { matrix, at: [0, 0, 0] }
  const boxes = shape.bodies.map((body) => posedBox(pose, body))
  const turned = (way: Direction): Direction => directionOf(apply(matrix, DIRECTION_VECTORS[way]!))!
  const connectors = shape.connectors.map((connector) => ({
    ...connector,
    at: posed(pose, connector.at),
    facing: turned(connector.facing),
    ...(connector.along === undefined ? {} : { along: turned(connector.along) }),
  }))
  const studs = connectors.filter((connector) => connector.kind === 'stud')
  const grips = connectors.flatMap(gripsOf)
  return {
    bodies: flat(boxes),
    marks: Uint8Array.from(shape.bodies, (body) => (body.open ? MARK.open : body.round ? MARK.round : 0)),
    hull: boxes.reduce(unite),
    places: Int32Array.from(grips.flatMap((grip) => [...grip.at])),
    codes: Uint8Array.from(grips, (grip) => grip.code),
    roles: Uint8Array.from(grips, (grip) => grip.role),
    lets: Uint8Array.from(grips, (grip) => grip.lets),
    studs: flat(studs.map(({ at, facing }) => studBox(at, facing))),
    studAxes: Uint8Array.from(studs, ({ facing }): number => axisOf(facing)),
  }
}

const flat = (boxes: readonly Box[]): Int32Array => Int32Array.from(boxes.flatMap((box) => [...box.min, ...box.max]))
