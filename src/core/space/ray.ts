import type { Box } from './boxes'
import type { Vec } from './vectors'

/** A half line: from a point along a way, which need not have length 1. Distances along it are in lengths of the way. */
export interface Ray {
  readonly from: Vec
  readonly way: Vec
}

export const alongRay = ({ from, way }: Ray, distance: number): Vec => [
  from[0] + way[0] * distance,
  from[1] + way[1] * distance,
  from[2] + way[2] * distance,
]

/**
 * How far along a ray it enters a box (0 where it begins inside); `Infinity` where it misses. The slab method (Kay and Kajiya 1986,
 * "Ray tracing complex scenes").
 */
export function enterBox(ray: Ray, { min, max }: Box): number {
  let near = 0
  let far = Infinity
  for (let axis = 0; axis < 3; axis++) {
    const [from, way] = [ray.from[axis]!, ray.way[axis]!]
    if (way === 0) {
      if (from < min[axis]! || from > max[axis]!) return Infinity
      continue
    }
    const a = (min[axis]! - from) / way
    const b = (max[axis]! - from) / way
    near = Math.max(near, Math.min(a, b))
    far = Math.min(far, Math.max(a, b))
  }
  return near <= far ? near : Infinity
}
