import type { Box } from './boxes'
import { middle, sizeOf } from './boxes'
import { FREE_TOLERANCE, posed, type Pose } from './poses'
import { scale, type Vec } from './vectors'

/** A box in any attitude: a centre and three half edges at right angles, in u. */
export interface OrientedBox {
  readonly centre: Vec
  readonly halves: readonly [Vec, Vec, Vec]
}

export function orientedBox(pose: Pose, box: Box): OrientedBox {
  const size = sizeOf(box)
  const m = pose.matrix
  return {
    centre: posed(pose, middle(box)),
    halves: [0, 1, 2].map((i) => scale([m[i]!, m[i + 3]!, m[i + 6]!], size[i]! / 2)) as unknown as [Vec, Vec, Vec],
  }
}

/** Edges of the pair at hand, x, y, z of each: three of one, three of the other, the travel. Never kept between calls. */
const edges = new Float64Array(21)

function writeEdges(moving: OrientedBox, standing: OrientedBox, travel: Vec): number {
  for (let i = 0; i < 3; i++) {
    edges.set(moving.halves[i]!, i * 3)
    edges.set(standing.halves[i]!, 9 + i * 3)
  }
  edges.set(travel, 18)
  return travel[0] !== 0 || travel[1] !== 0 || travel[2] !== 0 ? 7 : 6
}

/**
 * Whether `moving`, swept along `travel` (a vector, in u), meets `standing`.
 *
 * Bodies that share less than the tolerance of free poses only graze.
 * Both are zonotopes (sums of segments), so a separating plane, if there is one, has a normal among the cross products
 * of their edges: the separating axis test (Gottschalk, Lin, Manocha 1996, "OBBTree") with the travel as one more edge.
 */
export function sweptMeets(moving: OrientedBox, standing: OrientedBox, travel: Vec): boolean {
  const count = writeEdges(moving, standing, travel)
  const x = standing.centre[0] - moving.centre[0] - travel[0] / 2
  const y = standing.centre[1] - moving.centre[1] - travel[1] / 2
  const z = standing.centre[2] - moving.centre[2] - travel[2] / 2
  for (let i = 0; i < count; i++) {
    const [ax, ay, az] = [edges[i * 3]!, edges[i * 3 + 1]!, edges[i * 3 + 2]!]
    for (let j = i + 1; j < count; j++) {
      const [bx, by, bz] = [edges[j * 3]!, edges[j * 3 + 1]!, edges[j * 3 + 2]!]
      const nx = ay * bz - az * by
      const ny = az * bx - ax * bz
      const nz = ax * by - ay * bx
      const size = Math.sqrt(nx * nx + ny * ny + nz * nz)
      if (size < 1e-9) continue
      let reach = 0
      for (let k = 0; k < 6; k++) reach += Math.abs(edges[k * 3]! * nx + edges[k * 3 + 1]! * ny + edges[k * 3 + 2]! * nz)
      if (count === 7) reach += Math.abs(edges[18]! * nx + edges[19]! * ny + edges[20]! * nz) / 2
      if (Math.abs(x * nx + y * ny + z * nz) >= reach - FREE_TOLERANCE * size) return false
    }
  }
  return true
}
