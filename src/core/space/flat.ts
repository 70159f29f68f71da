/** Flat geometry on lists of [u, v]: convex polygons cut by lines and by each other. */
export type FlatPoint = readonly [number, number]

/**
 * What of a convex polygon lies on the left of the line from `a` to `b` (u to the right, v up), seams kept.
 * One step of Sutherland and Hodgman 1974, "Reentrant polygon clipping".
 */
export function leftOf(polygon: readonly FlatPoint[], a: FlatPoint, b: FlatPoint): FlatPoint[] {
  const side = ([u, v]: FlatPoint): number => (b[0] - a[0]) * (v - a[1]) - (b[1] - a[1]) * (u - a[0])
  return keep(polygon, side)
}

/** What of a convex polygon lies where a linear function is not negative. */
export function keep(polygon: readonly FlatPoint[], side: (point: FlatPoint) => number): FlatPoint[] {
  const kept: FlatPoint[] = []
  for (let i = 0; i < polygon.length; i++) {
    const here = polygon[i]!
    const next = polygon[(i + 1) % polygon.length]!
    const [mine, theirs] = [side(here), side(next)]
    if (mine >= 0) kept.push(here)
    if (mine < 0 !== theirs < 0 && mine !== theirs) {
      const share = mine / (mine - theirs)
      kept.push([here[0] + (next[0] - here[0]) * share, here[1] + (next[1] - here[1]) * share])
    }
  }
  return kept
}

/** What two convex polygons have in common; the second runs anticlockwise (u to the right, v up). */
export function common(polygon: readonly FlatPoint[], other: readonly FlatPoint[]): FlatPoint[] {
  let left: FlatPoint[] = [...polygon]
  for (let i = 0; i < other.length && left.length > 0; i++) left = leftOf(left, other[i]!, other[(i + 1) % other.length]!)
  return left
}

/**
 * What of a convex polygon lies outside another, in convex pieces: cut along one side of the other after the next.
 * The second runs anticlockwise (u to the right, v up).
 */
export function outsideOf(polygon: readonly FlatPoint[], other: readonly FlatPoint[]): FlatPoint[][] {
  const pieces: FlatPoint[][] = []
  let left: FlatPoint[] = [...polygon]
  for (let i = 0; i < other.length && left.length > 0; i++) {
    const [a, b] = [other[i]!, other[(i + 1) % other.length]!]
    const piece = leftOf(left, b, a)
    if (areaOf(piece) > 0) pieces.push(piece)
    left = leftOf(left, a, b)
  }
  return pieces
}

/** Twice nothing for a line; positive where the corners run anticlockwise. */
export function signedAreaOf(polygon: readonly FlatPoint[]): number {
  let sum = 0
  for (let i = 0; i < polygon.length; i++) {
    const [a, b] = [polygon[i]!, polygon[(i + 1) % polygon.length]!]
    sum += a[0] * b[1] - b[0] * a[1]
  }
  return sum / 2
}

export const areaOf = (polygon: readonly FlatPoint[]): number => Math.abs(signedAreaOf(polygon))
