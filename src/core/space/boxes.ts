import type { Pose } from './poses'
import { apply, type Vec } from './vectors'

/** An axis-parallel box, in u. It is open: boxes that only touch do not meet. */
export interface Box {
  readonly min: Vec
  readonly max: Vec
}

export const boxAt = (min: Vec, size: Vec): Box => ({
  min,
  max: [min[0] + size[0], min[1] + size[1], min[2] + size[2]],
})

export const boxesMeet = (a: Box, b: Box): boolean =>
  a.min[0] < b.max[0] && b.min[0] < a.max[0] && a.min[1] < b.max[1] && b.min[1] < a.max[1] && a.min[2] < b.max[2] && b.min[2] < a.max[2]

/** A box with so much more on every side, u. */
export const widened = ({ min, max }: Box, by: number): Box => ({
  min: [min[0] - by, min[1] - by, min[2] - by],
  max: [max[0] + by, max[1] + by, max[2] + by],
})

/** The smallest box around both. */
export const unite = (a: Box, b: Box): Box => ({
  min: [Math.min(a.min[0], b.min[0]), Math.min(a.min[1], b.min[1]), Math.min(a.min[2], b.min[2])],
  max: [Math.max(a.max[0], b.max[0]), Math.max(a.max[1], b.max[1]), Math.max(a.max[2], b.max[2])],
})

/** What is in both of two boxes that meet. */
export const sharedBox = (a: Box, b: Box): Box => ({
  min: [Math.max(a.min[0], b.min[0]), Math.max(a.min[1], b.min[1]), Math.max(a.min[2], b.min[2])],
  max: [Math.min(a.max[0], b.max[0]), Math.min(a.max[1], b.max[1]), Math.min(a.max[2], b.max[2])],
})

export const middle = (box: Box): Vec => [(box.min[0] + box.max[0]) / 2, (box.min[1] + box.max[1]) / 2, (box.min[2] + box.max[2]) / 2]

export const sizeOf = (box: Box): Vec => [box.max[0] - box.min[0], box.max[1] - box.min[1], box.max[2] - box.min[2]]

export const cornersOf = (box: Box): Vec[] =>
  [0, 1, 2, 3, 4, 5, 6, 7].map((corner) => [
    (corner & 1) === 0 ? box.min[0] : box.max[0],
    (corner & 2) === 0 ? box.min[1] : box.max[1],
    (corner & 4) === 0 ? box.min[2] : box.max[2],
  ])

/** The smallest axis-parallel box around a posed box; exact where the pose is a lattice one. */
export function posedBox(pose: Pose, box: Box): Box {
  const centre = apply(pose.matrix, middle(box))
  const half = sizeOf(box).map((side) => side / 2) as [number, number, number]
  const m = pose.matrix
  const reach = [0, 3, 6].map((row) => Math.abs(m[row]!) * half[0] + Math.abs(m[row + 1]!) * half[1] + Math.abs(m[row + 2]!) * half[2]) as [
    number,
    number,
    number,
  ]
  const low = centre.map((value, i) => value + pose.at[i]! - reach[i]!) as [number, number, number]
  const high = centre.map((value, i) => value + pose.at[i]! + reach[i]!) as [number, number, number]
  return { min: low, max: high }
}
