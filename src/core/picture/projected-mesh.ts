import { memo } from '../memo'
import type { Facet, Shape } from '../catalogue'
import { apply, determinant, dot, multiply, normalise, type Matrix, type Vec } from '../space'
import { faceBits, surfaceNumber, type FaceBits } from './face-bits'
import type { Camera, PictureSize } from './view'

/** One facet as the camera sees it: a convex polygon in px and the plane of its depth. */
export interface ProjectedFacet {
  /** x, y of each corner, px, relative to the part's own origin. */
  readonly corners: Float64Array
  /** Least and greatest x and y of the corners, px. */
  readonly left: number
  readonly right: number
  readonly low: number
  readonly high: number
  /** Its least depth, u, as `base` from that of the part's own origin. */
  readonly near: number
  /** depth = slopeX · x + slopeY · y + base, x and y as in `corners`. */
  readonly slopeX: number
  readonly slopeY: number
  readonly base: number
  /** Index into `TONES`. */
  readonly tone: number
  readonly surface: number
  /** Both, as they stand in a buffer. */
  readonly face: FaceBits
}

/** All facets of a shape that face the camera, made once for each attitude and then only shifted. */
export type ProjectedMesh = readonly ProjectedFacet[]

/** Light falls from the upper left over the viewer's shoulder: to the right, up, away. */
export const LIGHT: Vec = normalise([-0.5, 0.75, -0.55])

/** Three tones, as ink and two washes would give: light, middle, dark. In 1/255 of the full colour. */
export const TONES = [255, 222, 186] as const

/** What a face must catch of the light for the first tone, and for the second. */
export const TONE_STEPS = [0.62, 0.2] as const

function toneOf(normal: Vec): number {
  const light = dot(normal, LIGHT)
  return light > TONE_STEPS[0] ? 0 : light > TONE_STEPS[1] ? 1 : 2
}

/** @param isPlain leave out the studs */
const projectMesh = (shape: Shape, attitude: Matrix, camera: Camera, isPlain = false): ProjectedMesh =>
  projectFacets(isPlain ? shape.plainMesh : shape.mesh, attitude, camera)

/**
 * Of some facets those that face the camera.
 * @param numberOf the number that a surface has in pictures
 */
export function projectFacets(facets: readonly Facet[], attitude: Matrix, camera: Camera, numberOf = surfaceNumber): ProjectedMesh {
  const matrix = multiply(camera.matrix, attitude)
  const flips = determinant(attitude) < 0
  const curved = curvedSurfaces(facets)
  const seen: ProjectedFacet[] = []
  for (const facet of facets) {
    const normal = apply(matrix, facet.normal)
    if (normal[2] >= -1e-6) continue
    const corners = new Float64Array(facet.corners.length * 2)
    let first: Vec | undefined
    let [left, right, low, high, near] = [Infinity, -Infinity, Infinity, -Infinity, Infinity]
    facet.corners.forEach((corner, i) => {
      const point = apply(matrix, corner)
      first ??= point
      const at = flips ? facet.corners.length - 1 - i : i
      const x = point[0] * camera.scale
      const y = -point[1] * camera.scale
      corners[at * 2] = x
      corners[at * 2 + 1] = y
      left = Math.min(left, x)
      right = Math.max(right, x)
      low = Math.min(low, y)
      high = Math.max(high, y)
      near = Math.min(near, point[2])
    })
    // The facet's plane: normal · (p − first) = 0, solved for depth and scaled to px.
    const slopeX = -normal[0] / normal[2] / camera.scale
    const slopeY = normal[1] / normal[2] / camera.scale
    const base = first![2] + (normal[0] * first![0] + normal[1] * first![1]) / normal[2]
    const [surface, tone] = [numberOf(facet.surface), toneOf(normal)]
    const face = faceBits(surface, curved.has(facet.surface), tone)
    seen.push({ corners, left, right, low, high, near, slopeX, slopeY, base, tone, surface, face })
  }
  return seen
}

/** Normals, u for places: facets that differ by less lie in one plane. */
const LEVEL = 1e-3

/** The surfaces of a mesh that do not lie in one plane. */
const curvedSurfaces = memo((facets: readonly Facet[]): ReadonlySet<number> => {
  const curved = new Set<number>()
  const first = new Map<number, Facet>()
  for (const facet of facets) {
    const plane = first.get(facet.surface)
    if (!plane) first.set(facet.surface, facet)
    else if (1 - dot(plane.normal, facet.normal) > LEVEL || !liesIn(plane, facet.corners[0]!)) curved.add(facet.surface)
  }
  return curved
})

const liesIn = ({ normal, corners }: Facet, place: Vec): boolean => Math.abs(dot(normal, place) - dot(normal, corners[0]!)) < LEVEL

/** Projects the meshes of shapes for one camera, each once. */
export class MeshProjector {
  private readonly known = new Map<string, ProjectedMesh>()
  /** The same by the objects themselves: most parts share theirs, and a text for each would cost more than the look-up. */
  private readonly ofShape = new Map<Shape, Map<Matrix, ProjectedMesh>>()
  private readonly bounds = new Map<ProjectedMesh, readonly number[]>()

  constructor(
    private readonly camera: Camera,
    private readonly how: { readonly isPlain: boolean } = { isPlain: false },
  ) {}

  of(shape: Shape, attitude: Matrix): ProjectedMesh {
    let ofShape = this.ofShape.get(shape)
    if (!ofShape) this.ofShape.set(shape, (ofShape = new Map<Matrix, ProjectedMesh>()))
    let projected = ofShape.get(attitude)
    if (!projected) ofShape.set(attitude, (projected = this.alike(shape, attitude)))
    return projected
  }

  private alike(shape: Shape, attitude: Matrix): ProjectedMesh {
    const key = `${shape.id} ${textOf(attitude)}`
    let projected = this.known.get(key)
    if (!projected) this.known.set(key, (projected = projectMesh(shape, attitude, this.camera, this.how.isPlain)))
    return projected
  }

  /** One facet as the camera sees it; nothing where it faces away. */
  one(facet: Facet, attitude: Matrix): ProjectedFacet | undefined {
    return projectFacets([facet], attitude, this.camera)[0]
  }

  /** Whether some of a projected mesh that is seen at `x`, `y` may be in a picture, px. */
  mayBeIn(projected: ProjectedMesh, x: number, y: number, { width, height }: PictureSize): boolean {
    const bounds = this.boundsOf(projected)
    return bounds[2]! + x > 0 && bounds[3]! + y > 0 && bounds[0]! + x < width && bounds[1]! + y < height
  }

  /** Left, top, right, bottom, px, and nearest and farthest depth, u, of a projected mesh seen at `origin`. */
  reachOf(projected: ProjectedMesh, [x, y, depth]: Vec): number[] {
    const bounds = this.boundsOf(projected)
    return [bounds[0]! + x, bounds[1]! + y, bounds[2]! + x, bounds[3]! + y, bounds[4]! + depth, bounds[5]! + depth]
  }

  private boundsOf(projected: ProjectedMesh): readonly number[] {
    let bounds = this.bounds.get(projected)
    if (!bounds) this.bounds.set(projected, (bounds = boundsOf(projected)))
    return bounds
  }
}

function boundsOf(projected: ProjectedMesh): number[] {
  const bounds = [Infinity, Infinity, -Infinity, -Infinity, Infinity, -Infinity]
  for (const { corners, slopeX, slopeY, base } of projected) {
    for (let i = 0; i < corners.length; i += 2) {
      const [x, y] = [corners[i]!, corners[i + 1]!]
      const depth = base + slopeX * x + slopeY * y
      bounds[0] = Math.min(bounds[0]!, x)
      bounds[1] = Math.min(bounds[1]!, y)
      bounds[2] = Math.max(bounds[2]!, x)
      bounds[3] = Math.max(bounds[3]!, y)
      bounds[4] = Math.min(bounds[4]!, depth)
      bounds[5] = Math.max(bounds[5]!, depth)
    }
  }
  return bounds
}

/** The turns of the lattice are a few matrices used everywhere, so the text of each is made once. */
const textOf = memo((matrix: Matrix): string => matrix.join())
