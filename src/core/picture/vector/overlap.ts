import type { VisibleFacet } from './facets'

/** A polygon of few corners is cut by few lines; more corners than this have no place. */
const MOST_CORNERS = 128

/**
 * What two convex facets have in common: its area, and how much farther than the second the first is, at the least and at the most.
 * The clipping of Sutherland and Hodgman 1974 in two tables that are used again and again: it runs for every pair of a picture.
 */
export class FacetOverlap {
  /** dots² */
  area = 0
  /** u */
  low = 0
  high = 0
  private from = new Float64Array(MOST_CORNERS * 2)
  private into = new Float64Array(MOST_CORNERS * 2)

  /** @returns whether they have anything in common */
  of(a: VisibleFacet, b: VisibleFacet): boolean {
    let count = a.corners.length / 2
    this.from.set(a.corners)
    const { corners } = b
    for (let i = 0; i < corners.length && count > 2; i += 2) {
      const j = i + 2 === corners.length ? 0 : i + 2
      count = this.cut(count, corners[i]!, corners[i + 1]!, corners[j]!, corners[j + 1]!)
    }
    if (count < 3) return false
    this.measure(count, a, b)
    return true
  }

  /** Keeps what lies on the inside of a line. @returns how many corners are left */
  // eslint-disable-next-line max-params -- runs for every two facets that may overlap
  private cut(count: number, ax: number, ay: number, bx: number, by: number): number {
    const { from, into } = this
    const [dx, dy] = [bx - ax, by - ay]
    let left = 0
    let x = from[count * 2 - 2]!
    let y = from[count * 2 - 1]!
    let side = dx * (y - ay) - dy * (x - ax)
    for (let k = 0; k < count; k++) {
      const nextX = from[k * 2]!
      const nextY = from[k * 2 + 1]!
      const nextSide = dx * (nextY - ay) - dy * (nextX - ax)
      if (side < 0 !== nextSide < 0) {
        const share = side / (side - nextSide)
        into[left * 2] = x + (nextX - x) * share
        into[left * 2 + 1] = y + (nextY - y) * share
        left++
      }
      if (nextSide >= 0) {
        into[left * 2] = nextX
        into[left * 2 + 1] = nextY
        left++
      }
      x = nextX
      y = nextY
      side = nextSide
    }
    this.from = into
    this.into = from
    return left
  }

  private measure(count: number, a: VisibleFacet, b: VisibleFacet): void {
    const { from } = this
    const slopeX = a.plane[0] - b.plane[0]
    const slopeY = a.plane[1] - b.plane[1]
    const base = a.plane[2] - b.plane[2]
    let twice = 0
    let low = Infinity
    let high = -Infinity
    for (let k = 0; k < count; k++) {
      const next = k + 1 === count ? 0 : k + 1
      const x = from[k * 2]!
      const y = from[k * 2 + 1]!
      twice += x * from[next * 2 + 1]! - from[next * 2]! * y
      const far = slopeX * x + slopeY * y + base
      if (far < low) low = far
      if (far > high) high = far
    }
    this.area = Math.abs(twice) / 2
    this.low = low
    this.high = high
  }
}
