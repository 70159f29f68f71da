import type { Journal } from './journal'
import type { ProjectedFacet, ProjectedMesh } from './projected-mesh'
import type { PictureSize } from './view'

export const NOTHING = -1

/** A hair in favour of what is there keeps coplanar faces of neighbours from flickering, u. */
const HAIR = 1e-3

/** A rectangle of dots, ends included; empty where right < left. */
export interface Window {
  left: number
  right: number
  top: number
  bottom: number
}

export const EMPTY_WINDOW: Readonly<Window> = { left: Infinity, right: -1, top: Infinity, bottom: -1 }

export const uniteWindows = (a: Readonly<Window>, b: Readonly<Window>): Window => ({
  left: Math.min(a.left, b.left),
  right: Math.max(a.right, b.right),
  top: Math.min(a.top, b.top),
  bottom: Math.max(a.bottom, b.bottom),
})

/**
 * The z-buffer: for each dot its depth (u), which part it shows, which of the part's surfaces, and the surface's tone.
 * Parts are only ever added, so a rail is drawn once over all its steps (Catmull 1974, depth buffer).
 */
export class GBuffer {
  readonly depth: Float32Array
  readonly part: Int32Array
  readonly surface: Uint16Array
  readonly tone: Uint8Array
  /** The rows and columns drawn into since `startWindow`. */
  private used: Window = { ...EMPTY_WINDOW }
  /** Of each row where an edge going down, and one going up, crosses it, px. */
  private readonly down: Float64Array
  private readonly up: Float64Array
  /** When set, what is written over is noted in it. */
  journal: Journal | undefined

  /**
   * @param shown when given, kept up to date: of each part, the dots that show it; surfaces and tones are left out then
   * @param spare a buffer that nobody uses any more: where its memory is large enough it is taken, which is there already
   */
  constructor(
    readonly size: PictureSize,
    readonly shown?: Int32Array,
    spare?: GBuffer,
  ) {
    const dots = size.width * size.height
    const old = spare && spare.part.buffer.byteLength >= 4 * dots ? spare : undefined
    this.depth = (old ? new Float32Array(old.depth.buffer, 0, dots) : new Float32Array(dots)).fill(Infinity)
    this.part = (old ? new Int32Array(old.part.buffer, 0, dots) : new Int32Array(dots)).fill(NOTHING)
    // Nobody asks for these of a dot that shows nothing.
    const kept = shown ? 0 : dots
    this.surface = old && old.surface.buffer.byteLength >= 2 * kept ? new Uint16Array(old.surface.buffer, 0, kept) : new Uint16Array(kept)
    this.tone = old && old.tone.buffer.byteLength >= kept ? new Uint8Array(old.tone.buffer, 0, kept) : new Uint8Array(kept)
    this.down = new Float64Array(size.height)
    this.up = new Float64Array(size.height)
  }

  /** Begins to note where is drawn. @returns the window noted so far; it is still written to until the next start */
  startWindow(): Window {
    this.used = { ...EMPTY_WINDOW }
    return this.used
  }

  /** Where has been drawn since the last start, or ever. */
  get window(): Readonly<Window> {
    return this.used
  }

  /** Draws a part whose origin is seen at (x, y) px and `depth` u. */
  // eslint-disable-next-line max-params -- runs for every part of every picture
  draw(projected: ProjectedMesh, part: number, x: number, y: number, depth: number): void {
    for (const facet of projected) this.fill(facet, part, x, y, depth)
  }

  // eslint-disable-next-line max-params -- runs for every facet of every picture
  private fill(facet: ProjectedFacet, part: number, x: number, y: number, depth: number): void {
    const span = this.outline(facet, x, y)
    if (!span) return
    const { width } = this.size
    const { down, up, depth: depths, part: parts, surface, tone, used, shown, journal } = this
    if (span.first < used.top) used.top = span.first
    if (span.last > used.bottom) used.bottom = span.last
    for (let row = span.first; row <= span.last; row++) {
      const one = down[row]!
      const other = up[row]!
      const from = Math.max(0, Math.ceil((one < other ? one : other) - 0.5))
      const to = Math.min(width - 1, Math.ceil((one < other ? other : one) - 0.5) - 1)
      if (from > to) continue
      if (from < used.left) used.left = from
      if (to > used.right) used.right = to
      let at = depth + facet.base + facet.slopeX * (from + 0.5 - x) + facet.slopeY * (row + 0.5 - y)
      const line = row * width
      const end = line + to
      // One loop for each use: these run for millions of dots.
      if (journal) {
        for (let dot = line + from; dot <= end; dot++, at += facet.slopeX) {
          if (at >= depths[dot]! - HAIR) continue
          journal.note(this, dot)
          depths[dot] = at
          parts[dot] = part
          surface[dot] = facet.surface
          tone[dot] = facet.tone
        }
      } else if (shown) {
        for (let dot = line + from; dot <= end; dot++, at += facet.slopeX) {
          if (at >= depths[dot]! - HAIR) continue
          depths[dot] = at
          const before = parts[dot]!
          if (before >= 0) shown[before]!--
          shown[part]!++
          parts[dot] = part
        }
      } else {
        for (let dot = line + from; dot <= end; dot++, at += facet.slopeX) {
          if (at >= depths[dot]! - HAIR) continue
          depths[dot] = at
          parts[dot] = part
          surface[dot] = facet.surface
          tone[dot] = facet.tone
        }
      }
    }
  }

  /**
   * Where each row of dots crosses a convex polygon, by its middle line: once going down its edges and once going up, so that
   * every row from first to last is written in both.
   */
  private outline({ corners, left, right, low, high }: ProjectedFacet, x: number, y: number): { first: number; last: number } | undefined {
    const first = Math.max(0, Math.ceil(low + y - 0.5))
    const last = Math.min(this.size.height - 1, Math.ceil(high + y - 0.5) - 1)
    if (first > last || left + x >= this.size.width || right + x <= 0) return undefined
    const count = corners.length
    let x0 = corners[count - 2]! + x
    let y0 = corners[count - 1]! + y
    for (let i = 0; i < count; i += 2) {
      const x1 = corners[i]! + x
      const y1 = corners[i + 1]! + y
      if (y0 < y1) cross(this.down, x0, y0, x1, y1, first, last)
      else cross(this.up, x1, y1, x0, y0, first, last)
      x0 = x1
      y0 = y1
    }
    return { first, last }
  }
}

/** Where an edge from above to below crosses the middle lines of rows. */
// eslint-disable-next-line max-params -- runs for every edge of every facet
function cross(rows: Float64Array, x0: number, y0: number, x1: number, y1: number, first: number, last: number): void {
  const from = Math.max(first, Math.ceil(y0 - 0.5))
  const to = Math.min(last, Math.ceil(y1 - 0.5) - 1)
  if (from > to) return
  const slope = (x1 - x0) / (y1 - y0)
  let at = x0 + (from + 0.5 - y0) * slope
  for (let row = from; row <= to; row++, at += slope) rows[row] = at
}
