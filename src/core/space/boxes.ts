import type { Pose } from './poses'
import type { Vec } from './vectors'

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

/** The smallest box around all of some boxes; nothing where there are none. */
export function uniteAll(boxes: readonly Box[]): Box | undefined {
  if (boxes.length === 0) return undefined
  let [left, front, low, right, back, high] = [Infinity, Infinity, Infinity, -Infinity, -Infinity, -Infinity]
  for (const { min, max } of boxes) {
    if (min[0] < left) left = min[0]
    if (min[1] < front) front = min[1]
    if (min[2] < low) low = min[2]
    if (max[0] > right) right = max[0]
    if (max[1] > back) back = max[1]
    if (max[2] > high) high = max[2]
  }
  return { min: [left, front, low], max: [right, back, high] }
}

/** The smallest axis-parallel box around a posed box; exact where the pose is a lattice one. Runs for every part: no lists on the way. */
export function posedBox({ matrix: m, at }: Pose, { min, max }: Box): Box {
  const x = (min[0] + max[0]) / 2
  const y = (min[1] + max[1]) / 2
  const z = (min[2] + max[2]) / 2
  const halfX = (max[0] - min[0]) / 2
  const halfY = (max[1] - min[1]) / 2
  const halfZ = (max[2] - min[2]) / 2
  const middleX = m[0] * x + m[1] * y + m[2] * z + 0 + at[0]
  const middleY = m[3] * x + m[4] * y + m[5] * z + 0 + at[1]
  const middleZ = m[6] * x + m[7] * y + m[8] * z + 0 + at[2]
  const reachX = Math.abs(m[0]) * halfX + Math.abs(m[1]) * halfY + Math.abs(m[2]) * halfZ
  const reachY = Math.abs(m[3]) * halfX + Math.abs(m[4]) * halfY + Math.abs(m[5]) * halfZ
  const reachZ = Math.abs(m[6]) * halfX + Math.abs(m[7]) * halfY + Math.abs(m[8]) * halfZ
  return { min: [middleX - reachX, middleY - reachY, middleZ - reachZ], max: [middleX + reachX, middleY + reachY, middleZ + reachZ] }
}
