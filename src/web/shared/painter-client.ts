import { wrap, type Remote } from 'comlink'
import type { BookletSource, PictureRef } from '@core/booklet'
import type { CanvasImage, PainterApi } from '../../workers/painter.worker'

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

  piece(shape: string, colour: string, width: number, height: number): Promise<CanvasImage> {
    const key = `${shape} ${colour} ${width}`
    let known = this.pieces.get(key)
    if (!known) this.pieces.set(key, (known = this.remote.piece(shape, colour, width, height)))
    return known
  }

  close(): void {
    this.worker.terminate()
  }
}
