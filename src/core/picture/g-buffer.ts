import type { Journal } from './journal'
import type { ProjectedFacet, ProjectedMesh } from './projected-mesh'
import type { PictureSize } from './view'

export const NOTHING = -1

/** A hair in favour of what is there keeps coplanar faces of neighbours from flickering, u. */
const HAIR = 1e-3

/** Facets around which there are no more dots than this, as of studs, are looked at before they are filled: most of them are hidden. */
const SMALL = 600

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
 * The z-buffer: for each dot its depth (u), which part it shows, and which face of the part.
 * Parts are only ever added, so a rail is drawn once over all its steps (Catmull 1974, depth buffer).
 */
export class GBuffer {
  readonly depth: Float32Array
  readonly part: Int32Array
  readonly face: Uint16Array
  /** The rows and columns that facets reach over since `startWindow`, hidden or not. */
  private used: Window = { ...EMPTY_WINDOW }
  /** Of each row where an edge going down, and one going up, crosses it, px. */
  private readonly down: Float64Array
  private readonly up: Float64Array
  /** When set, what is written over is noted in it. */
  journal: Journal | undefined

  /**
   * @param shown when given, kept up to date: of each part, the dots that show it; faces are left out then
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
    this.face = old && old.face.buffer.byteLength >= 2 * kept ? new Uint16Array(old.face.buffer, 0, kept) : new Uint16Array(kept)
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
    const { width, height } = this.size
    // Rounded to what the engine knows to be whole: loops over doubles take twice as long.
    const first = Math.max(0, Math.ceil(facet.low + y - 0.5)) | 0
    const last = Math.min(height - 1, Math.ceil(facet.high + y - 0.5) - 1) | 0
    const left = Math.max(0, Math.ceil(facet.left + x - 0.5)) | 0
    const right = Math.min(width - 1, Math.ceil(facet.right + x - 0.5) - 1) | 0
    if (first > last || left > right) return
    const { down, up, depth: depths, part: parts, face: faces, used, shown, journal } = this
    if (first < used.top) used.top = first
    if (last > used.bottom) used.bottom = last
    if (left < used.left) used.left = left
    if (right > used.right) used.right = right
    const isSmall = (right - left + 1) * (last - first + 1) <= SMALL
    if (isSmall && this.isHidden(left, right, first, last, depth + facet.near)) return
    this.outline(facet, x, y, first, last)
    const { face, slopeX } = facet
    for (let row = first; row <= last; row++) {
      const one = down[row]!
      const other = up[row]!
      const from = Math.max(0, Math.ceil((one < other ? one : other) - 0.5)) | 0
      const to = Math.min(width - 1, Math.ceil((one < other ? other : one) - 0.5) - 1) | 0
      if (from > to) continue
      let at = depth + facet.base + slopeX * (from + 0.5 - x) + facet.slopeY * (row + 0.5 - y)
      const line = row * width
      const end = line + to
      // One loop for each use: these run for millions of dots.
      if (journal) {
        for (let dot = line + from; dot <= end; dot++, at += slopeX) {
          if (at >= depths[dot]! - HAIR) continue
          journal.note(this, dot)
          depths[dot] = at
          parts[dot] = part
          faces[dot] = face
        }
      } else if (shown) {
        for (let dot = line + from; dot <= end; dot++, at += slopeX) {
          if (at >= depths[dot]! - HAIR) continue
          depths[dot] = at
          const before = parts[dot]!
          if (before >= 0) shown[before]!--
          shown[part]!++
          parts[dot] = part
        }
      } else {
        for (let dot = line + from; dot <= end; dot++, at += slopeX) {
          const there = depths[dot]!
          // Of equals the part with the lower number shows, so that any order of drawing gives the same.
          if (at >= there - HAIR && (at >= there + HAIR || part >= parts[dot]!)) continue
          depths[dot] = at
          parts[dot] = part
          faces[dot] = face
        }
      }
    }
  }

  /**
   * Where each row of dots crosses a convex polygon, by its middle line: once going down its edges and once going up, so that
   * every row from first to last is written in both.
   */
  // eslint-disable-next-line max-params -- runs for every facet of every picture
  private outline({ corners }: ProjectedFacet, x: number, y: number, first: number, last: number): void {
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
  }

  /** Whether all dots of a rectangle show what is nearer than something. */
  // eslint-disable-next-line max-params -- runs for every facet of every picture, where numbers in an object are not whole to the engine
  private isHidden(left: number, right: number, top: number, bottom: number, nearest: number): boolean {
    const { depth: depths } = this
    const { width } = this.size
    const bar = nearest - HAIR
    for (let row = top; row <= bottom; row++) {
      const end = row * width + right
      for (let dot = row * width + left; dot <= end; dot++) if (depths[dot]! > bar) return false
    }
    return true
  }
}

/** Where an edge from above to below crosses the middle lines of rows. */
// eslint-disable-next-line max-params -- runs for every edge of every facet
function cross(rows: Float64Array, x0: number, y0: number, x1: number, y1: number, first: number, last: number): void {
  const from = Math.max(first, Math.ceil(y0 - 0.5)) | 0
  const to = Math.min(last, Math.ceil(y1 - 0.5) - 1) | 0
  if (from > to) return
  const slope = (x1 - x0) / (y1 - y0)
  let at = x0 + (from + 0.5 - y0) * slope
  for (let row = from; row <= to; row++, at += slope) rows[row] = at
}
