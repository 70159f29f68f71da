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
  type DrawnSection,
  type FrameFit,
  type Drawing,
  type Picked,
  type PictureSize,
  type PieceLook,
  type PieceSource,
  type PieceSpec,
  type RgbImage,
  type TurnedView,
  type ViewNumber,
  type PictureWindow,
} from '@core/picture'
import type { FlatPoint } from '@core/space'

interface PainterOptions {
  /** The painter of an earlier version: what it has drawn is drawn on; it must not be used any more. */
  readonly before?: BookletPainter | undefined
  /** What is new is enlarged where a stud is less wide than this, px. */
  readonly leastStud?: number
  /** Pictures of more faces stay dots; as many as one picture may have when missing. */
  readonly mostFacets?: number
}

/** The section at hand, and its painters by the size of their pictures. */
interface SectionAtHand {
  readonly section: string
  readonly drawn: DrawnSection
  readonly painters: Map<string, RailPainter>
}

const keyOf = ({ width, height }: PictureSize, isCoarse = false): string => `${width}x${height}${isCoarse ? ' coarse' : ''}`

/** Paints and draws all pictures of one booklet; keeps the painter of the section at hand, since steps come in order. */
export class BookletPainter {
  private readonly flattener: Flattener
  private readonly pieces: PieceSource
  private readonly limits: Omit<PainterOptions, 'before'>
  private open: SectionAtHand | undefined

  constructor(
    private readonly source: BookletSource,
    private readonly size: PictureSize,
    { before, ...limits }: PainterOptions = {},
  ) {
    // The painter before is not held: it holds the one before itself, and so on to the first.
    this.limits = limits
    this.flattener = new Flattener(source.model)
    this.pieces = pieceSource(catalogueOf(source.model), source.model.decals)
    const shown = before?.open
    if (!shown || !source.plan.sections.some(({ id }) => id === shown.section)) return
    for (const isCoarse of [false, true]) {
      const painter = shown.painters.get(keyOf(size, isCoarse))
      if (painter) this.painterOf(shown, size, isCoarse).takeOver(painter)
    }
  }

  private painterOf({ section }: Pick<PictureRef, 'section'>, size = this.size, isCoarse = false): RailPainter {
    if (this.open?.section !== section) {
      const drawn = drawnSection(this.source.model, this.flattener, this.source.plan.sections, section)
      this.open = { section, drawn, painters: new Map() }
    }
    const { drawn, painters } = this.open
    const key = keyOf(size, isCoarse)
    let painter = painters.get(key)
    if (!painter) {
      painter = new RailPainter(drawn, this.pieces.catalogue, size, { leastStud: this.limits.leastStud, isCoarse })
      painters.set(key, painter)
    }
    return painter
  }

  /** How the frame of a step fits a picture. */
  fitOf = (picture: PictureRef): FrameFit => this.painterOf(picture).fitOf(picture.step)

  /** @param size where it is not the usual one */
  paint(picture: PictureRef, content: PictureContent, size?: PictureSize): RgbImage {
    const painter = this.painterOf(picture, size)
    const view = picture.view as ViewNumber
    const { focus } = picture
    if (focus) return painter.paintFocus(picture.step, view, focus.id, focus.travel)
    return content === 'finished' ? painter.paintFinished(view) : painter.paint(picture.step, view, picture.insets)
  }

  /** The picture of a step with rough edges, where a sharp one would take long; nothing where it would not. */
  paintCoarse(picture: PictureRef): RgbImage | undefined {
    const view = picture.view as ViewNumber
    if (picture.focus || this.painterOf(picture).isNear(picture.step, view)) return undefined
    const isCoarse = true
    return this.painterOf(picture, this.size, isCoarse).paint(picture.step, view, picture.insets)
  }

  /** Sharp at any size where that is not too much, else in dots. */
  render(picture: PictureRef, content: PictureContent, size?: PictureSize): Drawing | RgbImage {
    if (picture.focus) return this.paint(picture, content, size)
    const painter = this.painterOf(picture, size)
    const view = picture.view as ViewNumber
    if (content === 'finished') return painter.drawFinished(view) ?? painter.paintFinished(view)
    return painter.render(picture.step, view, picture.insets, this.limits.mostFacets)
  }

  /** The same from anywhere, without marks. */
  paintTurned(picture: PictureRef, content: PictureContent, view: TurnedView, size?: PictureSize): RgbImage {
    return this.painterOf(picture, size).paintTurned(picture.step, view, content === 'finished')
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
