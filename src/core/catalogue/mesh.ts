import { add, type Axis, type Box, cross, normalise, subtract, type Vec, type FlatPoint } from '../space'
import { anticlockwise, aroundHole, convexPieces } from './polygon'
import type { Perforated, Prism, Profile, Revolution, Slab, Solid, Stump, Tube } from './solid'

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

/** The facets of solids, in their order. */
export function meshOf(solids: Iterable<Solid>): Mesh {
  const builder = new MeshBuilder()
  for (const solid of solids) builder.add(solid)
  return builder.mesh
}

/** Collects facets and hands out surface numbers. Sizes in u. */
class MeshBuilder {
  private readonly facets: Facet[] = []
  private surfaces = 0

  get mesh(): Mesh {
    return this.facets
  }

  add(solid: Solid): void {
    switch (solid.kind) {
      case 'box':
        return this.box(solid)
      case 'stump':
        return this.stump(solid)
      case 'revolution':
        return this.revolution(solid)
      case 'tube':
        return this.tube(solid)
      case 'prism':
        return this.prism(solid)
      case 'perforated':
        return this.perforated(solid)
      case 'profile':
        return this.profile(solid)
      case 'slab':
        return this.slab(solid)
    }
  }

  private surface(): number {
    return this.surfaces++
  }

  private facet(corners: readonly Vec[], surface: number): void {
    const normal = normalise(cross(subtract(corners[1]!, corners[0]!), subtract(corners[2]!, corners[1]!)))
    this.facets.push({ corners, normal, surface })
  }

  private slab({ floors, outline, rise, smooth = [] }: Omit<Slab, 'kind'>): void {
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
  }

  private box({ min, max }: Box): void {
    const outline: Vec[] = [
      [min[0], min[1], min[2]],
      [max[0], min[1], min[2]],
      [max[0], max[1], min[2]],
      [min[0], max[1], min[2]],
    ]
    this.slab({ floors: [outline], outline, rise: [0, 0, max[2] - min[2]] })
  }

  private profile({ outline: points, width, smooth = [] }: Profile): void {
    const outline = points.map(([y, z]): Vec => [0, y, z])
    this.slab({ floors: [outline], outline, rise: [width, 0, 0], smooth })
  }

  private stump({ foot, axis, bottom, top, height, sides }: Stump): void {
    const place = circlePlacer(foot, axis, sides)
    const [low, high] = [place(bottom, 0), place(top, height)]
    this.facet([...low].reverse(), this.surface())
    this.facet(high, this.surface())
    const side = this.surface()
    low.forEach((corner, i) => {
      const next = (i + 1) % sides
      this.facet([corner, low[next]!, high[next]!, high[i]!], side)
    })
  }

  private prism({ outline, axis, from, to, smooth = false }: Prism): void {
    const place = placer(axis, from)
    const fix = fixFor(axis)
    const around = fix(anticlockwise(outline).map(place))
    const floors = convexPieces(outline).map((piece) => fix(piece.map(place)))
    this.slab({ floors, outline: around, rise: riseOf(axis, to - from), smooth: smooth ? around.map((_, i) => i).slice(1) : [] })
  }

  private perforated({ outline, cells, axis, from, to }: Perforated): void {
    const place = placer(axis, from)
    const fix = fixFor(axis)
    const rise = riseOf(axis, to - from)
    const floors = cells.flatMap(({ cell, hole }) => (hole ? aroundHole(cell, anticlockwise(hole)) : [cell]))
    this.slab({ floors: floors.map((piece) => fix(piece.map(place))), outline: fix(outline.map(place)), rise })
    for (const { hole } of cells) if (hole) this.wall(fix(anticlockwise(hole).map(place)).reverse(), rise)
  }

  /** The inside of a hole: quads along `rise`, one surface to the eye. */
  private wall(outline: readonly Vec[], rise: Vec): void {
    const side = this.surface()
    outline.forEach((corner, i) => {
      const next = outline[(i + 1) % outline.length]!
      this.facet([corner, next, add(next, rise), add(corner, rise)], side)
    })
  }

  private revolution({ foot, axis, rings, sides }: Revolution): void {
    const place = circlePlacer(foot, axis, sides)
    const circles = rings.map(([radius, height]) => place(radius, height))
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
  }

  private tube({ foot, axis, outer, inner, height, sides }: Tube): void {
    const place = circlePlacer(foot, axis, sides)
    const circles = [place(inner, 0), place(outer, 0), place(outer, height), place(inner, height)]
    circles.forEach((circle, ring) => {
      const beyond = circles[(ring + 1) % circles.length]!
      const surface = this.surface()
      for (let i = 0; i < sides; i++) {
        const next = (i + 1) % sides
        this.facet([circle[i]!, circle[next]!, beyond[next]!, beyond[i]!], surface)
      }
    })
  }
}

/** The corners of a regular polygon of a radius at a height above `foot` along `axis`. */
function circlePlacer(foot: Vec, axis: Vec, sides: number): (radius: number, height: number) => Vec[] {
  const [u, v] = acrossOf(axis)
  return (radius, height) =>
    Array.from({ length: sides }, (_, i): Vec => {
      const angle = (2 * Math.PI * i) / sides
      const along = (k: 0 | 1 | 2): number => foot[k] + axis[k] * height + radius * (Math.cos(angle) * u[k] + Math.sin(angle) * v[k])
      return [along(0), along(1), along(2)]
    })
}

/** Across y the frame is left-handed: corners run the other way. */
const fixFor =
  (axis: Axis) =>
  (points: readonly Vec[]): Vec[] =>
    axis === 1 ? [...points].reverse() : [...points]

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
