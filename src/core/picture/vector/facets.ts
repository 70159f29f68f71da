import { memo } from '../../memo'
import { add, type FlatPoint, type Vec } from '../../space'
import { seePatch, type SeenPatch } from '../decal-paint'
import { FIRST_DECAL, surfaceOfFace } from '../face-bits'
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
 *
 * @returns nothing where there are more than `most`; they are counted before any is placed
 */
export function visibleFacets(
  { target, shown }: Pick<PictureLayer, 'target' | 'shown'>,
  section: Pick<DrawnSection, 'parts' | 'patches'>,
  most: number,
): VisibleFacet[] | undefined {
  const seen = surfacesIn(target.buffer)
  const surfacesOf = surfacesByPart(seen)
  const projectedOf = (part: number): ProjectedMesh => target.projector.of(section.parts[part]!.shape, section.parts[part]!.pose.matrix)
  const partsSeen = partsOfFew(seen, projectedOf, most)
  if (!partsSeen) return undefined
  const facets: VisibleFacet[] = []
  for (const { part, lift } of shown) {
    if (!partsSeen.has(part)) continue
    const surfaces = surfacesOf.get(part)!
    const placed = section.parts[part]!
    const origin = target.originOf(placed, lift)
    const projected = projectedOf(part)
    projected.forEach((facet, index) => {
      if (surfaces[facet.surface] === 1) facets.push(placeFacet(projected, index, part, origin))
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

/** Of each part that shows, 1 for each surface that does: asked for every facet of large fields of studs. */
function surfacesByPart(seen: ReadonlySet<number>): ReadonlyMap<number, readonly (1 | undefined)[]> {
  const found = new Map<number, (1 | undefined)[]>()
  for (const key of seen) {
    const part = Math.floor(key / PER_PART)
    let surfaces = found.get(part)
    if (!surfaces) found.set(part, (surfaces = []))
    surfaces[key % PER_PART] = 1
  }
  return found
}

/** The parts whose surfaces are seen; nothing where these have more than so many facets. */
function partsOfFew(seen: ReadonlySet<number>, projectedOf: (part: number) => ProjectedMesh, most: number): Set<number> | undefined {
  const counts = new Map<number, ReadonlyMap<number, number>>()
  let count = 0
  for (const key of seen) {
    const [part, surface] = [Math.floor(key / PER_PART), key % PER_PART]
    let ofPart = counts.get(part)
    if (!ofPart) counts.set(part, (ofPart = facetCounts(projectedOf(part))))
    count += ofPart.get(surface) ?? 1
    if (count > most) return undefined
  }
  return new Set(counts.keys())
}

/** How many facets each surface has. */
const facetCounts = memo((projected: ProjectedMesh): ReadonlyMap<number, number> => {
  const counts = new Map<number, number>()
  for (const { surface } of projected) counts.set(surface, (counts.get(surface) ?? 0) + 1)
  return counts
})

function surfacesIn({ part, face }: GBuffer): Set<number> {
  const seen = new Set<number>()
  // A surface shows in many rows: the set is asked only for what did not come just now.
  const recent = new Float64Array(RECENT).fill(-1)
  for (let dot = 0; dot < part.length; dot++) {
    const shown = part[dot]!
    if (shown === NOTHING) continue
    const surface = surfaceOfFace(face[dot]!)
    const key = shown * PER_PART + surface
    const slot = (shown * 31 + surface) & (RECENT - 1)
    if (recent[slot] === key) continue
    recent[slot] = key
    seen.add(key)
  }
  return seen
}

/** A power of two. */
const RECENT = 4096

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
