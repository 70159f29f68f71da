import type { Box } from './boxes'
import { middle, sizeOf } from './boxes'
import { FREE_TOLERANCE, posed, type Pose } from './poses'
import { cross, dot, length, scale, subtract, type Vec } from './vectors'

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

/**
 * Whether `moving`, swept along `travel` (a vector, in u), meets `standing`.
 *
 * Bodies that share less than the tolerance of free poses only graze.
 * Both are zonotopes (sums of segments), so a separating plane, if there is one, has a normal among the cross products
 * of their edges: the separating axis test (Gottschalk, Lin, Manocha 1996, "OBBTree") with the travel as one more edge.
 */
export function sweptMeets(moving: OrientedBox, standing: OrientedBox, travel: Vec): boolean {
  const edges: Vec[] = [...moving.halves, ...standing.halves]
  const travels = length(travel) > 0
  if (travels) edges.push(travel)
  const half = scale(travel, 0.5)
  const between = subtract(subtract(standing.centre, moving.centre), half)
  for (let i = 0; i < edges.length; i++) {
    for (let j = i + 1; j < edges.length; j++) {
      const normal = cross(edges[i]!, edges[j]!)
      const size = length(normal)
      if (size < 1e-9) continue
      let reach = travels ? Math.abs(dot(half, normal)) : 0
      for (const edge of moving.halves) reach += Math.abs(dot(edge, normal))
      for (const edge of standing.halves) reach += Math.abs(dot(edge, normal))
      if (Math.abs(dot(between, normal)) >= reach - FREE_TOLERANCE * size) return false
    }
  }
  return true
}
