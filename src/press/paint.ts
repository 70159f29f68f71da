import type { PictureRef, BookletSource } from '@core/booklet'
import { catalogueOf, Flattener } from '@core/model'
import { drawnSection, paintPiece, RailPainter, type PictureSize, type RgbImage, type ViewNumber } from '@core/picture'

/** Paints all pictures of one booklet; keeps the painter of the section at hand, since steps come in order. */
export class BookletPainter {
  private readonly flattener: Flattener
  private readonly catalogue
  private open: { section: string; painter: RailPainter } | undefined

  constructor(
    private readonly source: BookletSource,
    private readonly size: PictureSize,
  ) {
    this.flattener = new Flattener(source.model)
    this.catalogue = catalogueOf(source.model)
  }

  paint(picture: PictureRef, isFinished: boolean): RgbImage {
    if (this.open?.section !== picture.section) {
      const section = drawnSection(this.source.model, this.flattener, this.source.plan.sections, picture.section)
      this.open = { section: picture.section, painter: new RailPainter(section, this.catalogue, this.size) }
    }
    const view = picture.view as ViewNumber
    const { focus } = picture
    if (focus) return this.open.painter.paintFocus(picture.step, view, focus.id, focus.travel)
    return isFinished ? this.open.painter.paintFinished(view) : this.open.painter.paint(picture.step, view)
  }

  piece(shape: string, colour: string, size: PictureSize, view: ViewNumber = 0): RgbImage {
    return paintPiece(this.catalogue.shapes.get(shape)!, colour, this.catalogue, size, view)
  }
}
