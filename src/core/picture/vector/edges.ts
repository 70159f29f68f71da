import { memo } from '../../memo'
import type { FlatPoint } from '../../space'
import type { RenderTarget } from '../render-target'
import { surfaceOfFace } from '../face-bits'
import { NOTHING, type GBuffer } from '../g-buffer'
import type { ProjectedMesh } from '../projected-mesh'
import { depthAt, type VisibleFacet } from './facets'

export type LineKind = 'crease' | 'outline' | 'heavy'

/** Kinds as they stand in tables. */
const HIDDEN = 0
const CREASE = 1
const OUTLINE = 2
const HEAVY = 3
const KINDS: readonly (LineKind | undefined)[] = [undefined, 'crease', 'outline', 'heavy']

/** A stretch of an edge that shows, in dots of the buffer. */
export interface VisibleLine {
  readonly kind: LineKind
  readonly part: number
  readonly from: FlatPoint
  readonly to: FlatPoint
}

/** How far beside an edge is looked, dots; the second look is for where the first meets a neighbour's line. */
const BESIDE = [0.9, 1.7] as const
/** A step in depth on one surface larger than this is a step in the part, u. */
const DEPTH_STEP = 3
/** Parts whose depths differ by less lie in one plane, u. */
const FLUSH = 0.02
/** Where parts meet in a valley, the one beside an edge is nearer by so much: u, and more the fewer dots there are for one u. */
const VALLEY = { u: 0.3, dots: 2.6 }
/** A dot this near to the plane of a facet shows it and not another of its surface; so does one this near to the edge. u. */
const SAME_FACET = 0.6
const SAME_EDGE = 1.5
/** Stretches of fewer dots on an edge of more are slips of the dots. */
const SPECK = { dots: 2, edge: 6 }
/** A hidden stretch no longer than this between two that show is a slip of the dots. */
const SLIP = 1

/**
 * The lines of facets that show, and where: the edges are exact, which stretch of one shows, and whether it parts pieces or
 * surfaces, is read from the z-buffer on both of its sides, dot by dot (after the quantitative invisibility of Appel 1967, counted by dots).
 *
 * @param isNew whether a part is new: lines between new and not new are heavy
 */
export function visibleLines(
  facets: readonly VisibleFacet[],
  { buffer, camera }: RenderTarget,
  isNew: (part: number) => boolean,
): VisibleLine[] {
  const reader = new EdgeReader(buffer, isNew, camera.scale)
  const lines: VisibleLine[] = []
  for (const facet of facets) {
    const beyond = neighboursOf(facet.projected)[facet.index]!
    const { corners } = facet
    const count = corners.length / 2
    for (let i = 0; i < count; i++) {
      // The corners run the other way than in the projected mesh.
      const neighbour = beyond[(2 * count - 2 - i) % count]!
      if (neighbour === SAME_SURFACE) continue
      // Of two faces that both show beside an edge the first draws it.
      const yieldsTo = neighbour >= 0 && neighbour < facet.index ? facet.projected[neighbour]!.surface : NO_SURFACE
      reader.read(facet, [i * 2, ((i + 1) % count) * 2], yieldsTo, lines)
    }
  }
  return lines
}

const SAME_SURFACE = -2
const NONE = -1
const NO_SURFACE = -1

/** Of each edge of each facet of a projected mesh, the facet beyond it. */
const neighboursOf = memo(findNeighbours)

/** Facets that share an edge, both of which face the viewer; told by the ends of the edge and their depth. */
function findNeighbours(projected: ProjectedMesh): number[][] {
  const ends = new Map<string, number[]>()
  const edgesOf = projected.map(({ corners, slopeX, slopeY, base }, facet) => {
    const count = corners.length / 2
    const name = (i: number): string => {
      const [x, y] = [corners[i * 2]!, corners[i * 2 + 1]!]
      return `${Math.round(x * 20)} ${Math.round(y * 20)} ${Math.round((base + slopeX * x + slopeY * y) * 20)}`
    }
    return Array.from({ length: count }, (_, i) => {
      const [a, b] = [name(i), name((i + 1) % count)]
      const key = a < b ? `${a} ${b}` : `${b} ${a}`
      const list = ends.get(key)
      if (list) list.push(facet)
      else ends.set(key, [facet])
      return key
    })
  })
  return projected.map(({ surface }, facet) =>
    edgesOf[facet]!.map((key) => {
      const other = ends.get(key)!.find((candidate) => candidate !== facet)
      if (other === undefined) return NONE
      return projected[other]!.surface === surface ? SAME_SURFACE : other
    }),
  )
}

class EdgeReader {
  private kinds = new Uint8Array(1024)
  private readonly touching: number

  constructor(
    private readonly buffer: GBuffer,
    private readonly isNew: (part: number) => boolean,
    dotsPerU: number,
  ) {
    this.touching = VALLEY.u + VALLEY.dots / dotsPerU
  }

  /**
   * Adds the stretches of an edge that show.
   *
   * @param ends where the edge begins in the corners, and where it ends
   * @param yieldsTo the surface of the same part beyond the edge that draws it where both show
   */
  read(facet: VisibleFacet, ends: readonly [number, number], yieldsTo: number, lines: VisibleLine[]): void {
    const { corners, part } = facet
    const [a, b] = ends
    const [ax, ay] = [corners[a]!, corners[a + 1]!]
    const [dx, dy] = [corners[b]! - ax, corners[b + 1]! - ay]
    const length = Math.hypot(dx, dy)
    if (length < 0.2) return
    const count = Math.max(1, Math.ceil(length))
    if (count > this.kinds.length) this.kinds = new Uint8Array(count * 2)
    const { kinds } = this
    for (let i = 0; i < count; i++) {
      const t = (i + 0.5) / count
      kinds[i] = this.kindAt(facet, ax + dx * t, ay + dy * t, dy / length, -dx / length, yieldsTo)
    }
    closeSlips(kinds, count)
    const at = (i: number): FlatPoint => [ax + (dx * i) / count, ay + (dy * i) / count]
    for (let i = 0; i < count;) {
      const kind = kinds[i]!
      let end = i + 1
      while (end < count && kinds[end] === kind) end++
      if (kind !== HIDDEN && (end - i >= SPECK.dots || count < SPECK.edge))
        lines.push({ kind: KINDS[kind]!, part, from: at(i), to: at(end) })
      i = end
    }
  }

  // eslint-disable-next-line max-params -- runs for every dot, where an object for each call would be garbage
  private kindAt(facet: VisibleFacet, x: number, y: number, outX: number, outY: number, yieldsTo: number): number {
    const edge = depthAt(facet, x, y)
    for (const far of BESIDE) {
      if (!this.shows(this.dotAt(x - outX * far, y - outY * far), facet, facet.surface, edge)) continue
      const outside = this.dotAt(x + outX * far, y + outY * far)
      if (yieldsTo !== NO_SURFACE && this.shows(outside, facet, yieldsTo, edge)) return HIDDEN
      return this.kindBeside(facet, outside)
    }
    return HIDDEN
  }

  /** Whether a dot beside an edge of some depth shows a surface there, and not the same surface nearer to the viewer. */
  private shows(dot: number, facet: VisibleFacet, surface: number, edge: number): boolean {
    const { buffer } = this
    if (dot < 0 || buffer.part[dot] !== facet.part || surfaceOfFace(buffer.face[dot]!) !== surface) return false
    const depth = buffer.depth[dot]!
    return Math.abs(depth - edge) < SAME_EDGE || Math.abs(depth - this.planeAt(facet, dot)) < SAME_FACET
  }

  private planeAt(facet: VisibleFacet, dot: number): number {
    const { width } = this.buffer.size
    const x = dot % width
    return depthAt(facet, x + 0.5, (dot - x) / width + 0.5)
  }

  /** What kind of line parts a facet from what shows at a dot beside it; none where that draws the line itself. */
  private kindBeside(facet: VisibleFacet, outside: number): number {
    const { part, face, depth } = this.buffer
    const other = outside < 0 ? NOTHING : part[outside]!
    if (other === NOTHING) return this.isNew(facet.part) ? HEAVY : OUTLINE
    const deeper = depth[outside]! - this.planeAt(facet, outside)
    if (other === facet.part) return surfaceOfFace(face[outside]!) !== facet.surface || Math.abs(deeper) > DEPTH_STEP ? CREASE : HIDDEN
    // What is in front draws its own edge; of two that lie in one plane the first does.
    if (deeper < -this.touching || (Math.abs(deeper) < FLUSH && other < facet.part)) return HIDDEN
    return this.isNew(facet.part) !== this.isNew(other) ? HEAVY : OUTLINE
  }

  /** −1 outside the picture. */
  private dotAt(x: number, y: number): number {
    const { width, height } = this.buffer.size
    return x < 0 || y < 0 || x >= width || y >= height ? -1 : Math.floor(y) * width + Math.floor(x)
  }
}

/** Short gaps between stretches of one kind are closed, and the last dot before a corner, where the look beside it goes past the corner. */
function closeSlips(kinds: Uint8Array, count: number): void {
  if (count > 3) {
    if (kinds[0] !== kinds[1] && kinds[1] === kinds[2]) kinds[0] = kinds[1]!
    if (kinds[count - 1] !== kinds[count - 2] && kinds[count - 2] === kinds[count - 3]) kinds[count - 1] = kinds[count - 2]!
  }
  for (let i = 1; i + SLIP < count; i++) {
    if (kinds[i] === HIDDEN && kinds[i - 1] !== HIDDEN && kinds[i - 1] === kinds[i + SLIP]) kinds[i] = kinds[i - 1]!
  }
}
