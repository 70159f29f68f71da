import { add, type FlatPoint, type Vec } from '../../space'
import { FIRST_DECAL, seePatch, type SeenPatch } from '../decal-paint'
import type { DrawnSection } from '../drawn-section'
import { NOTHING, type GBuffer } from '../g-buffer'
import type { PictureLayer } from '../picture-layer'
import type { ProjectedMesh } from '../projected-mesh'

/** A facet that shows, in dots of the buffer: a convex polygon, and the plane of its depth. */
export interface VisibleFacet {
  readonly part: number
  readonly surface: number
  readonly tone: number
  /** x and y of each corner in turn; of positive area, so the other way round than in the projected mesh. */
  readonly corners: Float64Array
  /** depth = plane[0] · x + plane[1] · y + plane[2], u. */
  readonly plane: readonly [number, number, number]
  readonly left: number
  readonly right: number
  readonly top: number
  readonly bottom: number
  /** Its greatest depth, u. */
  readonly far: number
  /** Which facet of its projected mesh it is: edges know their neighbours by it. */
  readonly projected: ProjectedMesh
  readonly index: number
  readonly patch?: SeenPatch
}

export const depthAt = ({ plane }: Pick<VisibleFacet, 'plane'>, x: number, y: number): number => plane[0] * x + plane[1] * y + plane[2]

/** The corners of a facet as points. */
export const pointsOf = ({ corners }: Pick<VisibleFacet, 'corners'>): FlatPoint[] =>
  Array.from({ length: corners.length / 2 }, (_, i): FlatPoint => [corners[i * 2]!, corners[i * 2 + 1]!])

/** Part and surface in one number. */
const PER_PART = 65_536

/**
 * The facets that show, told by the z-buffer: whatever is in front at any dot is among them, so nothing else is needed to say
 * what hides what. Surfaces of which no dot shows are left out; that is the only thing the buffer decides about faces.
 */
export function visibleFacets(
  { target, shown }: Pick<PictureLayer, 'target' | 'shown'>,
  section: Pick<DrawnSection, 'parts' | 'patches'>,
): VisibleFacet[] {
  const seen = surfacesIn(target.buffer)
  const facets: VisibleFacet[] = []
  for (const { part, lift } of shown) {
    const placed = section.parts[part]!
    const origin = target.originOf(placed, lift)
    const projected = target.projector.of(placed.shape, placed.pose.matrix)
    projected.forEach((facet, index) => {
      if (seen.has(part * PER_PART + facet.surface)) facets.push(placeFacet(projected, index, part, origin))
    })
    section.patches.get(part)?.forEach((patch, number) => {
      if (!seen.has(part * PER_PART + FIRST_DECAL + number)) return
      const at = lift ? add(placed.pose.at, lift) : placed.pose.at
      const seenPatch = seePatch(patch, number, { matrix: placed.pose.matrix, at }, target.camera)
      seenPatch?.projected.forEach((_, index) => {
        facets.push({ ...placeFacet(seenPatch.projected, index, part, origin), patch: seenPatch })
      })
    })
  }
  return facets
}

function surfacesIn({ part, surface }: GBuffer): Set<number> {
  const seen = new Set<number>()
  let last = -1
  for (let dot = 0; dot < part.length; dot++) {
    if (part[dot] === NOTHING) continue
    const key = part[dot]! * PER_PART + surface[dot]!
    if (key === last) continue
    last = key
    seen.add(key)
  }
  return seen
}

function placeFacet(projected: ProjectedMesh, index: number, part: number, [x, y, depth]: Vec): VisibleFacet {
  const facet = projected[index]!
  const { length } = facet.corners
  const corners = new Float64Array(length)
  const plane = [facet.slopeX, facet.slopeY, depth + facet.base - facet.slopeX * x - facet.slopeY * y] as const
  let [left, right, top, bottom, far] = [Infinity, -Infinity, Infinity, -Infinity, -Infinity]
  // Seen from outside they run anticlockwise; the picture's y runs down, so a positive area takes them from the end.
  for (let i = 0; i < length; i += 2) {
    const u = (corners[i] = facet.corners[length - 2 - i]! + x)
    const v = (corners[i + 1] = facet.corners[length - 1 - i]! + y)
    const deep = plane[0] * u + plane[1] * v + plane[2]
    left = Math.min(left, u)
    right = Math.max(right, u)
    top = Math.min(top, v)
    bottom = Math.max(bottom, v)
    far = Math.max(far, deep)
  }
  return { part, surface: facet.surface, tone: facet.tone, corners, plane, left, right, top, bottom, far, projected, index }
}
