import { apply, transpose, type Vec } from '../space'
import { FIRST_DECAL, surfaceNumber, surfaceOfFace } from './face-bits'
import type { DrawnSection } from './drawn-section'
import type { RenderTarget } from './render-target'
import { NOTHING } from './g-buffer'

/** What a dot of a picture shows: a part, the place on it and the way the face looks, in the lattice of the section. */
export interface Picked {
  readonly part: string
  /** u */
  readonly at: Vec
  readonly normal: Vec
}

/** @param x dots of the buffer, @param y the same @returns nothing where the paper shows */
export function pickAt(target: RenderTarget, section: DrawnSection, x: number, y: number): Picked | undefined {
  const { buffer, camera } = target
  const { width, height } = buffer.size
  if (x < 0 || y < 0 || x >= width || y >= height) return undefined
  const dot = Math.floor(y) * width + Math.floor(x)
  const part = buffer.part[dot]!
  if (part === NOTHING) return undefined
  const placed = section.parts[part]!
  const [px, py] = [Math.floor(x) + 0.5, Math.floor(y) + 0.5]
  const depth = buffer.depth[dot]!
  const seen: Vec = [(px - camera.originX) / camera.scale, (camera.originY - py) / camera.scale, depth]
  const normal = normalAt(target, section, { part, surface: surfaceOfFace(buffer.face[dot]!) }, [px, py, depth])
  return normal && { part: placed.path, at: apply(transpose(camera.matrix), seen), normal }
}

/** Of the facets of a surface the one whose plane is nearest at a dot. */
function normalAt(
  target: RenderTarget,
  section: DrawnSection,
  { part, surface }: { readonly part: number; readonly surface: number },
  [x, y, depth]: Vec,
): Vec | undefined {
  const { shape, pose } = section.parts[part]!
  if (surface >= FIRST_DECAL) {
    const patch = section.patches.get(part)?.[surface - FIRST_DECAL]
    return patch && apply(pose.matrix, patch.normal)
  }
  const [ox, oy, od] = target.originOf(section.parts[part]!)
  let best: { far: number; normal: Vec } | undefined
  for (const facet of shape.mesh) {
    if (surfaceNumber(facet.surface) !== surface) continue
    const projected = target.projector.one(facet, pose.matrix)
    if (!projected) continue
    const far = Math.abs(od + projected.base + projected.slopeX * (x - ox) + projected.slopeY * (y - oy) - depth)
    if (!best || far < best.far) best = { far, normal: apply(pose.matrix, facet.normal) }
  }
  return best?.normal
}
