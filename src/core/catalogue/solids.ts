import { type Axis, type Box, type Vec, type FlatPoint } from '../space'
import type { PerforatedCell } from './solid'
import type { BodyBox } from './types'
import { circle, cornersOf, rectangle, type Rectangle } from './polygon'

/** A body that turns where it is held: a ball, bar or peg. */
export const round = (box: Box): BodyBox => ({ ...box, round: true })

/** What is left of a box when another is cut out of it: up to six boxes. */
function without(box: Box, hole: Box): Box[] {
  const isApart = [0, 1, 2].some((i) => hole.min[i]! >= box.max[i]! || hole.max[i]! <= box.min[i]!)
  if (isApart) return [box]
  const left: Box[] = []
  const min = [...box.min] as [number, number, number]
  const max = [...box.max] as [number, number, number]
  for (const axis of [2, 0, 1] as const) {
    if (hole.min[axis] > min[axis]) left.push({ min: [...min], max: withCoordinate(max, axis, hole.min[axis]) })
    if (hole.max[axis] < max[axis]) left.push({ min: withCoordinate(min, axis, hole.max[axis]), max: [...max] })
    min[axis] = Math.max(min[axis], hole.min[axis])
    max[axis] = Math.min(max[axis], hole.max[axis])
  }
  return left
}

function withCoordinate(v: readonly number[], axis: Axis, value: number): Vec {
  const next = [...v] as [number, number, number]
  next[axis] = value
  return next
}

/** A box with several others cut out. */
export const carved = (box: Box, holes: readonly Box[]): Box[] =>
  holes.reduce<Box[]>((boxes, hole) => boxes.flatMap((each) => without(each, hole)), [box])

/** Holes of one sort: their radius, half the width of the cell that each is cut into, and how many sides they are drawn with. */
export interface Bores {
  readonly radius: number
  readonly half: number
  readonly sides: number
}

/** For pins and for axles. */
export const ROUND_BORE: Bores = { radius: 2.9, half: 3.6, sides: 16 }
export const CROSS_BORE: Bores = { radius: 2.4, half: 3.6, sides: 4 }

/** Holes in a row, each in a cell of its own, for a perforated solid; what no cell covers is filled. */
export function holesInRow(whole: Rectangle, middles: readonly FlatPoint[], { radius, half, sides }: Bores): PerforatedCell[] {
  const cells: PerforatedCell[] = []
  const [low, high] = [whole.min[1], whole.max[1]]
  let left = whole.min[0]
  for (const middle of middles) {
    if (middle[0] - half > left) cells.push({ cell: cornersOf(rectangle(left, low, middle[0] - half, high)) })
    cells.push({ cell: cornersOf(rectangle(middle[0] - half, low, middle[0] + half, high)), hole: circle(middle, radius, sides) })
    left = middle[0] + half
  }
  if (left < whole.max[0]) cells.push({ cell: cornersOf(rectangle(left, low, whole.max[0], high)) })
  return cells
}
