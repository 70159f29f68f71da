import type { Journal } from './journal'
import type { SeenFacet, Stencil } from './stencil'
import type { PictureSize } from './view'

export const NOTHING = -1

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
export class Layers {
  readonly depth: Float32Array
  readonly part: Int32Array
  readonly surface: Uint16Array
  readonly tone: Uint8Array
  /** The rows and columns drawn into since `startWindow`. */
  private used: Window = { ...EMPTY_WINDOW }
  private left: Float64Array
  private right: Float64Array
  /** When set, what is written over is noted in it. */
  journal: Journal | undefined

  /** @param shown when given, kept up to date: of each part, the dots that show it */
  constructor(
    readonly size: PictureSize,
    readonly shown?: Int32Array,
  ) {
    const dots = size.width * size.height
    this.depth = new Float32Array(dots).fill(Infinity)
    this.part = new Int32Array(dots).fill(NOTHING)
    this.surface = new Uint16Array(dots)
    this.tone = new Uint8Array(dots)
    this.left = new Float64Array(size.height)
    this.right = new Float64Array(size.height)
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
  draw(stencil: Stencil, part: number, x: number, y: number, depth: number): void {
    for (const facet of stencil) this.fill(facet, part, x, y, depth)
  }

  private fill(facet: SeenFacet, part: number, x: number, y: number, depth: number): void {
    const span = this.outline(facet.corners, x, y)
    if (!span) return
    const { width } = this.size
    const { left, right, depth: depths, part: parts, surface, tone, used, shown, journal } = this
    if (span.first < used.top) used.top = span.first
    if (span.last > used.bottom) used.bottom = span.last
    for (let row = span.first; row <= span.last; row++) {
      const from = Math.max(0, Math.ceil(left[row]! - 0.5))
      const to = Math.min(width - 1, Math.ceil(right[row]! - 0.5) - 1)
      if (from > to) continue
      if (from < used.left) used.left = from
      if (to > used.right) used.right = to
      let at = depth + facet.base + facet.slopeX * (from + 0.5 - x) + facet.slopeY * (row + 0.5 - y)
      const line = row * width
      for (let dot = line + from; dot <= line + to; dot++, at += facet.slopeX) {
        // A hair in favour of what is there keeps coplanar faces of neighbours from flickering.
        if (at < depths[dot]! - 1e-3) {
          journal?.note(this, dot)
          depths[dot] = at
          if (shown) {
            const before = parts[dot]!
            if (before >= 0) shown[before]!--
            shown[part]!++
          }
          parts[dot] = part
          surface[dot] = facet.surface
          tone[dot] = facet.tone
        }
      }
    }
  }

  /** Where each row of dots enters and leaves a convex polygon, by its middle line. */
  private outline(corners: Float64Array, x: number, y: number): { first: number; last: number } | undefined {
    const { left, right } = this
    let low = Infinity
    let high = -Infinity
    for (let i = 1; i < corners.length; i += 2) {
      low = Math.min(low, corners[i]!)
      high = Math.max(high, corners[i]!)
    }
    const first = Math.max(0, Math.ceil(low + y - 0.5))
    const last = Math.min(this.size.height - 1, Math.ceil(high + y - 0.5) - 1)
    if (first > last) return undefined
    for (let row = first; row <= last; row++) {
      left[row] = Infinity
      right[row] = -Infinity
    }
    const count = corners.length / 2
    for (let i = 0; i < count; i++) {
      const j = (i + 1) % count
      this.edge(corners[i * 2]! + x, corners[i * 2 + 1]! + y, corners[j * 2]! + x, corners[j * 2 + 1]! + y, first, last)
    }
    return { first, last }
  }

  private edge(x0: number, y0: number, x1: number, y1: number, first: number, last: number): void {
    if (y0 > y1) {
      const [tx, ty] = [x0, y0]
      x0 = x1
      y0 = y1
      x1 = tx
      y1 = ty
    }
    const from = Math.max(first, Math.ceil(y0 - 0.5))
    const to = Math.min(last, Math.ceil(y1 - 0.5) - 1)
    if (from > to) return
    const slope = (x1 - x0) / (y1 - y0)
    let at = x0 + (from + 0.5 - y0) * slope
    const { left, right } = this
    for (let row = from; row <= to; row++, at += slope) {
      if (at < left[row]!) left[row] = at
      if (at > right[row]!) right[row] = at
    }
  }
}
