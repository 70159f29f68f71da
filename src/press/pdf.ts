import fontkit from '@pdf-lib/fontkit'
import {
  concatTransformationMatrix,
  drawObject,
  PDFDocument,
  PDFRawStream,
  popGraphicsState,
  pushGraphicsState,
  rgb,
  type PDFFont,
  type PDFPage,
  type RGB,
} from 'pdf-lib'
import type { CoverPage, InventoryPage, Page, PictureRef, StepPage, TrayPage } from '@core/booklet'
import type { Catalogue } from '@core/catalogue'
import { lettersOf, pieceExtras, pieceKey, total, type PieceCount } from '@core/count'
import { Fault } from '@core/fault'
import { deflateRows, rgbOf, type RgbImage } from '@core/picture'
import { breakLines, fit, paragraphs } from './text'

export type Paper = 'a4' | 'letter'

const PAPERS: Readonly<Record<Paper, readonly [number, number]>> = { a4: [595.28, 841.89], letter: [612, 792] }

export interface PdfInput {
  readonly pages: readonly Page[]
  readonly catalogue: Catalogue
  readonly paper: Paper
  /** TrueType files; other formats come out broken (see docs/architecture.md). */
  readonly fonts: { readonly regular: Uint8Array; readonly bold: Uint8Array }
  readonly paint: (picture: PictureRef, isFinished: boolean) => RgbImage | Promise<RgbImage>
  readonly paintPiece: (shape: string, colour: string) => RgbImage | Promise<RgbImage>
  /** Told from 0 to 1; throw from it to stop. */
  readonly progress?: (fraction: number) => void | Promise<void>
}

const INK = rgb(0.12, 0.13, 0.14)
const FAINT = rgb(0.42, 0.44, 0.46)
const RULE = rgb(0.8, 0.8, 0.78)
const ACCENT = rgb(0.05, 0.39, 0.4)
const MARGIN = 40
const PIECE = { width: 30, height: 23 }
/** Lines of pieces, and letters of words, that stand beside the picture of a step that shares its sheet. */
const MOST_LINES = 8
const MOST_WORDS = 260
const LINE = 26

/** Writes a booklet as a PDF: two steps a page, text selectable, fonts embedded. @throws Fault `no-pages` */
export async function writePdf(input: PdfInput): Promise<Uint8Array> {
  if (input.pages.length === 0) throw new Fault('no-pages', 'The booklet has no page.')
  const doc = await PDFDocument.create()
  doc.registerFontkit(fontkit)
  const features = { tnum: true, liga: false }
  const regular = await doc.embedFont(input.fonts.regular, { subset: true, features })
  const bold = await doc.embedFont(input.fonts.bold, { subset: true, features })
  const press = new Press(doc, regular, bold, input)
  for (const [i, page] of input.pages.entries()) {
    await press.print(page)
    await input.progress?.((i + 1) / input.pages.length)
  }
  press.numberPages()
  const cover = input.pages.find((page) => page.kind === 'cover')
  doc.setTitle(cover?.name ?? 'Booklet')
  doc.setAuthor(cover?.designer ?? '')
  doc.setProducer('Jump Rail')
  doc.setLanguage('en')
  return doc.save()
}

interface TextOptions {
  readonly size: number
  readonly font?: PDFFont
  readonly colour?: RGB
}

class Press {
  private page!: PDFPage
  private readonly width: number
  private readonly height: number
  /** Which half of the page the next step takes; undefined when the page holds no steps. */
  private nextSlot: 0 | 1 | undefined
  private readonly pieces = new Map<string, Promise<ReturnType<Press['embed']> extends Promise<infer T> ? T : never>>()

  constructor(
    private readonly doc: PDFDocument,
    private readonly regular: PDFFont,
    private readonly bold: PDFFont,
    private readonly input: PdfInput,
  ) {
    ;[this.width, this.height] = PAPERS[input.paper]
  }

  async print(page: Page): Promise<void> {
    switch (page.kind) {
      case 'cover':
        return this.cover(page)
      case 'tray':
        return this.tray(page)
      case 'step':
      case 'jump':
        return this.step(page)
      case 'inventory':
        return this.inventory(page)
    }
  }

  numberPages(): void {
    this.doc.getPages().forEach((page, i) => {
      if (i === 0) return
      const text = String(i + 1)
      const x = this.width / 2 - this.regular.widthOfTextAtSize(text, 9) / 2
      page.drawText(text, { x, y: 18, size: 9, font: this.regular, color: FAINT })
    })
  }

  private newPage(): void {
    this.page = this.doc.addPage([this.width, this.height])
    this.nextSlot = undefined
  }

  private text(text: string, x: number, y: number, options: TextOptions): void {
    this.page.drawText(text, { x, y, size: options.size, font: options.font ?? this.regular, color: options.colour ?? INK })
  }

  /** Writes text in lines no wider than `width`. @returns the height it took */
  private paragraph(text: string, x: number, y: number, width: number, options: TextOptions): number {
    const font = options.font ?? this.regular
    const lines = breakLines(text, (line) => font.widthOfTextAtSize(line, options.size) <= width)
    lines.forEach((line, i) => {
      this.text(line, x, y - i * options.size * 1.35, options)
    })
    return lines.length * options.size * 1.35
  }

  private rule(x: number, y: number, length: number): void {
    this.page.drawLine({ start: { x, y }, end: { x: x + length, y }, thickness: 0.6, color: RULE })
  }

  /** A picture's rows go into the file as they are deflated: no second encoding. */
  private async embed(image: RgbImage) {
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
    return this.doc.context.register(stream)
  }

  private place(picture: Awaited<ReturnType<Press['embed']>>, x: number, y: number, width: number, height: number): void {
    const name = this.page.node.newXObject('Im', picture)
    this.page.pushOperators(
      pushGraphicsState(),
      concatTransformationMatrix(width, 0, 0, height, x, y),
      drawObject(name),
      popGraphicsState(),
    )
  }

  private async picture(ref: PictureRef | null, isFinished: boolean, x: number, y: number, width: number): Promise<void> {
    if (!ref) return
    this.place(await this.embed(await this.input.paint(ref, isFinished)), x, y, width, width * 0.75)
  }

  private async cover(page: CoverPage): Promise<void> {
    this.newPage()
    const inner = this.width - 2 * MARGIN
    let y = this.height - 84
    y -= this.paragraph(page.name, MARGIN, y, inner, { size: 34, font: this.bold })
    if (page.designer !== '') y -= this.paragraph(`Designed by ${page.designer}`, MARGIN, y, inner, { size: 13, colour: FAINT })
    this.page.drawRectangle({ x: MARGIN, y: y - 4, width: 56, height: 3, color: ACCENT })
    y -= 20 + inner * 0.75
    await this.picture(page.picture, true, MARGIN, y, inner)
    const { parts, pieces, colours, steps, sections } = page.facts
    const facts = [
      [parts, 'parts'],
      [pieces, 'different pieces'],
      [colours, 'colours'],
      [steps, 'steps'],
      [sections, 'sections'],
    ] as const
    y -= 30
    facts.forEach(([value, label], i) => {
      const x = MARGIN + (i * inner) / facts.length
      this.text(String(value), x, y, { size: 18, font: this.bold })
      this.text(label, x, y - 14, { size: 9.5, colour: FAINT })
    })
    y -= 40
    for (const caution of page.cautions) y -= this.caution(caution, MARGIN, y, inner)
    y -= 6
    for (const piece of page.notes === '' ? [] : paragraphs(page.notes)) {
      if (y < 70) {
        this.newPage()
        y = this.height - 64
      }
      y -= this.paragraph(piece, MARGIN, y, inner, { size: 10.5 }) + 4
    }
  }

  /** A triangle with a stroke stands before a caution: a sign, not only a colour. */
  private caution(text: string, x: number, y: number, width: number): number {
    this.page.drawSvgPath('M 0 9 L 5.5 0 L 11 9 Z', { x, y: y + 8.5, borderColor: INK, borderWidth: 1 })
    this.page.drawLine({ start: { x: x + 5.5, y: y + 5.6 }, end: { x: x + 5.5, y: y + 2.2 }, thickness: 1.1, color: INK })
    return this.paragraph(text, x + 18, y, width - 18, { size: 9.5 }) + 3
  }

  private async tray(page: TrayPage): Promise<void> {
    this.newPage()
    let y = this.height - 64
    this.text(page.letter, MARGIN, y, { size: 26, font: this.bold, colour: ACCENT })
    this.text(page.name, MARGIN + 22 + 12 * page.letter.length, y, { size: 22, font: this.bold })
    const built = timesWords(page)
    y -= 20
    this.text(`${total(page.pieces)} pieces, ${page.steps} ${page.steps === 1 ? 'step' : 'steps'}${built}`, MARGIN, y, {
      size: 10.5,
      colour: FAINT,
    })
    const pictureWidth = 220
    await this.picture(page.picture, true, this.width - MARGIN - pictureWidth, this.height - 44 - pictureWidth * 0.75, pictureWidth)
    y = this.height - 60 - pictureWidth * 0.75
    this.text('The pieces for this section', MARGIN, y, { size: 12, font: this.bold })
    y = await this.table(page.pieces, y - 22)
    if (page.mirroredPieces.length > 0) {
      if (y < 120) {
        this.newPage()
        y = this.height - 64
      }
      this.text('The pieces for its mirror image', MARGIN, y - 10, { size: 12, font: this.bold })
      await this.table(page.mirroredPieces, y - 32)
    }
  }

  /** Pieces in two columns; goes on to new pages where it must. @returns how far down it came */
  private async table(pieces: readonly PieceCount[], top: number, letters: ReadonlyMap<string, string> = new Map()): Promise<number> {
    const column = (this.width - 2 * MARGIN - 20) / 2
    let rest = [...pieces]
    let y = top
    for (;;) {
      const rows = Math.max(1, Math.floor((y - 50) / LINE))
      const here = rest.slice(0, rows * 2)
      const inFirst = Math.min(rows, Math.ceil(here.length / 2))
      for (const [i, piece] of here.entries()) {
        const x = MARGIN + (i < inFirst ? 0 : column + 20)
        await this.pieceLine(piece, x, y - (i < inFirst ? i : i - inFirst) * LINE, column, letters.get(pieceKey(piece)))
      }
      rest = rest.slice(here.length)
      if (rest.length === 0) return y - inFirst * LINE
      this.newPage()
      y = this.height - 64
    }
  }

  /** Count first in a column of its own, then the piece, its name and size, its colour in words beside the swatch. */
  private async pieceLine(piece: PieceCount, x: number, y: number, width: number, letter = ''): Promise<void> {
    const { shapes, colours } = this.input.catalogue
    const count = String(piece.count)
    this.text(count, x + 22 - this.bold.widthOfTextAtSize(count, 11), y, { size: 11, font: this.bold })
    const key = `${piece.shape} ${piece.colour}`
    let picture = this.pieces.get(key)
    if (!picture)
      this.pieces.set(key, (picture = Promise.resolve(this.input.paintPiece(piece.shape, piece.colour)).then((image) => this.embed(image))))
    this.place(await picture, x + 28, y - 7, PIECE.width, PIECE.height)
    const at = x + 34 + PIECE.width
    const extras = pieceExtras(piece)
    const title = `${letter === '' ? '' : `(${letter}) `}${shapes.get(piece.shape)?.title ?? piece.shape}${extras === '' ? '' : `, ${extras}`}`
    this.text(fit(title, this.regular, 9, width - (at - x)), at, y + 4, { size: 9 })
    const colour = colours.get(piece.colour)
    const [red, green, blue] = rgbOf(colour?.hex ?? '#ffffff')
    this.page.drawRectangle({
      x: at,
      y: y - 6.5,
      width: 8,
      height: 6.5,
      color: rgb(red / 255, green / 255, blue / 255),
      borderColor: INK,
      borderWidth: 0.5,
    })
    this.text(colour?.name ?? piece.colour, at + 12, y - 6, { size: 8, colour: FAINT })
    this.rule(x, y - 10.5, width)
  }

  /** Two steps share a sheet; one whose words or pieces need more gets sheets of its own, so that nothing is left out. */
  private async step(page: StepPage): Promise<void> {
    if (page.callout.length > MOST_LINES || page.note.length + page.caution.length > MOST_WORDS) return this.longStep(page)
    if (this.nextSlot !== 1) {
      this.newPage()
      this.nextSlot = 0
    }
    const half = (this.height - 60) / 2
    const top = this.height - 34 - (this.nextSlot === 0 ? 0 : half)
    this.nextSlot = this.nextSlot === 0 ? 1 : undefined
    const trayWidth = 158
    const pictureWidth = this.width - 2 * MARGIN - trayWidth - 14
    this.rail(page, top)
    const bottom = top - 34 - pictureWidth * 0.75
    await this.picture(page.picture, false, MARGIN, bottom, pictureWidth)
    const x = this.width - MARGIN - trayWidth
    let y = top - 44 - this.joins(page, x, top - 44, trayWidth)
    const letters = lettersOf(page.callout, this.input.catalogue.colours)
    for (const piece of page.callout) {
      await this.pieceLine(piece, x, y, trayWidth, letters.get(pieceKey(piece)))
      y -= LINE
    }
    this.stepWords(page, x, y, trayWidth)
    if (this.nextSlot === 1) this.rule(MARGIN, top - half + 14, this.width - 2 * MARGIN)
  }

  private async longStep(page: StepPage): Promise<void> {
    this.newPage()
    this.nextSlot = undefined
    const top = this.height - 34
    const inner = this.width - 2 * MARGIN
    this.rail(page, top)
    const pictureWidth = Math.min(inner, 420)
    let y = top - 40 - pictureWidth * 0.75
    await this.picture(page.picture, false, MARGIN, y, pictureWidth)
    y -= 22
    y -= this.joins(page, MARGIN, y, inner)
    if (page.callout.length > 0) y = (await this.table(page.callout, y, lettersOf(page.callout, this.input.catalogue.colours))) - 8
    for (const piece of paragraphs(`${page.note}\n${page.caution === '' ? '' : `Take care: ${page.caution}`}`)) {
      if (y < 90) {
        this.newPage()
        y = this.height - 64
      }
      y -= this.paragraph(piece, MARGIN, y, inner, { size: 10 }) + 3
    }
  }

  /** What is joined, in words. @returns the height it took */
  private joins(page: StepPage, x: number, top: number, width: number): number {
    let y = top
    for (const join of page.joins) {
      const what = `Join ${join.count > 1 ? `${join.count} of ` : ''}section ${join.label}`
      y -= this.paragraph(what, x, y, width, { size: 11, font: this.bold })
      y -= this.paragraph(`${join.name}${join.mirrored ? ', mirrored' : ''}`, x, y, width, { size: 10 }) + 4
    }
    return top - y
  }

  private stepWords(page: StepPage, x: number, top: number, width: number): void {
    let y = top
    if (page.turn !== '') y -= this.paragraph(`${page.turn}.`, x, y, width, { size: 10, font: this.bold }) + 3
    if (page.seenFrom !== '') y -= this.paragraph(`${page.seenFrom}.`, x, y, width, { size: 8.5, colour: FAINT }) + 3
    if (page.rests.length > 0)
      y -= this.paragraph('Loose on the table until the next steps hold it.', x, y, width, { size: 8.5, colour: FAINT }) + 3
    if (page.note !== '') y -= this.paragraph(page.note, x, y, width, { size: 9 }) + 3
    if (page.caution !== '') this.caution(page.caution, x, y, width)
  }

  /** The rail of the section with a tie for each step; this step's tie is long and bears its label. */
  private rail(page: StepPage, top: number): void {
    const from = MARGIN + 58
    const length = this.width - MARGIN - from
    this.text(page.label, MARGIN, top - 12, { size: 17, font: this.bold })
    this.page.drawLine({ start: { x: from, y: top - 7 }, end: { x: from + length, y: top - 7 }, thickness: 0.8, color: INK })
    const gap = length / page.of
    for (let step = 1; step <= page.of; step++) {
      const x = from + gap * (step - 0.5)
      const isHere = step === page.number
      if (!isHere && gap < 3) continue
      const reach = isHere ? 6 : 2.5
      this.page.drawLine({
        start: { x, y: top - 7 - reach },
        end: { x, y: top - 7 + reach },
        thickness: isHere ? 2.6 : 0.8,
        color: isHere ? ACCENT : INK,
      })
    }
    this.text(page.name, from, top - 24, { size: 9, colour: FAINT })
  }

  private async inventory(page: InventoryPage): Promise<void> {
    this.newPage()
    let y = this.height - 64
    this.text('All pieces', MARGIN, y, { size: 22, font: this.bold })
    this.text(`${page.parts} parts, ${page.pieces.length} different pieces`, MARGIN, y - 18, { size: 10.5, colour: FAINT })
    y = await this.table(page.pieces, y - 46)
    if (y < 60 + (page.colours.length / 3) * 16) {
      this.newPage()
      y = this.height - 54
    }
    y -= 20
    this.text('All colours', MARGIN, y, { size: 14, font: this.bold })
    const third = (this.width - 2 * MARGIN) / 3
    page.colours.forEach(({ colour, count }, i) => {
      const x = MARGIN + (i % 3) * third
      const line = y - 20 - Math.floor(i / 3) * 16
      const known = this.input.catalogue.colours.get(colour)
      const [red, green, blue] = rgbOf(known?.hex ?? '#ffffff')
      const text = String(count)
      this.text(text, x + 28 - this.bold.widthOfTextAtSize(text, 10), line, { size: 10, font: this.bold })
      this.page.drawRectangle({
        x: x + 34,
        y: line - 1,
        width: 10,
        height: 9,
        color: rgb(red / 255, green / 255, blue / 255),
        borderColor: INK,
        borderWidth: 0.5,
      })
      this.text(known?.name ?? colour, x + 50, line, { size: 9.5 })
    })
    if (page.alternatives.length > 0) this.alternatives(page.alternatives)
  }

  /** What may be taken instead, on pages of its own. */
  private alternatives(lines: readonly string[]): void {
    let y = 0
    for (const line of lines) {
      if (y < 70) {
        this.newPage()
        this.text('Instead, if you like', MARGIN, this.height - 64, { size: 22, font: this.bold })
        y = this.height - 100
      }
      y -= this.paragraph(line, MARGIN, y, this.width - 2 * MARGIN, { size: 10.5 }) + 4
    }
  }
}

function timesWords(page: TrayPage): string {
  const words: string[] = []
  if (page.times > 1) words.push(`built ${page.times} times`)
  if (page.mirrored > 0) words.push(page.mirrored === 1 ? 'once more as its mirror image' : `${page.mirrored} times as its mirror image`)
  return words.length === 0 ? '' : `, ${words.join(', ')}`
}
