import earcut from 'earcut'
import { signedAreaOf, type FlatPoint } from '../space'

/** Flat polygons, as lists of [u, v], and how they fall into convex pieces. */
export type Polygon = readonly FlatPoint[]

export interface Rectangle {
  readonly min: FlatPoint
  readonly max: FlatPoint
}

export const rectangle = (left: number, low: number, right: number, high: number): Rectangle => ({ min: [left, low], max: [right, high] })

export const cornersOf = ({ min, max }: Rectangle): Polygon => [
  [min[0], min[1]],
  [max[0], min[1]],
  [max[0], max[1]],
  [min[0], max[1]],
]

/** A circle as a polygon of so many sides, anticlockwise; the first corner lies at `start` (radians). */
export function circle([u, v]: FlatPoint, radius: number, sides: number, start = 0): Polygon {
  return Array.from({ length: sides }, (_, i): FlatPoint => {
    const angle = start + (2 * Math.PI * i) / sides
    return [u + radius * Math.cos(angle), v + radius * Math.sin(angle)]
  })
}

/** Points of an arc from one angle to another (degrees), both ends included. */
export function arc([u, v]: FlatPoint, radius: number, [from, to]: readonly [number, number], pieces: number): FlatPoint[] {
  return Array.from({ length: pieces + 1 }, (_, i): FlatPoint => {
    const angle = ((from + ((to - from) * i) / pieces) * Math.PI) / 180
    return [u + radius * Math.cos(angle), v + radius * Math.sin(angle)]
  })
}

export const anticlockwise = (polygon: Polygon): Polygon => (signedAreaOf(polygon) < 0 ? [...polygon].reverse() : polygon)

const turnAt = (a: FlatPoint, b: FlatPoint, c: FlatPoint): number => (b[0] - a[0]) * (c[1] - b[1]) - (b[1] - a[1]) * (c[0] - b[0])

/** Triangles that fill a simple polygon, anticlockwise; a convex one stays whole. */
export function convexPieces(outline: Polygon): Polygon[] {
  const polygon = anticlockwise(outline)
  const isConvex = polygon.every((b, i) => turnAt(polygon.at(i - 1)!, b, polygon[(i + 1) % polygon.length]!) >= -1e-9)
  if (isConvex) return [polygon]
  const corners = earcut(polygon.flat())
  return Array.from({ length: corners.length / 3 }, (_, i) =>
    anticlockwise(corners.slice(i * 3, i * 3 + 3).map((corner) => polygon[corner]!)),
  )
}

/** Pieces of a convex polygon without a convex hole inside it. */
export function aroundHole(outside: Polygon, hole: Polygon): Polygon[] {
  const middle: FlatPoint = [hole.reduce((sum, p) => sum + p[0], 0) / hole.length, hole.reduce((sum, p) => sum + p[1], 0) / hole.length]
  const angleOf = ([u, v]: FlatPoint): number => Math.atan2(v - middle[1], u - middle[0])
  const angles = [...hole, ...outside].map(angleOf).sort((a, b) => a - b)
  const rays = angles.filter((angle, i) => i === 0 || angle - angles[i - 1]! > 1e-6)
  return rays.map((angle, i) => {
    const next = rays[(i + 1) % rays.length]!
    return [alongRay(middle, angle, outside), alongRay(middle, next, outside), alongRay(middle, next, hole), alongRay(middle, angle, hole)]
  })
}

/** Where a ray from inside a convex polygon leaves it. */
function alongRay(from: FlatPoint, angle: number, polygon: Polygon): FlatPoint {
  const way: FlatPoint = [Math.cos(angle), Math.sin(angle)]
  let far = Infinity
  polygon.forEach((a, i) => {
    const b = polygon[(i + 1) % polygon.length]!
    const edge: FlatPoint = [b[0] - a[0], b[1] - a[1]]
    const across = way[0] * edge[1] - way[1] * edge[0]
    if (Math.abs(across) < 1e-12) return
    const reach = ((a[0] - from[0]) * edge[1] - (a[1] - from[1]) * edge[0]) / across
    if (reach > 0) far = Math.min(far, reach)
  })
  // The ray leaves by the nearest edge line ahead, since the polygon is convex and holds the start.
  return [from[0] + far * way[0], from[1] + far * way[1]]
}
