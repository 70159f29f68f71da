import type { Catalogue, Shape } from '../catalogue'
import type { PieceCount } from '../count'
import { patchesOf } from '../decal'
import { memo } from '../memo'
import { shapeOfPart, type Decal, type PlacedPart } from '../model'
import { IDENTITY, sizeOf, type Box } from '../space'
import type { DrawnSection } from './drawn-section'
import { RenderTarget } from './render-target'
import { toneOfFace } from './face-bits'
import { NOTHING } from './g-buffer'
import type { RgbImage } from './rgb-image'
import { lookOf } from './paint'
import { inkLayer, type PictureLayer } from './picture-layer'
import { drawComposition, type Drawing } from './vector'
import { fitCamera, projectedSize, VIEWS, type FreeView, type PictureSize, type ViewNumber } from './view'

const FINER = 3
const MARGIN = 3
const MOST_SCALE = 2.2
/** One scale serves a tray down to this many px for one u of a picture 100 px wide; what is too large for it is drawn smaller. */
const LEAST_SCALE = 1.6

/** A piece as it is looked at: what it is, with the work done to it. */
export type PieceSpec = Omit<PieceCount, 'count'>

/** How a piece of a tray is drawn. */
export interface PieceLook {
  readonly view: ViewNumber
  /** px for one u. */
  readonly scale: number
  /** Too large for the scale of its tray. */
  readonly isSmaller: boolean
  /** From anywhere, instead of the view; then it keeps its size while it is turned. */
  readonly free?: FreeView
}

/** What pieces are made of: the catalogue, and the pictures that may be on them. */
export interface PieceSource {
  readonly catalogue: Catalogue
  readonly decals: ReadonlyMap<string, Decal>
}

export const pieceSource = (catalogue: Catalogue, decals: readonly Decal[] = []): PieceSource => ({
  catalogue,
  decals: new Map(decals.map((decal) => [decal.id, decal])),
})

/** A piece alone, as if it were a section. */
function alone(piece: PieceSpec, { catalogue, decals }: PieceSource): Pick<DrawnSection, 'parts' | 'patches'> {
  const shape = shapeOfPart(piece, catalogue.shapes)
  const part = { ...piece, id: 'piece' }
  const pose = { matrix: IDENTITY, at: [0, 0, 0] } as const
  const placed: PlacedPart = { path: 'piece', part, shape, colour: piece.colour, pose, lacksTwin: false, isMirrored: false }
  const patches = patchesOf({ part, shape, drawn: shape, isMirrored: false }, decals)
  return { parts: [placed], patches: new Map(patches.length > 0 ? [[0, patches]] : []) }
}

/** Around all that is drawn of a shape, u. */
const meshBox = memo((shape: Shape): Box => {
  const min: [number, number, number] = [Infinity, Infinity, Infinity]
  const max: [number, number, number] = [-Infinity, -Infinity, -Infinity]
  for (const facet of shape.mesh) {
    for (const corner of facet.corners) {
      for (let i = 0; i < 3; i++) {
        min[i] = Math.min(min[i]!, corner[i]!)
        max[i] = Math.max(max[i]!, corner[i]!)
      }
    }
  }
  return { min, max }
})

function piecePlate(
  section: Pick<DrawnSection, 'parts' | 'patches'>,
  source: PieceSource,
  size: PictureSize,
  look?: Partial<PieceLook>,
): PictureLayer {
  const full = { width: size.width * FINER, height: size.height * FINER }
  const [placed] = section.parts as [PlacedPart]
  const box = meshBox(placed.shape)
  const most = look?.scale ?? (MOST_SCALE * size.width) / 100
  // Whichever way it is turned, its corners stay in the picture.
  const round = (Math.min(size.width, size.height) - 2 * MARGIN) / Math.hypot(...sizeOf(box))
  const scale = look?.free ? Math.min(most, round) : most
  const target = new RenderTarget(
    fitCamera(box, look?.free ?? look?.view ?? 0, full, { margin: MARGIN * FINER, mostScale: scale * FINER }),
    full,
  )
  target.draw(section, 0)
  const ink = { looks: [lookOf(source.catalogue.colours.get(placed.colour)!)], newFrom: 0, newTo: 0, wash: 0, hasFineLines: false }
  return { target, size, finer: FINER, shown: [{ part: 0 }], look: ink, marks: [] }
}

/** The small picture of a piece, for trays and lists. */
export const paintPiece = (piece: PieceSpec, source: PieceSource, size: PictureSize, look?: Partial<PieceLook>): RgbImage =>
  inkLayer(piecePlate(alone(piece, source), source, size, look))

/** The same in areas and lines. */
export function drawPiece(piece: PieceSpec, source: PieceSource, size: PictureSize, look?: Partial<PieceLook>): Drawing {
  const section = alone(piece, source)
  const layer = piecePlate(section, source, size, look)
  return drawComposition({ ...layer, overlays: [] }, section, Infinity)!
}

/**
 * How the pieces of one tray are drawn: all to one scale, so that sizes can be compared, each from the side that tells it from
 * the others.
 *
 * @param size of each picture, px
 */
export function lookAtTray(pieces: readonly PieceSpec[], source: PieceSource, size: PictureSize): PieceLook[] {
  const views = tellingViews(pieces, source)
  const fits = pieces.map((piece, i) => {
    const box = meshBox(alone(piece, source).parts[0]!.shape)
    const { width, height } = projectedSize(box, views[i]!)
    return Math.min((size.width - 2 * MARGIN) / width, (size.height - 2 * MARGIN) / height)
  })
  // Where all are too large they still have one scale.
  const least = Math.min((LEAST_SCALE * size.width) / 100, Math.max(...fits))
  const scale = Math.min((MOST_SCALE * size.width) / 100, Math.max(least, Math.min(...fits)))
  return pieces.map((_, i) => ({ view: views[i]!, scale: Math.min(scale, fits[i]!), isSmaller: fits[i]! < scale - 1e-9 }))
}

/** Around a piece that is drawn to a scale from the usual side, px, and how it is drawn. */
export interface ScaledPiece extends PictureSize {
  readonly look: PieceLook
}

/**
 * How a shape is drawn to a scale that many share, px for one u; what would be larger than it may be is drawn smaller.
 * @param finer dots for one px: how fine the picture is painted
 */
export function pieceToScale(shape: Shape, scale: number, most: PictureSize, finer: number): ScaledPiece {
  const whole = projectedSize(meshBox(shape), 0)
  const own = Math.min(scale, (most.width - 2 * MARGIN) / whole.width, (most.height - 2 * MARGIN) / whole.height)
  const side = (length: number): number => Math.ceil(length * own) + 2 * MARGIN
  return { width: side(whole.width), height: side(whole.height), look: { view: 0, scale: own * finer, isSmaller: own < scale } }
}

/** Pieces that differ by at least this share of what is seen of them are told apart at a glance. */
const CLEAR = 0.3
/** Another side must tell this much more to be taken. */
const WORTH = 1.35
/** Two pieces are compared as small as this, px, at this scale, px for one u. */
const GLANCE: PictureSize = { width: 48, height: 36 }
const GLANCE_SCALE = 0.6

/** What a glance shows: for each dot nothing, or one of three tones; and how many dots show anything. */
interface Glance {
  readonly dots: Uint8Array
  readonly area: number
}

const glancesOf = memo((_shape: Shape) => new Map<ViewNumber, Glance>())

function tellingViews(pieces: readonly PieceSpec[], source: PieceSource): ViewNumber[] {
  const sections = pieces.map((piece) => alone(piece, source))
  // A piece without a picture on it looks the same in every tray.
  const glances = sections.map(({ parts, patches }) => (patches.size === 0 ? glancesOf(parts[0]!.shape) : new Map<ViewNumber, Glance>()))
  const glance = (i: number, view: ViewNumber): Glance => {
    let known = glances[i]!.get(view)
    if (!known) glances[i]!.set(view, (known = glanceAt(sections[i]!, view)))
    return known
  }
  const alike = likePieces(
    pieces,
    pieces.map((_, i) => glance(i, 0)),
  )
  return pieces.map((_, i) => {
    if (alike[i]!.length === 0) return 0
    // What is told from the likest one is told from all.
    const told = (view: ViewNumber): number => Math.min(...alike[i]!.map((k) => difference(glance(i, view), glance(k, view))))
    const best = VIEWS.map((view) => ({ view, told: told(view) })).reduce((a, b) => (b.told > a.told + 1e-9 ? b : a))
    return best.told > told(0) * WORTH ? best.view : 0
  })
}

/** Of each piece those of other shapes that it could be taken for from the usual side. By area first: what differs much there is told apart. */
function likePieces(pieces: readonly PieceSpec[], glances: readonly Glance[]): number[][] {
  const alike: number[][] = pieces.map(() => [])
  const order = pieces.map((_, i) => i).sort((a, b) => glances[a]!.area - glances[b]!.area)
  order.forEach((i, rank) => {
    for (let next = rank + 1; next < order.length; next++) {
      const k = order[next]!
      if (glances[k]!.area * (1 - CLEAR) > glances[i]!.area) break
      if (pieces[i]!.shape === pieces[k]!.shape || difference(glances[i]!, glances[k]!) >= CLEAR) continue
      alike[i]!.push(k)
      alike[k]!.push(i)
    }
  })
  return alike
}

function glanceAt(section: Pick<DrawnSection, 'parts' | 'patches'>, view: ViewNumber): Glance {
  const target = new RenderTarget(fitCamera(meshBox(section.parts[0]!.shape), view, GLANCE, { margin: 1, mostScale: GLANCE_SCALE }), GLANCE)
  target.draw(section, 0)
  const { part, face } = target.buffer
  const dots = Uint8Array.from(part, (shown, dot) => (shown === NOTHING ? 0 : toneOfFace(face[dot]!) + 1))
  return { dots, area: dots.reduce((sum, dot) => sum + (dot === 0 ? 0 : 1), 0) }
}

function difference({ dots: a }: Glance, { dots: b }: Glance): number {
  let differ = 0
  let either = 0
  for (let dot = 0; dot < a.length; dot++) {
    if (a[dot] === 0 && b[dot] === 0) continue
    either++
    if (a[dot] !== b[dot]) differ++
  }
  return either === 0 ? 0 : differ / either
}
