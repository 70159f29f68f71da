import { AGREEMENT, axesLet, givenHolds, gripCount, mainWay, receivedHold, type Connector, type HoldKind } from '../catalogue'
import { axisOf, DIRECTION_VECTORS, opposite, type Direction, type Vec, mapVec } from '../space'

/** What a grip does in its joint. */
export const ROLE = { receives: 0, stud: 1, gives: 2 } as const

/**
 * One place in the lattice at which a connector can take hold. Two grips join when they are at one place with one code, and
 * one of them gives. The code says the sort of joint and what must agree: for studs and posts the way that the receiver
 * faces, for what turns about an axis that axis.
 */
export interface Grip {
  readonly at: Vec
  readonly code: number
  readonly role: number
  /** Of what receives: a bit for each axis along which the other can be pulled out. */
  readonly lets: number
}

/** Every place in the lattice at which something can take hold: `Grip` says what code, role and lets mean. */
export interface GripTable {
  readonly count: number
  readonly node: Int32Array
  readonly part: Int32Array
  readonly at: Int32Array
  readonly code: Uint8Array
  readonly role: Uint8Array
  readonly lets: Uint8Array
}

const CODES_OF_KIND = 8

/** The sort of joint of a code. */
export const holdOfCode = (code: number): HoldKind => Math.floor(code / CODES_OF_KIND) as HoldKind

function codeOf(hold: HoldKind, way: Direction, role: 'gives' | 'receives'): number {
  const agreement = AGREEMENT[hold]!
  if (agreement === 'none') return hold * CODES_OF_KIND
  if (agreement === 'axis') return hold * CODES_OF_KIND + axisOf(way)
  return hold * CODES_OF_KIND + (role === 'gives' ? opposite(way) : way)
}

/** All grips of a connector that stands in the lattice. */
export function gripsOf(connector: Connector): Grip[] {
  const way = mainWay(connector)
  const holds = givenHolds(connector.kind)
  if (holds.length === 0) {
    const lets = axesLet(connector).reduce<number>((bits, axis) => bits | (1 << axis), 0)
    return [{ at: connector.at, code: codeOf(receivedHold(connector.kind), way, 'receives'), role: ROLE.receives, lets }]
  }
  const role = connector.kind === 'stud' ? ROLE.stud : ROLE.gives
  const step = DIRECTION_VECTORS[connector.facing]!
  return Array.from({ length: gripCount(connector) }, (_, k) => mapVec(connector.at, (v, i) => v + k * step[i])).flatMap((at) =>
    holds.map((hold) => ({ at, code: codeOf(hold, way, 'gives'), role, lets: 0 })),
  )
}
