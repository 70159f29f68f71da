import {
  concatTransformationMatrix,
  drawObject,
  PDFRawStream,
  popGraphicsState,
  pushGraphicsState,
  rgb,
  type PDFDocument,
  type PDFImage,
  type PDFPage,
  type PDFRef,
  type RGB,
} from '@cantoo/pdf-lib'
import type { Page, PictureContent, PictureRef, StepPage } from '@core/booklet'
import type { Catalogue } from '@core/catalogue'
import { FlowColumn, type SheetPlace } from './column'
import type { Paper } from './exports/booklet-export'
import type { PieceCount } from '@core/count'
import { pictureBytes } from '@core/model'
import { deflateRows, rgbOf, type Drawing, type FrameFit, type PictureSize, type PieceLook, type RgbImage } from '@core/picture'
import { embedDrawing } from './pdf-drawing'
import type { OutlineEntry } from './pdf-outline'
import { TagTree, type Role } from './pdf-tags'
import type { Face, Weight } from './type/faces'
import { breakLines } from './type/lines'
import type { Typeface } from './type/typeface'

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
  readonly font: (face: Face, weight: Weight) => Promise<Uint8Array>
  readonly painter: PdfPainter
  /** The designer's own names, where they are to stand beside ours; empty for what has none. */
  readonly beside?: (kind: 'shape' | 'colour', id: string) => string
  /** What a step's picture shows, in words that are enough to build it. */
  readonly spoken?: (page: StepPage) => string
  /** Told from 0 to 1; throw from it to stop. */
  readonly progress?: (fraction: number) => void | Promise<void>
}

export const INK = rgb(0.12, 0.13, 0.14)
export const FAINT = rgb(0.42, 0.44, 0.46)
const RULE = rgb(0.8, 0.8, 0.78)
export const ACCENT = rgb(0.05, 0.39, 0.4)
export const MARGIN = 40
export const PT_PER_MM = 72 / 25.4
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
  readonly font?: Typeface
  readonly colour?: RGB
  /** What the text is; a paragraph unless told, or part of what is being said. */
  readonly role?: Role
}

interface PictureOptions {
  readonly content: PictureContent
  /** What it shows, in words. */
  readonly alt: string
  /** px, where it is not the usual one. */
  readonly size?: PictureSize
}

/** What is placed as a picture: a reference and its size in its own units. */
export interface Placeable {
  readonly ref: PDFRef
  readonly width: number
  readonly height: number
}

/** A document being printed: the page at hand, and what is put on it in places told from its lower left corner, pt. */
export class Sheet {
  private currentPage!: PDFPage
  protected readonly width: number
  protected readonly height: number
  /** Where readers jump to, in the order of the pages. */
  readonly bookmarks: OutlineEntry[] = []
  /** What is drawn belongs to the element that is open in it. */
  readonly tags = new TagTree()
  private readonly decals = new Map<string, Promise<PDFImage>>()

  constructor(
    protected readonly doc: PDFDocument,
    protected readonly regular: Typeface,
    protected readonly bold: Typeface,
    protected readonly input: PdfInput,
  ) {
    ;[this.width, this.height] = SIZES[input.paper]
  }

  protected newPage(): void {
    this.currentPage = this.doc.addPage([this.width, this.height])
  }

  /** The page at hand, to draw on. */
  protected get page(): PDFPage {
    this.tags.drawOn(this.currentPage)
    return this.currentPage
  }

  /** Draws something that is one element of the document's structure. @param alt what a picture shows, in words */
  protected async tagged(role: Role, draw: () => void | Promise<void>, alt?: string): Promise<void> {
    this.tags.begin(role, alt)
    await draw()
    this.tags.end()
  }

  /** Text is a paragraph of its own unless it is said within something else. */
  private said(role: Role | undefined, draw: () => void): void {
    const isApart = role !== undefined || this.tags.isBetween
    if (isApart) this.tags.begin(role ?? 'P')
    draw()
    if (isApart) this.tags.end()
  }

  protected text(text: string, x: number, y: number, options: TextOptions): void {
    this.said(options.role, () => this.line(text, { x, y, width: 0 }, options))
  }

  /** A line of text, at the right of its place where it reads from right to left and the place has a width. */
  private line(text: string, { x, y, width }: SheetPlace, { size, font = this.regular, colour = INK }: TextOptions): void {
    const line = font.set(text, size)
    const left = line.isRightToLeft && width > line.width ? x + width - line.width : x
    for (const run of line.runs) this.page.drawText(run.text, { x: left + run.x, y, size, font: run.font, color: colour })
  }

  /** Writes text in lines no wider than its place. @returns the height it took */
  protected paragraph(text: string, place: SheetPlace, options: TextOptions): number {
    const lines = this.linesOf(text, place.width, options)
    this.said(options.role, () => {
      lines.forEach((line, i) => this.line(line, { ...place, y: place.y - i * options.size * LEADING }, options))
    })
    return lines.length * options.size * LEADING
  }

  /** The height that a paragraph takes, pt. */
  protected paragraphHeight = (text: string, width: number, options: TextOptions): number =>
    this.linesOf(text, width, options).length * options.size * LEADING

  private linesOf = (text: string, width: number, { size, font = this.regular }: TextOptions): string[] =>
    breakLines(text, (line) => font.widthOf(line, size) <= width)

  /** Writes text into a column, and leaves a gap below; nothing where there is no text. */
  protected write(column: FlowColumn, text: string, options: TextOptions, gap = 0): void {
    if (text !== '') column.take(this.paragraph(text, column, options), gap)
  }

  /** Readers jump here by its title. */
  protected bookmark(title: string): void {
    this.bookmarks.push({ title, page: this.currentPage })
  }

  /** A column over the whole page between its margins, which goes on at the top of new pages. */
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

  protected async embedLines(drawing: Drawing): Promise<Placeable> {
    const press = { doc: this.doc, font: this.bold.first, picture: async (address: string) => (await this.decal(address)).ref }
    return { ref: await embedDrawing(drawing, press), width: drawing.width, height: drawing.height }
  }

  /** A picture that is put on pieces, embedded once. */
  protected decal(address: string): Promise<PDFImage> {
    let known = this.decals.get(address)
    if (!known) this.decals.set(address, (known = this.doc.embedPng(pictureBytes(address))))
    return known
  }

  protected place(picture: Placeable, { x, y, width }: SheetPlace, height: number): void {
    const name = this.page.node.newXObject('Im', picture.ref)
    this.page.pushOperators(
      pushGraphicsState(),
      concatTransformationMatrix(width / picture.width, 0, 0, height / picture.height, x, y),
      drawObject(name),
      popGraphicsState(),
    )
  }

  /** A picture whose lower edge is at the place. */
  protected async picture(ref: PictureRef | null, place: SheetPlace, { content, alt, size }: PictureOptions): Promise<void> {
    if (!ref) return
    const { painter } = this.input
    const drawing = painter.draw(ref, content, size)
    const picture = drawing ? await this.embedLines(drawing) : await this.embedDots(painter.paint(ref, content, size))
    const height = place.width * (size ? size.height / size.width : ASPECT)
    await this.tagged('Figure', () => this.place(picture, place, height), alt)
  }

  /** A triangle with a stroke stands before a caution: a sign, not only a colour. */
  protected caution(text: string, { x, y, width }: SheetPlace): number {
    this.tags.begin('Note')
    this.page.drawSvgPath('M 0 9 L 5.5 0 L 11 9 Z', { x, y: y + 8.5, borderColor: INK, borderWidth: 1 })
    this.page.drawLine({ start: { x: x + 5.5, y: y + 5.6 }, end: { x: x + 5.5, y: y + 2.2 }, thickness: 1.1, color: INK })
    const height = this.paragraph(text, { x: x + CAUTION.sign, y, width: width - CAUTION.sign }, CAUTION) + CAUTION.gap
    this.tags.end()
    return height
  }

  /** A colour that nobody knows is white. */
  protected swatch(hex = '#ffffff', { x, y, width }: SheetPlace, height: number): void {
    const [red, green, blue] = rgbOf(hex)
    const color = rgb(red / 255, green / 255, blue / 255)
    this.page.drawRectangle({ x, y, width, height, color, borderColor: INK, borderWidth: 0.5 })
  }
}
