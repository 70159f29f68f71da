import { add, type Axis, type Box, cross, normalise, subtract, type Vec, type FlatPoint } from '../space'
import { anticlockwise, aroundHole, convexPieces, type Polygon } from './polygon'

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

  /**
   * A polygon in the plane across an axis, drawn along it. Points are [y, z] across x, [x, z] across y, [x, y] across z.
   *
   * @param smooth the whole wall is one surface to the eye
   */
  extrude(outline: Polygon, axis: Axis, from: number, to: number, smooth = false): this {
    const place = placer(axis, from)
    const rise = riseOf(axis, to - from)
    const floors = convexPieces(outline).map((piece) => piece.map(place))
    const around = anticlockwise(outline).map(place)
    const fix = (points: Vec[]): Vec[] => (axis === 1 ? [...points].reverse() : points)
    return this.prism(floors.map(fix), fix(around), rise, smooth ? around.map((_, i) => i).slice(1) : [])
  }

  /** The same for a convex polygon with holes: convex `cells` cut it up, each with its hole or none. */
  perforated(
    whole: Polygon,
    cells: readonly { readonly cell: Polygon; readonly hole?: Polygon }[],
    axis: Axis,
    from: number,
    to: number,
  ): this {
    const place = placer(axis, from)
    const rise = riseOf(axis, to - from)
    const fix = (points: Vec[]): Vec[] => (axis === 1 ? [...points].reverse() : points)
    const floors = cells.flatMap(({ cell, hole }) => (hole ? aroundHole(cell, anticlockwise(hole)) : [cell]))
    this.prism(
      floors.map((piece) => fix(piece.map(place))),
      fix(whole.map(place)),
      rise,
    )
    for (const { hole } of cells) if (hole) this.wall(fix(anticlockwise(hole).map(place)).reverse(), rise)
    return this
  }

  /** The inside of a hole: quads along `rise`, one surface to the eye. */
  private wall(outline: readonly Vec[], rise: Vec): void {
    const side = this.surface()
    outline.forEach((corner, i) => {
      const next = outline[(i + 1) % outline.length]!
      this.facet([corner, next, add(next, rise), add(corner, rise)], side)
    })
  }

  /** A solid of revolution: radius and height of each ring above `foot` along `axis`; a radius of 0 is a tip. */
  lathe(foot: Vec, axis: Vec, rings: readonly FlatPoint[], sides: number): this {
    const [u, v] = acrossOf(axis)
    const at = ([radius, height]: FlatPoint): Vec[] =>
      Array.from({ length: sides }, (_, i) => {
        const angle = (2 * Math.PI * i) / sides
        return [0, 1, 2].map(
          (k) => foot[k]! + axis[k]! * height + radius * (Math.cos(angle) * u[k]! + Math.sin(angle) * v[k]!),
        ) as unknown as Vec
      })
    const circles = rings.map(at)
    if (rings[0]![0] > 0) this.facet([...circles[0]!].reverse(), this.surface())
    if (rings.at(-1)![0] > 0) this.facet(circles.at(-1)!, this.surface())
    for (let ring = 0; ring + 1 < rings.length; ring++) {
      const [low, high] = [circles[ring]!, circles[ring + 1]!]
      const isFlat = rings[ring]![1] === rings[ring + 1]![1]
      const surface = ring > 0 && !isFlat && rings[ring - 1]![1] !== rings[ring]![1] ? this.surfaces - 1 : this.surface()
      for (let i = 0; i < sides; i++) {
        const next = (i + 1) % sides
        const corners = [low[i]!, ...(rings[ring]![0] > 0 ? [low[next]!] : []), ...(rings[ring + 1]![0] > 0 ? [high[next]!] : []), high[i]!]
        if (corners.length > 2) this.facet(corners, surface)
      }
    }
    return this
  }

  /** A ring standing along `axis` from `foot`. */
  tube(foot: Vec, axis: Vec, outer: number, inner: number, height: number, sides: number): this {
    const rings: FlatPoint[] = [
      [inner, 0],
      [outer, 0],
      [outer, height],
      [inner, height],
    ]
    const [u, v] = acrossOf(axis)
    const at = (radius: number, rise: number, i: number): Vec => {
      const angle = (2 * Math.PI * i) / sides
      return [0, 1, 2].map(
        (k) => foot[k]! + axis[k]! * rise + radius * (Math.cos(angle) * u[k]! + Math.sin(angle) * v[k]!),
      ) as unknown as Vec
    }
    rings.forEach(([radius, rise], ring) => {
      const [nextRadius, nextRise] = rings[(ring + 1) % rings.length]!
      const surface = this.surface()
      for (let i = 0; i < sides; i++) {
        this.facet([at(radius, rise, i), at(radius, rise, i + 1), at(nextRadius, nextRise, i + 1), at(nextRadius, nextRise, i)], surface)
      }
    })
    return this
  }
}

/** Puts a point of the plane across an axis into space. */
function placer(axis: Axis, along: number): (point: FlatPoint) => Vec {
  if (axis === 0) return ([y, z]) => [along, y, z]
  return axis === 1 ? ([x, z]) => [x, along, z] : ([x, y]) => [x, y, along]
}

const riseOf = (axis: Axis, by: number): Vec => [axis === 0 ? by : 0, axis === 1 ? by : 0, axis === 2 ? by : 0]

/** Two unit vectors that make a right-handed frame with `axis`. */
function acrossOf(axis: Vec): [Vec, Vec] {
  const u: Vec = Math.abs(axis[2]) === 1 ? [1, 0, 0] : [0, 0, 1]
  return [u, cross(axis, u)]
}
