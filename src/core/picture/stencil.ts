import type { Shape } from '../catalogue'
import { apply, determinant, dot, multiply, normalise, type Matrix, type Vec } from '../space'
import type { Camera } from './view'

/** One facet as the camera sees it: a convex polygon in px and the plane of its depth. */
export interface SeenFacet {
  /** x, y of each corner, px, relative to the part's own origin. */
  readonly corners: Float64Array
  /** depth = slopeX · x + slopeY · y + base, x and y as in `corners`. */
  readonly slopeX: number
  readonly slopeY: number
  readonly base: number
  /** Index into `TONES`. */
  readonly tone: number
  readonly surface: number
}

/** All facets of a shape that face the camera, made once for each attitude and then only shifted. */
export type Stencil = readonly SeenFacet[]

/** Light falls from the upper left over the viewer's shoulder: to the right, up, away. */
const LIGHT: Vec = normalise([-0.5, 0.75, -0.55])

/** Three tones, as ink and two washes would give: light, middle, dark. In 1/255 of the full colour. */
export const TONES = [255, 222, 186] as const

function toneOf(normal: Vec): number {
  const light = dot(normal, LIGHT)
  return light > 0.62 ? 0 : light > 0.2 ? 1 : 2
}

/** @param isPlain leave out the studs */
export function cutStencil(shape: Shape, attitude: Matrix, camera: Camera, isPlain = false): Stencil {
  const matrix = multiply(camera.matrix, attitude)
  const flips = determinant(attitude) < 0
  const seen: SeenFacet[] = []
  for (const facet of isPlain ? shape.plainMesh : shape.mesh) {
    const normal = apply(matrix, facet.normal)
    if (normal[2] >= -1e-6) continue
    const corners = new Float64Array(facet.corners.length * 2)
    let first: Vec | undefined
    facet.corners.forEach((corner, i) => {
      const point = apply(matrix, corner)
      first ??= point
      const at = flips ? facet.corners.length - 1 - i : i
      corners[at * 2] = point[0] * camera.scale
      corners[at * 2 + 1] = -point[1] * camera.scale
    })
    // The facet's plane: normal · (p − first) = 0, solved for depth and scaled to px.
    const slopeX = -normal[0] / normal[2] / camera.scale
    const slopeY = normal[1] / normal[2] / camera.scale
    const base = first![2] + (normal[0] * first![0] + normal[1] * first![1]) / normal[2]
    seen.push({ corners, slopeX, slopeY, base, tone: toneOf(normal), surface: facet.surface })
  }
  return seen
}
