import type { PictureContent, PictureRef, BookletSource } from '@core/booklet'
import type { PieceCount } from '@core/count'
import { catalogueOf, Flattener } from '@core/model'
import {
  drawnSection,
  drawPiece,
  lookAtTray,
  paintPiece,
  pieceSource,
  RailPainter,
  type Drawing,
  type Picked,
  type PictureSize,
  type PieceLook,
  type PieceSource,
  type PieceSpec,
  type RgbImage,
  type StepInset,
  type ViewNumber,
  type PictureWindow,
} from '@core/picture'
import type { FlatPoint } from '@core/space'

/** Paints and draws all pictures of one booklet; keeps the painter of the section at hand, since steps come in order. */
export class BookletPainter {
  private readonly flattener: Flattener
  private readonly pieces: PieceSource
  private open: { section: string; painter: RailPainter } | undefined

  /** @param before the painter of an earlier version, at the same size: what it has drawn is drawn on; it must not be used any more */
  constructor(
    private readonly source: BookletSource,
    private readonly size: PictureSize,
    before?: BookletPainter,
  ) {
    this.flattener = new Flattener(source.model)
    this.pieces = pieceSource(catalogueOf(source.model), source.model.decals)
    const shown = before?.open
    if (!shown || !source.plan.sections.some(({ id }) => id === shown.section)) return
    this.painterOf(shown).takeOver(shown.painter)
  }

  private painterOf({ section }: Pick<PictureRef, 'section'>): RailPainter {
    if (this.open?.section !== section) {
      const drawn = drawnSection(this.source.model, this.flattener, this.source.plan.sections, section)
      this.open = { section, painter: new RailPainter(drawn, this.pieces.catalogue, this.size) }
    }
    return this.open.painter
  }

  paint(picture: PictureRef, content: PictureContent): RgbImage {
    const painter = this.painterOf(picture)
    const view = picture.view as ViewNumber
    const { focus } = picture
    if (focus) return painter.paintFocus(picture.step, view, focus.id, focus.travel)
    return content === 'finished' ? painter.paintFinished(view) : painter.paint(picture.step, view, insetOf(picture))
  }

  /** The same in areas and lines; nothing where that would be too many, and for pictures of one thing alone. */
  draw(picture: PictureRef, content: PictureContent): Drawing | undefined {
    if (picture.focus) return undefined
    const painter = this.painterOf(picture)
    const view = picture.view as ViewNumber
    return content === 'finished' ? painter.drawFinished(view) : painter.draw(picture.step, view, insetOf(picture))
  }

  /** What a picture shows at a place, px. */
  pick(picture: PictureRef, content: PictureContent, [x, y]: FlatPoint): Picked | undefined {
    const painter = this.painterOf(picture)
    const view = picture.view as ViewNumber
    return content === 'finished' ? painter.pick(view, x, y) : painter.pickInStep(picture.step, view, [x, y])
  }

  /** Where things of a section lie in the picture of a step, px. */
  windows(picture: PictureRef, ids: readonly string[]): PictureWindow[] {
    return this.painterOf(picture).windowsInStep(picture.step, picture.view as ViewNumber, new Set(ids))
  }

  piece(piece: PieceSpec, size: PictureSize, look?: Partial<PieceLook>): RgbImage {
    return paintPiece(piece, this.pieces, size, look)
  }

  drawPiece(piece: PieceCount, size: PictureSize, look: PieceLook): Drawing {
    return drawPiece(piece, this.pieces, size, look)
  }

  trayLooks(pieces: readonly PieceSpec[], size: PictureSize): PieceLook[] {
    return lookAtTray(pieces, this.pieces, size)
  }
}

const insetOf = ({ inset }: PictureRef): StepInset | undefined => inset && { view: inset.view as ViewNumber, things: inset.things }
