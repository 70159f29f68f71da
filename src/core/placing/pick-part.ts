import type { Facet } from '../catalogue'
import type { PlacedPart } from '../model'
import { alongRay, apply, BoxTree, cross, dot, inversePose, normalise, posed, subtract, type Ray, type Vec } from '../space'
import { wholeBox } from './placed-box'

/** Where a ray meets a model: the part by its index, the point and the way its surface faces, u. */
export interface PickedPoint {
  readonly part: number
  readonly at: Vec
  readonly normal: Vec
}

/** Finds what lies under a dot of a picture: a bounding volume hierarchy over the parts, then the facets of those it names. */
export class PartPicker {
  private readonly tree: BoxTree

  constructor(private readonly parts: readonly PlacedPart[]) {
    this.tree = new BoxTree(parts.map(wholeBox))
  }

  /** @param isShown parts that are hidden are looked through */
  pick(ray: Ray, isShown: (part: number) => boolean = () => true): PickedPoint | undefined {
    let normal: Vec = [0, 0, 0]
    let nearest = Infinity
    const found = this.tree.first(ray, (part) => {
      if (!isShown(part)) return Infinity
      const met = meetPart(ray, this.parts[part]!)
      if (met && met.distance < nearest) {
        nearest = met.distance
        normal = met.normal
      }
      return met?.distance ?? Infinity
    })
    return found && { part: found.box, at: alongRay(ray, found.distance), normal }
  }
}

function meetPart(ray: Ray, { shape, pose }: PlacedPart): { distance: number; normal: Vec } | undefined {
  const back = inversePose(pose)
  const own: Ray = { from: posed(back, ray.from), way: apply(back.matrix, ray.way) }
  let best: { distance: number; facet: Facet } | undefined
  for (const facet of shape.mesh) {
    const distance = meetFacet(own, facet)
    if (distance < (best?.distance ?? Infinity)) best = { distance, facet }
  }
  return best && { distance: best.distance, normal: normalise(apply(pose.matrix, best.facet.normal)) }
}

/** How far along a ray it meets a convex facet from its front; `Infinity` where it misses. */
function meetFacet(ray: Ray, { corners, normal }: Facet): number {
  const against = dot(ray.way, normal)
  if (against >= 0) return Infinity
  const distance = dot(subtract(corners[0]!, ray.from), normal) / against
  if (distance < 0) return Infinity
  const at = alongRay(ray, distance)
  const isInside = corners.every((corner, i) => {
    const next = corners[(i + 1) % corners.length]!
    return dot(cross(subtract(next, corner), subtract(at, corner)), normal) >= -1e-9
  })
  return isInside ? distance : Infinity
}
