import {
  concatTransformationMatrix,
  drawObject,
  PDFRawStream,
  popGraphicsState,
  pushGraphicsState,
  rgb,
  type PDFDocument,
  type PDFFont,
  type PDFImage,
  type PDFPage,
  type PDFRef,
  type RGB,
} from '@cantoo/pdf-lib'
import type { Page, PictureContent, PictureRef } from '@core/booklet'
import type { Catalogue } from '@core/catalogue'
import { FlowColumn, type SheetPlace } from './column'
import type { Paper } from './exports/booklet-export'
import { lengthLabel, pieceExtras, pieceKey, type PieceCount } from '@core/count'
import { pictureBytes } from '@core/model'
import { deflateRows, rgbOf, type Drawing, type FrameFit, type PictureSize, type PieceLook, type RgbImage } from '@core/picture'
import { embedDrawing } from './pdf-drawing'
import type { OutlineEntry } from './pdf-outline'
import { breakLines, fit } from './text'

const SIZES: Readonly<Record<Paper, readonly [number, number]>> = {
  a4: [595.28, 841.89],
  a5: [419.53, 595.28],
  letter: [612, 792],
  square: [595.28, 595.28],
}

/** What paints and draws for a booklet. */
interface PdfPainter {
  /** In areas and lines; nothing where that would be too many, then in dots. */
  draw(picture: PictureRef, content: PictureContent, size?: PictureSize): Drawing | undefined
  paint(picture: PictureRef, content: PictureContent, size?: PictureSize): RgbImage
  fitOf(picture: PictureRef): FrameFit
  trayLooks(pieces: readonly PieceCount[], size: PictureSize): readonly PieceLook[]
  drawPiece(piece: PieceCount, size: PictureSize, look: PieceLook): Drawing
}

export interface PdfInput {
  readonly pages: readonly Page[]
  readonly catalogue: Catalogue
  readonly paper: Paper
  /** TrueType files; other formats come out broken (see docs/architecture.md). */
  readonly fonts: { readonly regular: Uint8Array; readonly bold: Uint8Array }
  readonly painter: PdfPainter
  /** The designer's own names, where they are to stand beside ours; empty for what has none. */
  readonly beside?: (kind: 'shape' | 'colour', id: string) => string
  /** Told from 0 to 1; throw from it to stop. */
  readonly progress?: (fraction: number) => void | Promise<void>
}

export const INK = rgb(0.12, 0.13, 0.14)
export const FAINT = rgb(0.42, 0.44, 0.46)
const RULE = rgb(0.8, 0.8, 0.78)
export const ACCENT = rgb(0.05, 0.39, 0.4)
export const MARGIN = 40
/** What stays free below a table, pt. */
const FOOT = 50
export const PT_PER_MM = 72 / 25.4
const PIECE = { width: 42, height: 30 }
/** px of a piece's picture for one pt. */
const PIECE_PX = 3
/** Of a piece's title: size, and from line to line. */
const TITLE = 9
const TITLE_LINE = 10
export const LINE = 30
/** Between two columns of pieces, and the least width in which two can be read, pt. */
const COLUMN_GAP = 20
const TWO_COLUMNS = 230

/** How many columns of pieces stand beside each other in a width, pt. */
export const columnsIn = (width: number): number => (width < TWO_COLUMNS ? 1 : 2)
/** From line to line, in sizes of the letters. */
const LEADING = 1.35
/** The first line of a page, pt from its upper edge. */
export const TOP = 64
/** A picture's height for its width. */
export const ASPECT = 0.75

/** Size of a caution's words, room for its sign before them, and the gap below, pt. */
export const CAUTION = { size: 9.5, sign: 18, gap: 3 } as const

export interface TextOptions {
  readonly size: number
  readonly font?: PDFFont
  readonly colour?: RGB
}

/** What is placed as a picture: a reference and its size in its own units. */
interface Placeable {
  readonly ref: PDFRef
  readonly width: number
  readonly height: number
}

/** A document being printed: the page at hand, and what is put on it in places told from its lower left corner, pt. */
export class Sheet {
  protected page!: PDFPage
  protected readonly width: number
  protected readonly height: number
  /** Where readers jump to, in the order of the pages. */
  readonly bookmarks: OutlineEntry[] = []
  private readonly pieces = new Map<string, Promise<Placeable>>()
  private readonly decals = new Map<string, Promise<PDFImage>>()

  constructor(
    protected readonly doc: PDFDocument,
    protected readonly regular: PDFFont,
    protected readonly bold: PDFFont,
    protected readonly input: PdfInput,
  ) {
    ;[this.width, this.height] = SIZES[input.paper]
  }

  protected newPage(): void {
    this.page = this.doc.addPage([this.width, this.height])
  }

  protected text(text: string, x: number, y: number, options: TextOptions): void {
    this.page.drawText(text, { x, y, size: options.size, font: options.font ?? this.regular, color: options.colour ?? INK })
  }

  /** Writes text in lines no wider than its place. @returns the height it took */
  protected paragraph(text: string, { x, y, width }: SheetPlace, options: TextOptions): number {
    const font = options.font ?? this.regular
    const lines = breakLines(text, (line) => font.widthOfTextAtSize(line, options.size) <= width)
    lines.forEach((line, i) => {
      this.text(line, x, y - i * options.size * LEADING, options)
    })
    return lines.length * options.size * LEADING
  }

  /** The height that a paragraph takes, pt. */
  protected paragraphHeight(text: string, width: number, { size, font = this.regular }: TextOptions): number {
    return breakLines(text, (line) => font.widthOfTextAtSize(line, size) <= width).length * size * LEADING
  }

  /** Writes text into a column, and leaves a gap below; nothing where there is no text. */
  protected write(column: FlowColumn, text: string, options: TextOptions, gap = 0): void {
    if (text !== '') column.take(this.paragraph(text, column, options), gap)
  }

  /** A column over the whole page between its margins, which goes on at the top of new pages. */
  /** Readers jump here by its title. */
  protected bookmark(title: string): void {
    this.bookmarks.push({ title, page: this.page })
  }

  protected pageColumn(y = this.height - TOP): FlowColumn {
    return new FlowColumn(MARGIN, this.width - 2 * MARGIN, y, () => {
      this.newPage()
      return this.height - TOP
    })
  }

  protected rule(x: number, y: number, length: number): void {
    this.page.drawLine({ start: { x, y }, end: { x: x + length, y }, thickness: 0.6, color: RULE })
  }

  /** A picture's rows go into the file as they are deflated: no second encoding. */
  private async embedDots(image: RgbImage): Promise<Placeable> {
    const data = await deflateRows(image)
    const stream = PDFRawStream.of(
      this.doc.context.obj({
        Type: 'XObject',
        Subtype: 'Image',
        Width: image.width,
        Height: image.height,
        BitsPerComponent: 8,
        ColorSpace: 'DeviceRGB',
        Filter: 'FlateDecode',
        DecodeParms: { Predictor: 15, Colors: 3, BitsPerComponent: 8, Columns: image.width },
      }),
      data,
    )
    return { ref: this.doc.context.register(stream), width: 1, height: 1 }
  }

  private async embedLines(drawing: Drawing): Promise<Placeable> {
    const press = { doc: this.doc, font: this.bold, picture: async (address: string) => (await this.decal(address)).ref }
    return { ref: await embedDrawing(drawing, press), width: drawing.width, height: drawing.height }
  }

  /** A picture that is put on pieces, embedded once. */
  protected decal(address: string): Promise<PDFImage> {
    let known = this.decals.get(address)
    if (!known) this.decals.set(address, (known = this.doc.embedPng(pictureBytes(address))))
    return known
  }

  private place(picture: Placeable, { x, y, width }: SheetPlace, height: number): void {
    const name = this.page.node.newXObject('Im', picture.ref)
    this.page.pushOperators(
      pushGraphicsState(),
      concatTransformationMatrix(width / picture.width, 0, 0, height / picture.height, x, y),
      drawObject(name),
      popGraphicsState(),
    )
  }

  /** A picture whose lower edge is at the place. @param size px, where it is not the usual one */
  protected async picture(ref: PictureRef | null, content: PictureContent, place: SheetPlace, size?: PictureSize): Promise<void> {
    if (!ref) return
    const { painter } = this.input
    const drawing = painter.draw(ref, content, size)
    const picture = drawing ? await this.embedLines(drawing) : await this.embedDots(painter.paint(ref, content, size))
    this.place(picture, place, place.width * (size ? size.height / size.width : ASPECT))
  }

  /** A triangle with a stroke stands before a caution: a sign, not only a colour. */
  protected caution(text: string, { x, y, width }: SheetPlace): number {
    this.page.drawSvgPath('M 0 9 L 5.5 0 L 11 9 Z', { x, y: y + 8.5, borderColor: INK, borderWidth: 1 })
    this.page.drawLine({ start: { x: x + 5.5, y: y + 5.6 }, end: { x: x + 5.5, y: y + 2.2 }, thickness: 1.1, color: INK })
    return this.paragraph(text, { x: x + CAUTION.sign, y, width: width - CAUTION.sign }, CAUTION) + CAUTION.gap
  }

  /** Pieces in two columns; goes on to new pages where it must. */
  protected async table(into: FlowColumn, pieces: readonly PieceCount[], letters: ReadonlyMap<string, string> = new Map()): Promise<void> {
    const columns = columnsIn(into.width)
    const width = (into.width - (columns - 1) * COLUMN_GAP) / columns
    const looks = this.looksOf(pieces)
    let rest = [...pieces]
    for (;;) {
      const rows = Math.max(1, Math.floor((into.y - FOOT) / LINE))
      const here = rest.slice(0, rows * columns)
      const inEach = Math.min(rows, Math.ceil(here.length / columns))
      for (const [i, piece] of here.entries()) {
        const x = into.x + Math.floor(i / inEach) * (width + COLUMN_GAP)
        const y = into.y - (i % inEach) * LINE
        await this.pieceLine(
          piece,
          { x, y, width },
          {
            look: looks.get(piece)!,
            letter: letters.get(pieceKey(piece)) ?? '',
          },
        )
      }
      rest = rest.slice(here.length)
      into.take(inEach * LINE)
      if (rest.length === 0) return
      into.need(Infinity)
    }
  }

  /** How the pieces of one tray are drawn. */
  protected looksOf(pieces: readonly PieceCount[]): Map<PieceCount, PieceLook> {
    const looks = this.input.painter.trayLooks(pieces, PIECE_PICTURE)
    return new Map(pieces.map((piece, i) => [piece, looks[i]!]))
  }

  /** Count first in a column of its own, then the piece, its name and size, its colour in words beside the swatch. */
  protected async pieceLine(piece: PieceCount, { x, y, width }: SheetPlace, { look, letter, wraps = false }: LineOptions): Promise<void> {
    const { colours } = this.input.catalogue
    const count = String(piece.count)
    this.text(count, x + 22 - this.bold.widthOfTextAtSize(count, 11), y, { size: 11, font: this.bold })
    await this.piecePicture(piece, look, x + 26, y - 10)
    const at = x + 31 + PIECE.width
    const title = `${letter === '' ? '' : `(${letter}) `}${this.titleOf(piece)}`
    const lines = wraps ? this.titleLines(title, width) : [fit(title, this.regular, TITLE, width - (at - x))]
    lines.forEach((line, i) => this.text(line, at, y + 4 - i * TITLE_LINE, { size: TITLE }))
    const low = y - (lines.length - 1) * TITLE_LINE
    const colour = colours.get(piece.colour)
    this.swatch(colour?.hex, { x: at, y: low - 6.5, width: 8 }, 6.5)
    const hints = [colour?.name ?? piece.colour, this.input.beside?.('colour', piece.colour) ?? '', look.isSmaller ? 'drawn smaller' : '']
    const hint = hints.filter((word) => word !== '').join(', ')
    this.text(fit(hint, this.regular, 8, width - (at - x) - 12), at + 12, low - 6, { size: 8, colour: FAINT })
    this.rule(x, low - 10.5, width)
  }

  private titleOf(piece: PieceCount): string {
    const { title } = this.input.catalogue.shapes.get(piece.shape) ?? { title: piece.shape }
    const words = [title, this.input.beside?.('shape', piece.shape) ?? '', pieceExtras(piece)]
    return words.filter((word) => word !== '').join(', ')
  }

  private titleLines(title: string, width: number): string[] {
    const room = width - 31 - PIECE.width
    return breakLines(title, (line) => this.regular.widthOfTextAtSize(line, TITLE) <= room)
  }

  /** The height of a piece's line whose title wraps, pt. */
  protected lineHeight(piece: PieceCount, width: number): number {
    return LINE + (this.titleLines(`(A) ${this.titleOf(piece)}`, width).length - 1) * TITLE_LINE
  }

  /** A colour that nobody knows is white. */
  protected swatch(hex = '#ffffff', { x, y, width }: SheetPlace, height: number): void {
    const [red, green, blue] = rgbOf(hex)
    const color = rgb(red / 255, green / 255, blue / 255)
    this.page.drawRectangle({ x, y, width, height, color, borderColor: INK, borderWidth: 0.5 })
  }

  /** The same piece to the same scale is embedded once. Long pieces bear their length. */
  private async piecePicture(piece: PieceCount, look: PieceLook, x: number, y: number): Promise<void> {
    const key = `${pieceKey(piece)} ${look.view} ${look.scale.toFixed(2)}`
    let picture = this.pieces.get(key)
    if (!picture) this.pieces.set(key, (picture = this.embedLines(this.input.painter.drawPiece(piece, PIECE_PICTURE, look))))
    this.place(await picture, { x, y, width: PIECE.width }, PIECE.height)
    const label = lengthLabel(piece, this.input.catalogue.shapes)
    if (label === '') return
    const width = this.bold.widthOfTextAtSize(label, 6.5) + 4
    // Long pieces run down to the right: the corner above is free.
    const [left, low] = [x + PIECE.width - width, y + PIECE.height - 8]
    this.page.drawRectangle({ x: left, y: low, width, height: 8, color: rgb(1, 1, 1), borderColor: INK, borderWidth: 0.4 })
    this.text(label, left + 2, low + 1.8, { size: 6.5, font: this.bold })
  }
}

/** px */
const PIECE_PICTURE: PictureSize = { width: PIECE.width * PIECE_PX, height: PIECE.height * PIECE_PX }

interface LineOptions {
  readonly look: PieceLook
  readonly letter: string
  /** A title too long for its line goes on in the next. */
  readonly wraps?: boolean
}
