import type { Catalogue } from '../catalogue'
import type { PlacedPart } from '../model'
import type { RgbImage } from './rgb-image'
import type { DrawnSection } from './drawn-section'
import { lookOf, type PartLook } from './paint'
import { inkLayer } from './picture-layer'
import { RenderTarget } from './render-target'
import type { Camera, PictureSize } from './view'

const NO_PATCHES: DrawnSection['patches'] = new Map()

/** How parts that stand for themselves are painted. */
export interface PartsLook {
  /** Dots for one px each way. */
  readonly finer: number
  /** Parts of which the index is less than this are washed with paper; the rest keep their full colour and a heavy outline. */
  readonly newFrom: number
  /** Share of paper in what is washed, 0 to 1. */
  readonly wash: number
}

const looksOf = (parts: readonly PlacedPart[], { colours }: Catalogue): PartLook[] => {
  const known = new Map([...colours].map(([id, colour]) => [id, lookOf(colour)]))
  return parts.map(({ colour }) => known.get(colour)!)
}

/** Parts that are painted, and the colours they are named by. */
export interface PaintedParts {
  readonly parts: readonly PlacedPart[]
  readonly catalogue: Catalogue
  /** Pictures on them, by the index of the part. */
  readonly patches?: DrawnSection['patches']
}

/** A picture of parts through any camera, px; the camera is that of the picture. */
export function paintParts(
  { parts, catalogue, patches = NO_PATCHES }: PaintedParts,
  camera: Camera,
  size: PictureSize,
  look: PartsLook,
): RgbImage {
  const { finer, newFrom, wash } = look
  const fine: Camera = {
    matrix: camera.matrix,
    scale: camera.scale * finer,
    originX: camera.originX * finer,
    originY: camera.originY * finer,
  }
  const full = { width: size.width * finer, height: size.height * finer }
  const target = new RenderTarget(fine, full)
  const section = { parts, patches }
  const shown = parts.flatMap((_, part) => (target.reaches(section, part) ? [{ part }] : []))
  for (const { part } of shown) target.draw(section, part)
  const ink = { looks: looksOf(parts, catalogue), newFrom, newTo: parts.length, wash, hasFineLines: camera.scale < 0.8 }
  return inkLayer({ target, size, finer, shown, look: ink, marks: [] })
}
