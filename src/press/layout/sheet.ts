import type { Page, PictureContent, PictureRef, StepPage } from '@core/booklet'
import type { Catalogue } from '@core/catalogue'
import type { PieceCount } from '@core/count'
import type { Words } from '@core/language'
import type { FrameFit, PictureSize, PieceLook } from '@core/picture'
import { breakLines } from '../type/lines'
import type { Typeface } from '../type/typeface'
import { FlowColumn, type SheetPlace } from './column'
import { ElementTree, type Role } from './elements'
import type { Bookmark, LaidSheet, SheetItem, SheetMark } from './items'
import { MARGINS, paperSize, type SheetLook } from './look'

/** What is known of pictures before they are drawn. */
interface PictureMeasures {
  fitOf(picture: PictureRef): FrameFit
  trayLooks(pieces: readonly PieceCount[], size: PictureSize): readonly PieceLook[]
}

export interface LayoutInput {
  readonly pages: readonly Page[]
  /** With the names that stand in print. */
  readonly catalogue: Catalogue
  /** The language of the booklet. */
  readonly words: Words
  readonly look: SheetLook
  readonly measures: PictureMeasures
  /** The designer's own names, where they are to stand beside ours; empty for what has none. */
  readonly beside?: (kind: 'shape' | 'colour', id: string) => string
  /** What a step's picture shows, in words that are enough to build it. */
  readonly spoken?: (page: StepPage) => string
}

export interface Typefaces {
  readonly regular: Typeface
  readonly bold: Typeface
}

export const INK = '#1f2124'
export const FAINT = '#6b7075'
const RULE = '#ccccc7'
export const ACCENT = '#0d6366'
export const PAPER = '#ffffff'
export const PT_PER_MM = 72 / 25.4
/** From line to line, in sizes of the letters. */
const LEADING = 1.35
/** The first line of a page, pt below its upper margin. */
const FIRST_LINE = 24
/** A picture's height for its width. */
export const ASPECT = 0.75

/** Size of a caution's words, room for its sign before them, and the gap below, pt. */
export const CAUTION = { size: 9.5, sign: 18, gap: 3 } as const

export interface TextOptions {
  readonly size: number
  readonly font?: Typeface
  readonly colour?: string
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

/** A booklet being laid out: the sheet at hand, and what is put on it in places told from its lower left corner, pt. */
export class Sheet {
  protected readonly width: number
  protected readonly height: number
  protected readonly margin: number
  readonly sheets: (LaidSheet & { readonly items: SheetItem[] })[] = []
  /** Where readers jump to, in the order of the sheets. */
  readonly bookmarks: Bookmark[] = []
  readonly elements = new ElementTree()

  constructor(
    protected readonly faces: Typefaces,
    protected readonly input: LayoutInput,
  ) {
    ;[this.width, this.height] = paperSize(input.look.paper)
    this.margin = MARGINS[input.look.margins]
  }

  protected get regular(): Typeface {
    return this.faces.regular
  }

  protected get bold(): Typeface {
    return this.faces.bold
  }

  /** The first line of a sheet, pt from below. */
  protected get top(): number {
    return this.height - this.margin - FIRST_LINE
  }

  /** Wider than it is high. */
  protected get isLying(): boolean {
    return this.width > this.height
  }

  protected newPage(): void {
    this.sheets.push({ width: this.width, height: this.height, items: [] })
  }

  protected put(mark: SheetMark, sheet = this.sheets[this.sheets.length - 1]!): void {
    const element = this.elements.current
    sheet.items.push(element ? { ...mark, element } : mark)
  }

  /** Text is a paragraph of its own unless it is said within something else. */
  private said(role: Role | undefined, put: () => void): void {
    if (role === undefined && this.elements.current) put()
    else this.elements.inside(role ?? 'P', put)
  }

  protected text(text: string, x: number, y: number, options: TextOptions): void {
    this.said(options.role, () => this.line(text, { x, y, width: 0 }, options))
  }

  /** A line of text, at the right of its place where it reads from right to left and the place has a width. */
  private line(text: string, { x, y, width }: SheetPlace, { size, font = this.regular, colour = INK }: TextOptions): void {
    if (text === '') return
    const line = font.set(text, size)
    const left = line.isRightToLeft && width > line.width ? x + width - line.width : x
    this.put({ kind: 'text', text, line, x: left, y, size, isBold: font === this.bold, colour })
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
    this.bookmarks.push({ title, sheet: this.sheets.length - 1 })
  }

  /** A column over the whole page between its margins, which goes on at the top of new pages. */
  protected pageColumn(y = this.top): FlowColumn {
    return new FlowColumn(this.margin, this.width - 2 * this.margin, y, () => {
      this.newPage()
      return this.top
    })
  }

  protected stroke(from: readonly [number, number], to: readonly [number, number], thickness: number, colour = INK): void {
    this.put({ kind: 'line', from: { x: from[0], y: from[1] }, to: { x: to[0], y: to[1] }, thickness, colour })
  }

  protected rule = (x: number, y: number, length: number): void => this.stroke([x, y], [x + length, y], 0.6, RULE)

  /** A picture whose lower edge is at the place. */
  protected picture(ref: PictureRef | null, { x, y, width }: SheetPlace, { content, alt, size }: PictureOptions): void {
    if (!ref) return
    const height = width * (size ? size.height / size.width : ASPECT)
    const item: SheetMark = { kind: 'picture', picture: ref, content, x, y, width, height, ...(size ? { size } : {}) }
    this.elements.inside('Figure', () => this.put(item), alt)
  }

  /** A triangle with a stroke stands before a caution: a sign, not only a colour. @returns the height it took */
  protected caution(text: string, { x, y, width }: SheetPlace): number {
    let height = 0
    this.elements.inside('Note', () => {
      this.put({ kind: 'path', path: 'M 0 9 L 5.5 0 L 11 9 Z', x, y: y + 8.5, scale: 1, thickness: 1, colour: INK })
      this.stroke([x + 5.5, y + 5.6], [x + 5.5, y + 2.2], 1.1)
      height = this.paragraph(text, { x: x + CAUTION.sign, y, width: width - CAUTION.sign }, CAUTION)
    })
    return height + CAUTION.gap
  }

  /** A colour that nobody knows is white. */
  protected swatch(hex = PAPER, { x, y, width }: SheetPlace, height: number): void {
    this.put({ kind: 'rectangle', x, y, width, height, fill: hex, line: INK, thickness: 0.5 })
  }
}
