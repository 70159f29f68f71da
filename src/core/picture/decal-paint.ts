import type { Patch } from '../decal'
import { picturePixels, type RgbaImage } from '../model'
import { apply, multiply, posed, type Pose, type Vec } from '../space'
import { FIRST_DECAL, MOST_DECALS } from './face-bits'
import { projectFacets, type ProjectedMesh } from './projected-mesh'
import { project, type Camera } from './view'

/** A picture lies this much nearer than its face, u. */
const NEARER = 0.02

/** A picture on a piece as the camera sees it. */
export interface SeenPatch {
  readonly patch: Patch
  /** Relative to the origin of the part. */
  readonly projected: ProjectedMesh
  /** Its top left corner and its sides to the right and down, in dots of the buffer. */
  readonly corner: readonly [number, number]
  readonly right: readonly [number, number]
  readonly down: readonly [number, number]
}

/** @returns nothing where the picture faces away */
export function seePatch(patch: Patch, number: number, pose: Pose, camera: Camera): SeenPatch | undefined {
  const facets = patch.polygons.map((corners) => ({ corners, normal: patch.normal, surface: FIRST_DECAL + (number % MOST_DECALS) }))
  const projected = projectFacets(facets, pose.matrix, camera, (surface) => surface).map((facet) => ({
    ...facet,
    base: facet.base - NEARER,
  }))
  if (projected.length === 0) return undefined
  const turned = multiply(camera.matrix, pose.matrix)
  const side = (v: Vec): readonly [number, number] => {
    const seen = apply(turned, v)
    return [seen[0] * camera.scale, -seen[1] * camera.scale]
  }
  const [x, y] = project(camera, posed(pose, patch.corner))
  return { patch, projected, corner: [x, y], right: side(patch.right), down: side(patch.down) }
}

/** Of which dot of a picture a dot of the buffer shows. */
interface DotFinder {
  readonly image: RgbaImage
  readonly s: readonly [number, number, number]
  readonly t: readonly [number, number, number]
}

/** The colours of pictures on pieces, by part and surface. */
export class DecalPaint {
  private readonly finders = new Map<number, DotFinder>()

  get isEmpty(): boolean {
    return this.finders.size === 0
  }

  add(part: number, number: number, { patch, corner, right, down }: SeenPatch): void {
    const area = right[0] * down[1] - right[1] * down[0]
    if (Math.abs(area) < 1e-9) return
    // s · right + t · down = place − corner, solved for s and t.
    const s = [down[1] / area, -down[0] / area] as const
    const t = [-right[1] / area, right[0] / area] as const
    this.finders.set(keyOf(part, number), {
      image: picturePixels(patch.decal.picture),
      s: [...s, -(s[0] * corner[0] + s[1] * corner[1])],
      t: [...t, -(t[0] * corner[0] + t[1] * corner[1])],
    })
  }

  /** The colour that a dot shows of a picture over what is under it. Both packed, 0xrrggbb. */
  // eslint-disable-next-line max-params -- runs for every dot, where an object for each call would be garbage
  over(part: number, surface: number, x: number, y: number, under: number, paperShare: number): number {
    const finder = this.finders.get(keyOf(part, surface - FIRST_DECAL))
    if (!finder) return under
    const { image, s, t } = finder
    const column = clamp(Math.floor((s[0] * x + s[1] * y + s[2]) * image.width), image.width)
    const row = clamp(Math.floor((t[0] * x + t[1] * y + t[2]) * image.height), image.height)
    const at = (row * image.width + column) * 4
    const alpha = image.data[at + 3]! / 255
    const blend = (i: number, shift: number): number => {
      const washed = image.data[at + i]! * (1 - paperShare) + 255 * paperShare
      return Math.round(washed * alpha + ((under >> shift) & 255) * (1 - alpha)) << shift
    }
    return blend(0, 16) | blend(1, 8) | blend(2, 0)
  }
}

const keyOf = (part: number, number: number): number => part * MOST_DECALS + (number % MOST_DECALS)
const clamp = (value: number, count: number): number => Math.max(0, Math.min(count - 1, value))
