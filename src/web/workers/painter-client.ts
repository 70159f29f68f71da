import { transfer } from 'comlink'
import type { BookletSource, PictureContent, PictureRef } from '@core/booklet'
import type { OwnShape } from '@core/catalogue'
import type { Change } from '@core/change'
import type { Picked, PictureSize, PictureWindow, PieceLook, PieceSpec, TurnedView } from '@core/picture'
import type { FlatPoint } from '@core/space'
import type { CanvasImage } from '../../workers/canvas-image'
import type { PaintedImage, PainterApi, PaintWishes, PictureFile } from '../../workers/painter.worker'
import { KeptAnswers } from './kept-answers'
import { PaintedAhead } from './painted-ahead'
import { RequestTable, type MakeWorker } from './request-table'

/** What everything later is painted from, so that a painter that died can be told again. */
type PainterNews = (painter: PainterClient) => Promise<void>

/** A model and a printed report, each as bytes of JSON. */
export interface DrawnBytes {
  readonly model: Uint8Array
  readonly printed: Uint8Array
}

/** What turns what a painter knows into the next version. */
export interface DrawnChange {
  readonly base: number
  readonly version: number
  /** Of the model and the printed report; of the model alone where that report comes whole. */
  readonly change: Change | undefined
  readonly printed: Uint8Array | undefined
  /** Whether pieces look as before: no shape of the model's own and no picture on a piece has changed. */
  readonly hasPieces: boolean
  readonly whole: () => DrawnBytes
}

/** A picture of the booklet. */
export interface WantedPicture {
  readonly picture: PictureRef
  readonly content: PictureContent
}

const pictureKey = (...picture: [PictureRef, PictureContent, PictureSize]): string => JSON.stringify(picture)
/** Memory of earlier pictures that is kept for those that are painted ahead. */
const MOST_SPARES = 2

/** Pictures of pieces that are kept at most: some ten megabytes. */
const MOST_PIECES = 200

/** A painter in a worker of its own; pictures of pieces and looks of trays are kept, step pictures are not. */
export class PainterClient {
  private readonly table: RequestTable<PainterApi>
  private readonly pieces = new KeptAnswers<CanvasImage>(MOST_PIECES)
  private readonly looks = new KeptAnswers<PieceLook[]>(MOST_PIECES)
  /** The steps that will be asked for next. */
  private readonly ahead = new PaintedAhead<PaintedImage>()
  private spares: ArrayBuffer[] = []
  private told: PainterNews | undefined
  private opened: { readonly source: BookletSource; readonly done: Promise<void> } | undefined
  private isLost = false

  constructor(make: MakeWorker) {
    this.table = new RequestTable('painter', make, () => {
      this.isLost = true
    })
  }

  /** Starts the worker, so that it is there when it is asked; where it cannot, whoever asks is told. */
  begin(): void {
    this.table.ask((remote) => remote.ready()).catch(() => undefined)
  }

  /** Everything asked for later is painted from this source; opened twice it is opened once. */
  open(source: BookletSource): Promise<void> {
    if (this.opened?.source === source && !this.isLost) return this.opened.done
    const done = this.tell((painter) => painter.table.ask((remote) => remote.open(source)))
    this.opened = { source, done }
    return done
  }

  /** The same, from a model and a report as bytes. */
  openBytes(version: number, bytes: () => DrawnBytes): Promise<void> {
    return this.tell((painter) => {
      const { model, printed } = bytes()
      return painter.table.ask((remote) => remote.openBytes(version, model, printed))
    })
  }

  /** Goes on from the version before; where the painter has lost that, it is told the whole. */
  async change({ base, version, change, printed, hasPieces, whole }: DrawnChange): Promise<void> {
    this.ahead.forget()
    if (!hasPieces) this.forgetPieces()
    this.told = (painter) => {
      const bytes = whole()
      return painter.table.ask((remote) => remote.openBytes(version, bytes.model, bytes.printed))
    }
    const isKnown = !this.isLost && (await this.table.ask((remote) => remote.change(base, version, change, printed)))
    if (!isKnown) await this.tell(this.told)
  }

  private tell(told: PainterNews): Promise<void> {
    this.opened = undefined
    this.ahead.forget()
    this.told = told
    this.forgetPieces()
    this.isLost = false
    return told(this)
  }

  private forgetPieces(): void {
    this.pieces.clear()
    this.looks.clear()
  }

  /** Asks again once where the painter had died: its source can be told anew. */
  private async ask<Value>(call: Parameters<RequestTable<PainterApi>['ask']>[0]): Promise<Value> {
    if (this.isLost && this.told) await this.tell(this.told)
    try {
      return (await this.table.ask(call)) as Value
    } catch (thrown) {
      if (!this.isLost || !this.told || (thrown as { code?: string }).code !== 'worker-died') throw thrown
      await this.tell(this.told)
      return (await this.table.ask(call)) as Value
    }
  }

  picture(ref: PictureRef, content: PictureContent, size: PictureSize, wishes: PaintWishes = {}): Promise<PaintedImage> {
    const painted = this.ahead.take(pictureKey(ref, content, size))
    if (!painted) return this.paint(ref, content, size, wishes)
    const { spare } = wishes
    if (spare) this.spares = [spare, ...this.spares].slice(0, MOST_SPARES)
    return painted.catch(() => this.paint(ref, content, size))
  }

  private paint(ref: PictureRef, content: PictureContent, size: PictureSize, wishes: PaintWishes = {}): Promise<PaintedImage> {
    const { spare, mayBeCoarse } = wishes
    return this.ask((remote) => {
      // It can be given away once: who asks again after the painter died has none.
      const given: PaintWishes = spare && spare.byteLength > 0 ? transfer({ spare, mayBeCoarse }, [spare]) : { mayBeCoarse }
      return remote.picture(ref, content, size, given)
    })
  }

  /** Lets pictures be painted in pauses, since they will be asked for next. Nobody waits for them, and nobody is told where one fails. */
  prepare(wanted: readonly WantedPicture[], size: PictureSize): void {
    if (this.isLost) return
    this.ahead.prepare(
      wanted.map(({ picture, content }) => ({
        key: pictureKey(picture, content, size),
        paint: () => this.paint(picture, content, size, { spare: this.spares.pop() }),
      })),
    )
  }

  piece(piece: PieceSpec, size: PictureSize, look: Partial<PieceLook> = {}): Promise<CanvasImage> {
    const paint = (): Promise<CanvasImage> => this.ask((remote) => remote.piece(piece, size, look))
    // What is being turned is never seen the same way again.
    if (look.free) return paint()
    return this.pieces.of(JSON.stringify([piece, size.width, look]), paint)
  }

  /** A picture that somebody turns by hand. */
  turned(ref: PictureRef, content: PictureContent, view: TurnedView, size: PictureSize): Promise<CanvasImage> {
    return this.ask((remote) => remote.turned(ref, content, view, size))
  }

  /** What a picture shows at a place, px. */
  pick(ref: PictureRef, content: PictureContent, size: PictureSize, at: FlatPoint): Promise<Picked | undefined> {
    return this.ask((remote) => remote.pick(ref, content, size, at))
  }

  /** Where things of a section lie in the picture of a step, px. */
  windows(ref: PictureRef, size: PictureSize, ids: readonly string[]): Promise<PictureWindow[]> {
    return this.ask((remote) => remote.windows(ref, size, ids))
  }

  /** A step's picture as a file: SVG where it has few enough faces, else PNG. */
  file(ref: PictureRef, size: PictureSize): Promise<PictureFile> {
    return this.ask((remote) => remote.file(ref, size))
  }

  /** The finished model as a small PNG, a data address; nothing where there is none. */
  cover(): Promise<string | undefined> {
    return this.ask((remote) => remote.cover())
  }

  trayLooks(pieces: readonly PieceSpec[], size: PictureSize): Promise<PieceLook[]> {
    return this.looks.of(JSON.stringify([pieces, size.width]), () => this.ask((remote) => remote.trayLooks(pieces, size)))
  }

  /** A shape that is being made: never kept. */
  ownPiece(own: OwnShape, colour: string, size: PictureSize, look: Partial<PieceLook> = {}): Promise<CanvasImage> {
    return this.ask((remote) => remote.ownPiece(own, colour, size, look))
  }

  close(): void {
    this.ahead.forget()
    this.table.close()
  }
}
