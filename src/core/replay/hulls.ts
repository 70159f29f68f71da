import { cross, dot, scale, subtract, type Vec } from '../space'

const ROUNDS = 64
const TINY = 1e-9

/**
 * Whether two convex bodies, each the hull of some points, share space: a simplex in their difference is walked toward the
 * origin until it holds it or cannot reach it (Gilbert, Johnson, Keerthi 1988, "A fast procedure for computing the distance
 * between complex objects in three-dimensional space"). Bodies that only touch may be told either way.
 */
export function hullsShare(a: readonly Vec[], b: readonly Vec[]): boolean {
  // A no is proven by a plane between them; a yes may be a walk that went in a circle, so it is walked from several sides.
  return STARTS.every((start) => walkMeets(a, b, start) && walkMeets(b, a, start))
}

const STARTS: readonly Vec[] = [
  [1, 0, 0],
  [0.3, 0.5, 0.8],
]

function walkMeets(a: readonly Vec[], b: readonly Vec[], start: Vec): boolean {
  const support = (way: Vec): Vec => subtract(farthest(a, way), farthest(b, scale(way, -1)))
  let simplex: Vec[] = [support(start)]
  let way = scale(simplex[0]!, -1)
  for (let round = 0; round < ROUNDS; round++) {
    if (dot(way, way) < TINY) return true
    const next = support(way)
    if (dot(next, way) <= TINY) return false
    simplex = [next, ...simplex]
    const nearer = nearest(simplex)
    if (!nearer) return true
    simplex = nearer.simplex
    way = nearer.way
  }
  return true
}

function farthest(points: readonly Vec[], way: Vec): Vec {
  let best = points[0]!
  for (const point of points) if (dot(point, way) > dot(best, way)) best = point
  return best
}

interface Nearer {
  readonly simplex: Vec[]
  /** From there toward the origin. */
  readonly way: Vec
}

/** The part of a simplex nearest to the origin, the newest point first; undefined where it holds the origin. */
function nearest(simplex: readonly Vec[]): Nearer | undefined {
  const [a, b, c, d] = simplex as [Vec, Vec, Vec, Vec]
  if (simplex.length === 2) return onLine(a, b)
  if (simplex.length === 3) return onTriangle(a, b, c)
  const toOrigin = scale(a, -1)
  for (const [p, q, opposite] of [
    [b, c, d],
    [c, d, b],
    [d, b, c],
  ] as const) {
    const normal = outward(a, p, q, opposite)
    if (dot(normal, toOrigin) > TINY) return onTriangle(a, p, q)
  }
  return undefined
}

/** The normal of a face of a tetrahedron, away from its fourth corner. */
function outward(a: Vec, p: Vec, q: Vec, opposite: Vec): Vec {
  const normal = cross(subtract(p, a), subtract(q, a))
  return dot(normal, subtract(opposite, a)) > 0 ? scale(normal, -1) : normal
}

function onLine(a: Vec, b: Vec): Nearer {
  const along = subtract(b, a)
  const toOrigin = scale(a, -1)
  if (dot(along, toOrigin) <= 0) return { simplex: [a], way: toOrigin }
  return { simplex: [a, b], way: cross(cross(along, toOrigin), along) }
}

function onTriangle(a: Vec, b: Vec, c: Vec): Nearer {
  const [ab, ac] = [subtract(b, a), subtract(c, a)]
  const toOrigin = scale(a, -1)
  const normal = cross(ab, ac)
  if (dot(cross(normal, ac), toOrigin) > 0) return dot(ac, toOrigin) > 0 ? onLine(a, c) : onLine(a, b)
  if (dot(cross(ab, normal), toOrigin) > 0) return onLine(a, b)
  return dot(normal, toOrigin) > 0 ? { simplex: [a, b, c], way: normal } : { simplex: [a, c, b], way: scale(normal, -1) }
}
