import { CURVED, surfaceOfFace } from './face-bits'
import { NOTHING, type GBuffer, type Window } from './g-buffer'

/** Edges, from faint to heavy. */
export const NONE = 0
export const CREASE = 1
const OUTLINE = 2
export const HEAVY = 3

/** A step in depth on one surface larger than this, u, is a step in the part. */
const DEPTH_STEP = 3

export interface EdgeOptions {
  /** Parts from…to (not included) are new: where they meet others the line is heavy. */
  readonly newFrom: number
  readonly newTo: number
}

/**
 * Compares each dot with its right and lower neighbour: where parts meet the nearer one has an outline, where surfaces of a part meet
 * there is a crease. It runs for millions of dots, of which one in ten is told from a neighbour. Nothing it reads is captured by a
 * function: that would make each of its reads slower.
 * @returns the dots of outlines and heavy lines, some of them twice
 */
export function findEdges(buffer: GBuffer, edges: Uint8Array, window: Window, { newFrom, newTo }: EdgeOptions): number[] {
  const { width, height } = buffer.size
  const { part, face } = buffer
  const met: number[] = []
  const compared: Compared = { buffer, edges, newFrom, newTo, met }
  const top = window.top | 0
  const left = window.left | 0
  const bottom = Math.min(window.bottom, height - 2) | 0
  const right = Math.min(window.right, width - 2) | 0
  const curved = CURVED
  for (let y = top; y <= bottom; y++) {
    const start = y * width + left
    const end = y * width + right
    // Each dot is the right neighbour of the one before: what was read of it is carried on.
    let mine = part[start]!
    let own = face[start]!
    for (let a = start; a <= end; a++) {
      const next = part[a + 1]!
      const nextFace = face[a + 1]!
      // One question for the most of them, which are like both.
      if (((mine ^ next) | (mine ^ part[a + width]!) | (own ^ nextFace) | (own ^ face[a + width]!) | (own & curved)) !== 0) {
        if ((own & curved) !== 0 || mine !== next || own !== nextFace) compare(compared, a, a + 1)
        if ((own & curved) !== 0 || mine !== part[a + width]! || own !== face[a + width]!) compare(compared, a, a + width)
      }
      mine = next
      own = nextFace
    }
  }
  return met
}

interface Compared extends EdgeOptions {
  readonly buffer: GBuffer
  readonly edges: Uint8Array
  readonly met: number[]
}

/** @param b the dot to the right of `a`, or below it */
function compare({ buffer: { part, face, depth }, edges, newFrom, newTo, met }: Compared, a: number, b: number): void {
  const one = part[a]!
  const other = part[b]!
  if (one !== other) {
    const kind = (one >= newFrom && one < newTo) === (other >= newFrom && other < newTo) ? OUTLINE : HEAVY
    const nearer = depth[a]! <= depth[b]! ? a : b
    if (edges[nearer]! >= kind) return
    edges[nearer] = kind
    met.push(nearer)
  } else if (one !== NOTHING && edges[b] === NONE) {
    // A surface that is curved may hide some of itself.
    const isCrease = surfaceOfFace(face[a]!) !== surfaceOfFace(face[b]!) || Math.abs(depth[a]! - depth[b]!) > DEPTH_STEP
    if (isCrease) edges[b] = CREASE
  }
}

export interface Thickened {
  /** Dots of outlines and heavy lines, as they were found. */
  readonly met: readonly number[]
  readonly width: number
  readonly window: Window
  /** Dots for one px of the picture. */
  readonly finer: number
  /** Outlines stay as thin as they are. */
  readonly hasFineLines: boolean
}

/** Outlines grow by a dot to the right and down, heavy ones by a disc, so that they print as one and two lines' width. */
export function thicken(edges: Uint8Array, { met, width, window, finer, hasFineLines }: Thickened): void {
  const [left, right, top, bottom] = [window.left | 0, window.right | 0, window.top | 0, window.bottom | 0]
  if (!hasFineLines) {
    for (const dot of met) {
      if (edges[dot] !== OUTLINE) continue
      const x = dot % width
      if (x < right && edges[dot + 1]! < OUTLINE) edges[dot + 1] = OUTLINE
      if (dot < bottom * width && edges[dot + width]! < OUTLINE) edges[dot + width] = OUTLINE
    }
  }
  const reach = finer
  for (const dot of met.filter((each) => edges[each] === HEAVY)) {
    const x = dot % width
    const y = (dot - x) / width
    for (let dy = -reach; dy <= reach; dy++) {
      if (y + dy < top || y + dy > bottom) continue
      for (let dx = -reach; dx <= reach; dx++) {
        if (dx * dx + dy * dy > reach * reach + 1 || x + dx < left || x + dx > right) continue
        edges[dot + dy * width + dx] = HEAVY
      }
    }
  }
}
