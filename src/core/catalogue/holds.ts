import { axisOf, type Axis, type Direction } from '../space'
import type { Connector, ConnectorKind } from './types'

/** The sorts of joints; `press` is no connector's: a plate on edge between two studs. */
export const HOLD = { stud: 0, clip: 1, hole: 2, cross: 3, ball: 4, hinge: 5, post: 6, press: 7 } as const
export type HoldKind = (typeof HOLD)[keyof typeof HOLD]

/** What takes hold in something else, and in which sorts of joints. */
const GIVES: Partial<Record<ConnectorKind, readonly HoldKind[]>> = {
  stud: [HOLD.stud],
  bar: [HOLD.clip],
  pin: [HOLD.hole],
  axle: [HOLD.hole, HOLD.cross],
  hose: [HOLD.hole],
  ball: [HOLD.ball],
  tongue: [HOLD.hinge],
  post: [HOLD.post],
}

const RECEIVES: Partial<Record<ConnectorKind, HoldKind>> = {
  socket: HOLD.stud,
  mouth: HOLD.stud,
  clip: HOLD.clip,
  hole: HOLD.hole,
  cross: HOLD.cross,
  cup: HOLD.ball,
  fork: HOLD.hinge,
  ring: HOLD.post,
}

/** In which sorts of joints a connector is the one that gives; empty when it receives. */
export const givenHolds = (kind: ConnectorKind): readonly HoldKind[] => GIVES[kind] ?? []

export const receivedHold = (kind: ConnectorKind): HoldKind => RECEIVES[kind]!

/** The way that the two of a joint must share: facing each other, one axis, or nothing at all (a ball). */
export const AGREEMENT: readonly ('facing' | 'axis' | 'none')[] = ['facing', 'axis', 'axis', 'axis', 'none', 'axis', 'facing', 'none']

/** The direction that must agree. */
export const mainWay = ({ facing, along }: Connector): Direction => along ?? facing

/**
 * The axes along which what is held can be pulled out, told by the one that receives: a bar out of the mouth of its clip or
 * lengthwise, a stud, a peg, a ball, a tongue one way only.
 */
export function axesLet({ kind, facing, along }: Connector): readonly Axis[] {
  return kind === 'clip' ? [axisOf(facing), axisOf(along!)] : [axisOf(facing)]
}

/** Every place of a connector that can be held: of a bar, axle or hose each whole u of its length, else the one. */
export const gripCount = ({ length = 0 }: Connector): number => length + 1
