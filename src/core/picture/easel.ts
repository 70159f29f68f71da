import type { PlacedPart } from '../model'
import { add, type Vec } from '../space'
import { DecalPaint, seePatch } from './decal-paint'
import type { DrawnSection } from './drawn-section'
import { Layers } from './layers'
import { StencilCutter } from './stencil'
import { project, type Camera, type PictureSize } from './view'

const NO_LIFT: Vec = [0, 0, 0]

/** What is painted on: a camera, and the layers that parts are drawn into with the pictures on them. */
export class Easel {
  readonly layers: Layers
  readonly decals = new DecalPaint()
  readonly cutter: StencilCutter

  /** @param size in dots of the layers */
  constructor(
    readonly camera: Camera,
    size: PictureSize,
  ) {
    this.layers = new Layers(size)
    this.cutter = new StencilCutter(camera)
  }

  /** Draws a part of a section, lifted off its place by so much, u. */
  draw(section: Pick<DrawnSection, 'parts' | 'patches'>, part: number, lift: Vec = NO_LIFT): void {
    const placed = section.parts[part]!
    const [x, y, depth] = this.originOf(placed, lift)
    this.layers.draw(this.cutter.of(placed.shape, placed.pose.matrix), part, x, y, depth)
    section.patches.get(part)?.forEach((patch, number) => {
      const seen = seePatch(patch, number, { matrix: placed.pose.matrix, at: add(placed.pose.at, lift) }, this.camera)
      if (!seen) return
      this.decals.add(part, number, seen)
      this.layers.draw(seen.stencil, part, x, y, depth)
    })
  }

  /** Whether some of a part could be in the picture; pictures on it never reach beyond it. */
  reaches({ parts }: Pick<DrawnSection, 'parts'>, part: number): boolean {
    const placed = parts[part]!
    const [left, top, right, bottom] = this.cutter.reachOf(this.cutter.of(placed.shape, placed.pose.matrix), this.originOf(placed))
    const { width, height } = this.layers.size
    return right! > 0 && bottom! > 0 && left! < width && top! < height
  }

  /** Where the origin of a part is seen: px, px, u. */
  originOf({ pose }: PlacedPart, lift: Vec = NO_LIFT): Vec {
    return project(this.camera, add(pose.at, lift))
  }
}
