import { add, type Box, cross, normalise, subtract, type Vec } from '../space'

/**
 * One flat polygon of a shape's outline. Corners run anticlockwise seen from outside; the polygon is convex.
 * Facets with the same `surface` are one surface to the eye: no ink line runs between them.
 */
export interface Facet {
  readonly corners: readonly Vec[]
  readonly normal: Vec
  readonly surface: number
}

export type Mesh = readonly Facet[]

/** Collects facets and hands out surface numbers. Sizes in u. */
export class MeshBuilder {
  private readonly facets: Facet[] = []
  private surfaces = 0

  get mesh(): Mesh {
    return this.facets
  }

  private surface(): number {
    return this.surfaces++
  }

  private facet(corners: readonly Vec[], surface: number): void {
    const normal = normalise(cross(subtract(corners[1]!, corners[0]!), subtract(corners[2]!, corners[1]!)))
    this.facets.push({ corners, normal, surface })
  }

  /** A straight solid: the outline polygons of its floor (convex, anticlockwise seen against `rise`), drawn along `rise`. */
  prism(floors: readonly (readonly Vec[])[], outline: readonly Vec[], rise: Vec, smooth: readonly number[] = []): this {
    const floor = this.surface()
    const roof = this.surface()
    for (const piece of floors) {
      this.facet([...piece].reverse(), floor)
      this.facet(
        piece.map((corner) => add(corner, rise)),
        roof,
      )
    }
    let side = this.surface()
    outline.forEach((corner, i) => {
      if (!smooth.includes(i)) side = this.surface()
      const next = outline[(i + 1) % outline.length]!
      this.facet([corner, next, add(next, rise), add(corner, rise)], side)
    })
    return this
  }

  box(box: Box): this {
    const { min, max } = box
    const floor: Vec[] = [
      [min[0], min[1], min[2]],
      [max[0], min[1], min[2]],
      [max[0], max[1], min[2]],
      [min[0], max[1], min[2]],
    ]
    return this.prism([floor], floor, [0, 0, max[2] - min[2]])
  }

  /** A solid whose profile lies in the y–z plane and which runs along x for `width`. Profile anticlockwise seen from +x. */
  profile(points: readonly (readonly [number, number])[], width: number, smooth: readonly number[] = []): this {
    const outline = points.map(([y, z]): Vec => [0, y, z])
    return this.prism([outline], outline, [width, 0, 0], smooth)
  }

  /** A disc or a cone stump standing along `axis` ("x", "y" or "z" with a sense) from `foot`. */
  round(foot: Vec, axis: Vec, bottomRadius: number, topRadius: number, height: number, sides: number): this {
    const [u, v] = acrossOf(axis)
    const ring = (radius: number, rise: number): Vec[] =>
      Array.from({ length: sides }, (_, i) => {
        const angle = (2 * Math.PI * i) / sides
        const along = (k: 0 | 1 | 2): number => foot[k] + axis[k] * rise + radius * (Math.cos(angle) * u[k] + Math.sin(angle) * v[k])
        return [along(0), along(1), along(2)]
      })
    const bottom = ring(bottomRadius, 0)
    const top = ring(topRadius, height)
    this.facet([...bottom].reverse(), this.surface())
    this.facet(top, this.surface())
    const side = this.surface()
    bottom.forEach((corner, i) => {
      const next = (i + 1) % sides
      this.facet([corner, bottom[next]!, top[next]!, top[i]!], side)
    })
    return this
  }
}

/** Two unit vectors that make a right-handed frame with `axis`. */
function acrossOf(axis: Vec): [Vec, Vec] {
  const u: Vec = Math.abs(axis[2]) === 1 ? [1, 0, 0] : [0, 0, 1]
  return [u, cross(axis, u)]
}
