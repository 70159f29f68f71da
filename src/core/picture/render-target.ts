import type { PlacedPart } from '../model'
import { add, type Vec } from '../space'
import { DecalPaint, seePatch } from './decal-paint'
import type { DrawnSection } from './drawn-section'
import { GBuffer } from './g-buffer'
import { MeshProjector } from './projected-mesh'
import { project, type Camera, type PictureSize } from './view'

const NO_LIFT: Vec = [0, 0, 0]

/** What is painted on: a camera, and the G-buffer that parts are drawn into with the pictures on them. */
export class RenderTarget {
  readonly buffer: GBuffer
  readonly decals = new DecalPaint()
  readonly projector: MeshProjector

  /** @param size in dots of the buffer; @param spare a target that nobody uses any more: its memory is taken */
  constructor(
    readonly camera: Camera,
    size: PictureSize,
    spare?: RenderTarget,
  ) {
    this.buffer = new GBuffer(size, undefined, spare?.buffer)
    this.projector = new MeshProjector(camera)
  }

  /** Draws a part of a section, lifted off its place by so much, u. */
  draw(section: Pick<DrawnSection, 'parts' | 'patches'>, part: number, lift: Vec = NO_LIFT): void {
    const placed = section.parts[part]!
    const [x, y, depth] = this.originOf(placed, lift)
    const projected = this.projector.of(placed.shape, placed.pose.matrix)
    // Where the picture shows a region of something large, most of it is outside; pictures on a part never reach beyond it.
    if (!this.projector.mayBeIn(projected, x, y, this.buffer.size)) return
    this.buffer.draw(projected, part, x, y, depth)
    section.patches.get(part)?.forEach((patch, number) => {
      const seen = seePatch(patch, number, { matrix: placed.pose.matrix, at: add(placed.pose.at, lift) }, this.camera)
      if (!seen) return
      this.decals.add(part, number, seen)
      this.buffer.draw(seen.projected, part, x, y, depth)
    })
  }

  /** Whether some of a part could be in the picture. */
  reaches({ parts }: Pick<DrawnSection, 'parts'>, part: number): boolean {
    const placed = parts[part]!
    const [x, y] = this.originOf(placed)
    return this.projector.mayBeIn(this.projector.of(placed.shape, placed.pose.matrix), x, y, this.buffer.size)
  }

  /** Where the origin of a part is seen: px, px, u. */
  originOf({ pose }: PlacedPart, lift: Vec = NO_LIFT): Vec {
    return project(this.camera, add(pose.at, lift))
  }
}
