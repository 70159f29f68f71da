import { boxAt, type Axis, type Box, type Vec, type FlatPoint } from '../space'
import type { BodyBox } from './types'
import { circle, cornersOf, rectangle, type Polygon, type Rectangle } from './polygon'

/** A box by its place and size, u. */
export const block = (x: number, y: number, z: number, width: number, depth: number, height: number): Box =>
  boxAt([x, y, z], [width, depth, height])

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

/** Round holes in a row, each in a cell of its own, for `MeshBuilder.perforated`; what no cell covers is filled. */
export function holesInRow(whole: Rectangle, middles: readonly FlatPoint[], radius: number, half: number, sides = 16) {
  const cells: { cell: Polygon; hole?: Polygon }[] = []
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
