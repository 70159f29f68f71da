import { expose } from 'comlink'
import type { BookletSource, PictureContent, PictureRef } from '@core/booklet'
import { extendCatalogue, type OwnShape } from '@core/catalogue'
import {
  encodePng,
  paintPiece,
  pieceSource,
  writeSvg,
  type Picked,
  type PictureWindow,
  type PictureSize,
  type PieceLook,
  type PieceSpec,
  type TurnedView,
} from '@core/picture'
import { applyChange, type Change } from '@core/change'
import type { ModelDocument } from '@core/model'
import type { FlatPoint } from '@core/space'
import { coverOf } from '@press/cover'
import { BookletPainter } from '@press/paint'
import { staysAlive } from './alive'
import { forCanvas, given, type CanvasImage } from './canvas-image'
import { fromBytes, sourceOf, type Drawn, type Printed } from './plan-messages'

/** How a picture is to be painted. */
export interface PaintWishes {
  /** Memory of an earlier picture, to be painted into; it must not be used any more. */
  readonly spare?: ArrayBuffer | undefined
  /** Where a sharp picture would take long, one with rough edges will do for now. */
  readonly mayBeCoarse?: boolean | undefined
}

export interface PaintedImage extends CanvasImage {
  readonly isCoarse: boolean
}

/** A picture as it is saved. */
export interface PictureFile {
  readonly extension: string
  readonly type: string
  readonly content: string | Uint8Array<ArrayBuffer>
}

let source: BookletSource | undefined
/** What the source was made of, and the version it has for the page. */
let shown: { readonly version: number; readonly model: ModelDocument; readonly printed: Printed } | undefined
/** Each keeps the dots of its section: the one that was not asked for longest goes. */
const MOST_SIZES = 2
/** One painter for each size asked for; a map keeps the order of what was put in. */
let painters = new Map<string, BookletPainter>()

/** Painters of earlier versions, by size. */
let earlier = new Map<string, BookletPainter>()

function painter(width: number, height: number): BookletPainter {
  if (!source) throw new Error('nothing to paint has been opened')
  const key = `${width} ${height}`
  const known = painters.get(key) ?? new BookletPainter(source, { width, height }, { before: earlier.get(key) })
  earlier.delete(key)
  painters.delete(key)
  painters.set(key, known)
  if (painters.size > MOST_SIZES) painters.delete(painters.keys().next().value!)
  return known
}

function show(next: NonNullable<typeof shown>): void {
  shown = next
  source = sourceOf(next.model, next.printed)
  // Painters are taken over when they are asked for: not all sizes are seen again.
  earlier = new Map([...earlier, ...painters].slice(-MOST_SIZES))
  painters = new Map()
}

const alive = staysAlive()

const api = {
  ready: (): Promise<boolean> => alive,
  open(next: BookletSource): void {
    shown = undefined
    source = next
    painters = new Map()
    earlier = new Map()
  },
  openBytes(version: number, model: Uint8Array, printed: Uint8Array): void {
    show({ version, model: fromBytes<ModelDocument>(model), printed: fromBytes<Printed>(printed) })
  },
  /**
   * Goes on from a version.
   * @param bytes a printed report that takes the place of the one before; the change is of the rest then
   * @returns whether that is the one that is known here
   */
  change(base: number, version: number, change: Change | undefined, bytes?: Uint8Array): boolean {
    if (shown?.version !== base) return false
    const before: Drawn = { model: shown.model, printed: shown.printed }
    const after = change ? (applyChange(before, change) as Drawn) : before
    show({ version, model: after.model, printed: bytes ? fromBytes<Printed>(bytes) : after.printed })
    return true
  },
  picture(ref: PictureRef, content: PictureContent, { width, height }: PictureSize, { spare, mayBeCoarse }: PaintWishes): PaintedImage {
    const own = painter(width, height)
    const coarse = mayBeCoarse && content === 'step' ? own.paintCoarse(ref) : undefined
    return given({ ...forCanvas(coarse ?? own.paint(ref, content), spare), isCoarse: coarse !== undefined })
  },
  /** A picture that somebody turns: nothing of it is kept. */
  turned(ref: PictureRef, content: PictureContent, view: TurnedView, size: PictureSize): CanvasImage {
    return given(forCanvas(painter(size.width, size.height).paintTurned(ref, content, view)))
  },
  /** What a picture shows at a place, px. */
  pick(ref: PictureRef, content: PictureContent, { width, height }: PictureSize, at: FlatPoint): Picked | undefined {
    return painter(width, height).pick(ref, content, at)
  },
  /** Where things lie in the picture of a step, px. */
  windows(ref: PictureRef, { width, height }: PictureSize, ids: readonly string[]): PictureWindow[] {
    return painter(width, height).windows(ref, ids)
  },
  cover: async (): Promise<string | undefined> => (source ? coverOf(source) : undefined),
  async file(ref: PictureRef, size: PictureSize): Promise<PictureFile> {
    const own = new BookletPainter(source!, size)
    const picture = own.render(ref, 'step')
    if ('items' in picture) return { extension: '.svg', type: 'image/svg+xml', content: writeSvg(picture) }
    return { extension: '.png', type: 'image/png', content: (await encodePng(picture)) as Uint8Array<ArrayBuffer> }
  },
  piece(piece: PieceSpec, size: PictureSize, look: Partial<PieceLook>): CanvasImage {
    return given(forCanvas(painter(64, 48).piece(piece, size, look)))
  },
  /** How the pieces of one tray are drawn: to one scale, each from the side that tells it from the others. */
  trayLooks(pieces: readonly PieceSpec[], size: PictureSize): PieceLook[] {
    return painter(64, 48).trayLooks(pieces, size)
  },
  /** A shape that is not in any model yet. */
  ownPiece(own: OwnShape, colour: string, size: PictureSize, look: Partial<PieceLook>): CanvasImage {
    const source = pieceSource(extendCatalogue([own]))
    return given(forCanvas(paintPiece({ shape: own.id, colour }, source, size, look)))
  },
}

export type PainterApi = typeof api
expose(api)
