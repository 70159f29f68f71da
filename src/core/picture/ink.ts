import { average, type Averaged } from './average'
import type { DecalPaint } from './decal-paint'
import { findEdges, NONE, thicken } from './ink-edges'
import { surfaceOfFace } from './face-bits'
import type { GBuffer, Window } from './g-buffer'
import { mixPalette, type PaletteOptions, type Texel } from './ink-palette'
import type { Rgb } from './paint'
import type { RgbImage } from './rgb-image'
import type { PictureSize } from './view'
import { mergeWindows } from './windows'

/** What is new carries a heavier outline. */
export interface InkOptions extends PaletteOptions {
  /** Small parts get hairlines: where a brick plate is low in the picture, full lines would fill it with ink. */
  readonly hasFineLines: boolean
}

/**
 * Turns a G-buffer into a picture: washes, ink lines where parts and surfaces meet, then averages down to size.
 *
 * It keeps its last picture: where only a window of the buffer changed, only that is inked again, so that walking a rail
 * costs about what each step touches.
 */
export class Inker {
  private readonly edges: Uint8Array
  private readonly image: RgbImage
  /** What is given away: a picture each time would be a megabyte each time. */
  private readonly given: RgbImage

  constructor(
    private readonly buffer: GBuffer,
    private readonly finer: number,
    private readonly paper: Rgb,
    private readonly decals?: DecalPaint,
  ) {
    const { width, height } = buffer.size
    this.edges = new Uint8Array(width * height)
    const data = new Uint8Array((width / finer) * (height / finer) * 3)
    if (paper[0] === paper[1] && paper[1] === paper[2]) data.fill(paper[0])
    else for (let at = 0; at < data.length; at += 3) data.set(paper, at)
    this.image = { width: width / finer, height: height / finer, data }
    this.given = { ...this.image, data: new Uint8Array(data.length) }
  }

  /**
   * @param changed where dots may look different from the last picture
   * @returns a picture to draw on, which is good until the next is inked
   */
  ink(changed: readonly Readonly<Window>[], options: InkOptions): RgbImage {
    const reach = this.finer * 2 + 2
    const [palette, texel] = [mixPalette(options, this.paper), this.texelOf(options)]
    for (const window of mergeWindows(changed, reach * 2)) this.inkWindow(window, reach, { ...options, palette, texel })
    this.given.data.set(this.image.data)
    return this.given
  }

  /** Windows do not disturb each other: the edges of each are found anew as far around it as a line reaches. */
  private inkWindow(changed: Readonly<Window>, reach: number, options: InkOptions & Pick<Averaged, 'palette' | 'texel'>): void {
    const { buffer, finer, edges, image } = this
    const inner = widened(changed, reach, buffer.size)
    const outer = widened(changed, reach * 2, buffer.size)
    for (let y = outer.top; y <= outer.bottom; y++) {
      const line = y * buffer.size.width
      edges.fill(NONE, line + outer.left, line + outer.right + 1)
    }
    const met = findEdges(buffer, edges, outer, options)
    thicken(edges, { met, width: buffer.size.width, window: outer, finer, hasFineLines: options.hasFineLines })
    const { palette, texel } = options
    average({ buffer, edges, image, finer, palette, texel }, inner)
  }

  /** The colour of a dot that shows a picture on a piece; nothing where no piece has one. */
  private texelOf({ newFrom, newTo, wash }: InkOptions): Texel | undefined {
    const { decals, buffer } = this
    if (!decals || decals.isEmpty) return undefined
    return (dot, x, y, under) => {
      const part = buffer.part[dot]!
      return decals.over(part, surfaceOfFace(buffer.face[dot]!), x + 0.5, y + 0.5, under, part >= newFrom && part < newTo ? 0 : wash)
    }
  }
}

/** Ends as whole numbers to the engine too, which windows that may be empty are not: loops from one to the other run twice as fast. */
const widened = ({ left, right, top, bottom }: Readonly<Window>, by: number, size: PictureSize): Window => ({
  left: Math.max(0, left - by) | 0,
  right: Math.min(size.width - 1, right + by) | 0,
  top: Math.max(0, top - by) | 0,
  bottom: Math.min(size.height - 1, bottom + by) | 0,
})
