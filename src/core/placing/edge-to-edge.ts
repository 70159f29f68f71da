import type { Catalogue } from '../catalogue'
import type { PlacedPart } from '../model'
import { partHull } from '../scene'
import { STUD_PITCH, unite, type Box, type Vec } from '../space'
import { heldParts, type Hand } from './hand'
import type { PlaceJudge } from './judge'

/** What is so wide and so deep at its foot is a base plate or a module: it is laid beside others, u. */
const LEAST_SIDE = 8 * STUD_PITCH
/** Edges that are nearer than this are meant to touch, u. */
const NEAR = 2 * STUD_PITCH

/** How far something would move along one axis, and whether two edges touch then, or lie in one line. */
interface Shift {
  readonly by: number
  readonly touches: boolean
  /** It is not moved along this axis. */
  readonly isStay?: boolean
}

interface PlaceBeside {
  readonly by: readonly [x: number, y: number]
  /** Corners meet, too. */
  readonly isCorner: boolean
}

/**
 * Lays a base plate or a module on the table edge to edge with what lies there: one edge touches, and the corners meet where they
 * are near. Where nothing is near, or something would be in the way, it stays where it is.
 * @param at its lowest corner, u
 */
export function edgeToEdge(hand: Hand, at: Vec, { judge, catalogue, except }: EdgeQuestion): Vec {
  const parts = heldParts(hand, at, catalogue)
  const foot = footOf(parts)
  if (foot.max[0] - foot.min[0] < LEAST_SIDE || foot.max[1] - foot.min[1] < LEAST_SIDE) return at
  const there = judge.footsNear(grown(foot, NEAR), except)
  const places = there.flatMap((other) => placesBeside(foot, other))
  places.sort((a, b) => Number(b.isCorner) - Number(a.isCorner) || Math.hypot(...a.by) - Math.hypot(...b.by))
  const found = places.find(({ by: [x, y] }) => {
    const moved = heldParts(hand, [at[0] + x, at[1] + y, at[2]], catalogue)
    return judge.judge(moved, except).collidesWith.length === 0
  })
  return found ? [at[0] + found.by[0], at[1] + found.by[1], at[2]] : at
}

interface EdgeQuestion {
  readonly judge: PlaceJudge
  readonly catalogue: Catalogue
  /** Nodes that are thought away: those that are being moved. */
  readonly except: ReadonlySet<string>
}

/** Around what stands lowest, u. */
function footOf(parts: readonly PlacedPart[]): Box {
  const boxes = parts.map(partHull)
  const low = Math.min(...boxes.map(({ min }) => min[2]))
  return boxes.filter(({ min }) => min[2] === low).reduce(unite)
}

const grown = ({ min, max }: Box, by: number): Box => ({
  min: [min[0] - by, min[1] - by, min[2]],
  max: [max[0] + by, max[1] + by, max[2]],
})

/** Ways to lie beside another: it touches along one axis, and along the other the edges lie in one line, or it stays. */
function placesBeside(foot: Box, other: Box): PlaceBeside[] {
  const [xs, ys] = [shiftsAlong(0, foot, other), shiftsAlong(1, foot, other)]
  const stays: Shift = { by: 0, touches: false, isStay: true }
  return [...xs, stays]
    .flatMap((x) => [...ys, stays].map((y) => ({ x, y })))
    .filter(({ x, y }) => x.touches !== y.touches)
    .map(({ x, y }) => ({ by: [x.by, y.by], isCorner: !x.isStay && !y.isStay }))
}

function shiftsAlong(axis: 0 | 1, foot: Box, other: Box): Shift[] {
  const [low, high] = [foot.min[axis], foot.max[axis]]
  const [itsLow, itsHigh] = [other.min[axis], other.max[axis]]
  const all: Shift[] = [
    { by: itsHigh - low, touches: true },
    { by: itsLow - high, touches: true },
    { by: itsLow - low, touches: false },
    { by: itsHigh - high, touches: false },
  ]
  return all.filter(({ by }) => Math.abs(by) <= NEAR)
}
