import { apply, dot, length, subtract, type Matrix, type Vec, vecOf, mapVec } from '../space'
import { hullsShare } from './hulls'
import type { Brick, ReplayedSolid, Stud, ReplayedThing } from './things'

/**
 * What stands in a free pose, worked out by the corners of its boxes: boxes along the axes do not describe it. Slower than
 * the lattice, and only asked where one of two things, or the way, is free.
 */

/** How far connectors in free poses may lie apart and still hold, u; bodies that share less only graze. */
const TOLERANCE = 0.2
/** Cosine from which two directions count as one. */
const SAME = 0.9999
const FAR = 4000

const cornersOf = ({ min, max }: Pick<Brick, 'min' | 'max'>): Vec[] =>
  [0, 1, 2, 3, 4, 5, 6, 7].map((i) => vecOf((k) => (((i >> k) & 1) === 1 ? max[k] : min[k])))

/** Bodies a hair smaller than they are, so that what touches does not count. */
function shrunk(corners: readonly Vec[]): Vec[] {
  const middle = [0, 1, 2].map((k) => corners.reduce((sum, corner) => sum + corner[k]!, 0) / corners.length)
  const size = length(subtract(corners[0]!, middle as unknown as Vec))
  const share = 1 - TOLERANCE / Math.max(1, size)
  return corners.map((corner) => mapVec(corner, (value, k) => middle[k]! + (value - middle[k]!) * share))
}

/** All bodies and studs of a thing, those in the lattice included. */
function solidsOf(thing: ReplayedThing, studBox: (stud: Stud) => Brick): ReplayedSolid[] {
  return [
    ...thing.boxes.map(insideRound).map((box) => ({ corners: cornersOf(box), open: box.open })),
    ...thing.studs.map((stud) => ({ corners: cornersOf(studBox(stud)), open: false, axis: stud.axis })),
    ...thing.solids,
  ]
}

/** Of each side, the share that a cube inside a ball is shorter than the ball. */
const ROUND = 0.2

function insideRound(box: Brick): Brick {
  if (!box.round) return box
  const less = ROUND * Math.min(...[0, 1, 2].map((k) => box.max[k]! - box.min[k]!))
  return { ...box, min: box.min.map((v) => v + less) as Brick['min'], max: box.max.map((v) => v - less) as Brick['max'] }
}

/** A lattice thing brought into a free pose. */
export function loosened(
  thing: ReplayedThing,
  matrix: Matrix,
  at: Vec,
  studBox: (stud: Stud) => Brick,
): Pick<ReplayedThing, 'solids' | 'freeStuds' | 'freeSockets'> {
  const place = (v: Vec): Vec => mapVec(apply(matrix, v), (value, k) => value + at[k])
  const stud = ({ foot, axis }: Stud): Stud => ({ foot: place(foot) as Stud['foot'], axis: apply(matrix, axis) })
  return {
    solids: solidsOf(thing, studBox).map((solid) => ({
      corners: solid.corners.map(place),
      open: solid.open,
      ...(solid.axis ? { axis: apply(matrix, solid.axis) } : {}),
    })),
    freeStuds: [...thing.studs, ...thing.freeStuds].map(stud),
    freeSockets: [...thing.sockets, ...thing.freeSockets].map(stud),
  }
}

/** Whether anything about a pair and its way is free. */
export const isLoosePair = (thing: ReplayedThing, other: ReplayedThing, direction: Vec): boolean =>
  thing.solids.length > 0 || other.solids.length > 0 || direction.filter((value) => value !== 0).length > 1

/** Why a thing cannot come in past another where one of them, or the way, is free; undefined when it can. */
export function looseObstacle(
  thing: ReplayedThing,
  direction: Vec,
  other: ReplayedThing,
  studBox: (stud: Stud) => Brick,
): string | undefined {
  const counts = ({ axis }: ReplayedSolid): boolean => axis === undefined || Math.abs(dot(axis, direction)) < SAME
  const mine = solidsOf(thing, studBox).filter(counts)
  const theirs = solidsOf(other, studBox).filter(counts)
  for (const a of mine) {
    const body = shrunk(a.corners)
    const way = [...body, ...body.map((corner) => mapVec(corner, (value, k) => value - direction[k] * FAR))]
    for (const b of theirs) {
      if ((a.axis !== undefined && b.open) || (b.axis !== undefined && a.open)) continue
      if (mightMeet(way, b.corners) && hullsShare(way, shrunk(b.corners))) return other.id
    }
  }
  return looseJoints(thing, other).some((axis) => Math.abs(dot(axis, direction)) < SAME) ? other.id : undefined
}

function mightMeet(a: readonly Vec[], b: readonly Vec[]): boolean {
  return [0, 1, 2].every((k) => {
    const of = (points: readonly Vec[]): number[] => points.map((point) => point[k]!)
    return Math.min(...of(a)) < Math.max(...of(b)) && Math.min(...of(b)) < Math.max(...of(a))
  })
}

/** Axes along which two things hold each other, at least one of them in a free pose. */
export function looseJoints(a: ReplayedThing, b: ReplayedThing): Vec[] {
  const axes: Vec[] = []
  for (const [one, other] of [
    [a, b],
    [b, a],
  ] as const) {
    const sockets = [...other.freeSockets.map((s) => ({ ...s, isFree: true })), ...other.sockets.map((s) => ({ ...s, isFree: false }))]
    const studs = [...one.freeStuds.map((s) => ({ ...s, isFree: true })), ...one.studs.map((s) => ({ ...s, isFree: false }))]
    for (const stud of studs) {
      for (const socket of sockets) {
        if (!stud.isFree && !socket.isFree) continue
        if (length(subtract(stud.foot, socket.foot)) <= TOLERANCE && dot(stud.axis, socket.axis) < -SAME) axes.push(stud.axis)
      }
    }
  }
  return axes
}
