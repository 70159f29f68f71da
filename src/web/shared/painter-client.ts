import { wrap, type Remote } from 'comlink'
import type { BookletSource, PictureRef } from '@core/booklet'
import type { OwnShape } from '@core/catalogue'
import type { Picked, PieceLook, PieceSpec } from '@core/picture'
import type { CanvasImage, PainterApi, PictureFile } from '../../workers/painter.worker'

/** A painter in a worker of its own; pictures of pieces are kept, step pictures are not. */
export class PainterClient {
  private readonly remote: Remote<PainterApi>
  private pieces = new Map<string, Promise<CanvasImage>>()

  constructor(private readonly worker: Worker) {
    this.remote = wrap<PainterApi>(worker)
  }

  /** Everything asked for later is painted from this source. */
  async open(source: BookletSource): Promise<void> {
    this.pieces = new Map()
    await this.remote.open(source)
  }

  picture(ref: PictureRef, isFinished: boolean, width: number, height: number): Promise<CanvasImage> {
    return this.remote.picture(ref, isFinished, width, height)
  }

  piece(piece: PieceSpec, width: number, height: number, look: Partial<PieceLook> = {}): Promise<CanvasImage> {
    // What is being turned is never seen the same way again.
    if (look.free) return this.remote.piece(piece, width, height, look)
    const key = JSON.stringify([piece, width, look])
    let known = this.pieces.get(key)
    if (!known) this.pieces.set(key, (known = this.remote.piece(piece, width, height, look)))
    return known
  }

  /** What the picture of a finished section shows at a place, px. */
  pick(ref: PictureRef, size: { width: number; height: number }, x: number, y: number): Promise<Picked | undefined> {
    return this.remote.pick(ref, size.width, size.height, x, y)
  }

  /** A step's picture as a file: SVG where it has few enough faces, else PNG. */
  file(ref: PictureRef, width: number, height: number): Promise<PictureFile> {
    return this.remote.file(ref, width, height)
  }

  trayLooks(pieces: readonly PieceSpec[], width: number, height: number): Promise<PieceLook[]> {
    return this.remote.trayLooks(pieces, width, height)
  }

  /** A shape that is being made: never kept. */
  ownPiece(own: OwnShape, colour: string, width: number, height: number, look: Partial<PieceLook> = {}): Promise<CanvasImage> {
    return this.remote.ownPiece(own, colour, width, height, look)
  }

  close(): void {
    this.worker.terminate()
  }
}
