import { PDFDocument } from '@cantoo/pdf-lib'
import type { CoverPage, InventoryPage, Page, StepPage, TrayPage } from '@core/booklet'
import { lettersOf, pieceKey, total } from '@core/count'
import { Fault } from '@core/fault'
import { PhotoSheet } from './pdf-photos'
import { plural } from '@core/words'
import { FlowColumn } from './column'
import { ACCENT, ASPECT, FAINT, INK, LINE, MARGIN, TOP, type PdfInput } from './pdf-sheet'
import { paragraphs } from './text'

export type { PdfInput } from './pdf-sheet'

/** Height of pieces (pt), and letters of words, that stand beside the picture of a step that shares its sheet. */
const MOST_HEIGHT = 8 * LINE
const TRAY_WIDTH = 158
const LOOSE = 'Loose on the table until the next steps hold it.'
/** Room for the mark of a turn, pt. */
const TURN_MARK = 20
const MOST_WORDS = 260
/** Text that would begin lower than this goes on the next page, pt. */
const FOOT = 70
const COLOURS_IN_ROW = 3
const COLOUR_LINE = 16

/** Writes a booklet as a PDF: two steps a page, text selectable, fonts embedded. @throws Fault `no-pages` */
export async function writePdf(input: PdfInput): Promise<Uint8Array> {
  if (input.pages.length === 0) throw new Fault('no-pages', 'The booklet has no page.')
  const doc = await PDFDocument.create()
  // Larger than all else here together: a download of its own.
  const { default: fontkit } = await import('@cantoo/fontkit')
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

class Press extends PhotoSheet {
  /** Which half of the page the next step takes; undefined when the page holds no steps. */
  private nextSlot: 0 | 1 | undefined

  protected override newPage(): void {
    super.newPage()
    this.nextSlot = undefined
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
      case 'decals':
        return this.decalSheets(page)
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

  private async cover(page: CoverPage): Promise<void> {
    this.newPage()
    const column = this.pageColumn(this.height - 84)
    this.write(column, page.name, { size: 34, font: this.bold })
    if (page.designer !== '') this.write(column, `Designed by ${page.designer}`, { size: 13, colour: FAINT })
    this.page.drawRectangle({ x: MARGIN, y: column.y - 4, width: 56, height: 3, color: ACCENT })
    column.take(column.width * ASPECT, 20)
    await this.picture(page.picture, 'finished', column)
    column.take(30)
    this.facts(page, column)
    column.take(40)
    for (const caution of page.cautions) column.take(this.caution(caution, column))
    column.take(6)
    for (const photo of page.photos) await this.photo(photo, column, 260)
    for (const piece of page.notes === '' ? [] : paragraphs(page.notes)) {
      column.need(FOOT)
      this.write(column, piece, { size: 10.5 }, 4)
    }
  }

  private facts({ facts: { parts, pieces, colours, steps, sections } }: CoverPage, { x, y, width }: FlowColumn): void {
    const facts = [
      [parts, 'parts'],
      [pieces, 'different pieces'],
      [colours, 'colours'],
      [steps, 'steps'],
      [sections, 'sections'],
    ] as const
    facts.forEach(([value, label], i) => {
      const left = x + (i * width) / facts.length
      this.text(String(value), left, y, { size: 18, font: this.bold })
      this.text(label, left, y - 14, { size: 9.5, colour: FAINT })
    })
  }

  private async tray(page: TrayPage): Promise<void> {
    this.newPage()
    const top = this.height - TOP
    this.text(page.letter, MARGIN, top, { size: 26, font: this.bold, colour: ACCENT })
    this.text(page.name, MARGIN + 22 + 12 * page.letter.length, top, { size: 22, font: this.bold })
    const size = `${plural(total(page.pieces), 'piece')}, ${plural(page.steps, 'step')}${timesWords(page)}`
    this.text(size, MARGIN, top - 20, { size: 10.5, colour: FAINT })
    const width = 220
    await this.picture(page.picture, 'finished', { x: this.width - MARGIN - width, y: this.height - 44 - width * ASPECT, width })
    const column = this.pageColumn(this.height - 60 - width * ASPECT)
    this.text('The pieces for this section', MARGIN, column.y, { size: 12, font: this.bold })
    column.take(22)
    await this.table(column, page.pieces)
    if (page.mirroredPieces.length > 0) {
      column.need(120)
      this.text('The pieces for its mirror image', MARGIN, column.y - 10, { size: 12, font: this.bold })
      column.take(32)
      await this.table(column, page.mirroredPieces)
    }
    for (const line of page.alternatives) {
      column.need(FOOT)
      this.write(column, `Instead, if you like: ${line}`, { size: 9.5 }, 4)
    }
  }

  /** Two steps share a sheet; one whose words or pieces need more gets sheets of its own, so that nothing is left out. */
  private async step(page: StepPage): Promise<void> {
    const height = page.callout.reduce((sum, piece) => sum + this.lineHeight(piece, TRAY_WIDTH), 0)
    if (page.photos.length > 0 || height > MOST_HEIGHT || page.note.length + page.caution.length + page.signs.join('').length > MOST_WORDS)
      return this.longStep(page)
    if (this.nextSlot !== 1) {
      this.newPage()
      this.nextSlot = 0
    }
    const half = (this.height - 60) / 2
    const top = this.height - 34 - (this.nextSlot === 0 ? 0 : half)
    this.nextSlot = this.nextSlot === 0 ? 1 : undefined
    const width = this.width - 2 * MARGIN - TRAY_WIDTH - 14
    this.rail(page, top)
    await this.picture(page.picture, 'step', { x: MARGIN, y: top - 34 - width * ASPECT, width })
    await this.sideColumn(page, new FlowColumn(this.width - MARGIN - TRAY_WIDTH, TRAY_WIDTH, top - 44))
    if (this.nextSlot === 1) this.rule(MARGIN, top - half + 14, this.width - 2 * MARGIN)
  }

  /** Beside the picture: what is joined, the pieces, the words. */
  private async sideColumn(page: StepPage, column: FlowColumn): Promise<void> {
    this.joins(page, column)
    const letters = lettersOf(page.callout, this.input.catalogue.colours)
    const looks = this.looksOf(page.callout)
    for (const piece of page.callout) {
      await this.pieceLine(piece, column, { look: looks.get(piece)!, letter: letters.get(pieceKey(piece)) ?? '', wraps: true })
      column.take(this.lineHeight(piece, TRAY_WIDTH))
    }
    this.stepWords(page, column)
  }

  private async longStep(page: StepPage): Promise<void> {
    this.newPage()
    this.nextSlot = undefined
    const top = this.height - 34
    this.rail(page, top)
    const column = this.pageColumn(top - 40)
    if (page.picture) {
      const width = Math.min(column.width, page.photos.length > 0 ? 300 : 420)
      column.take(width * ASPECT)
      await this.picture(page.picture, 'step', { x: MARGIN, y: column.y, width })
      column.take(22)
    }
    for (const photo of page.photos) await this.photo(photo, column, page.picture ? 250 : 380)
    this.joins(page, column)
    if (page.callout.length > 0) {
      await this.table(column, page.callout, lettersOf(page.callout, this.input.catalogue.colours))
      column.take(8)
    }
    for (const piece of paragraphs(wordsOf(page).join('\n'))) {
      column.need(90)
      this.write(column, piece, { size: 10 }, 3)
    }
  }

  /** What is joined, in words. */
  private joins(page: StepPage, column: FlowColumn): void {
    for (const join of page.joins) {
      this.write(column, `Join ${join.count > 1 ? `${join.count} of ` : ''}section ${join.label}`, { size: 11, font: this.bold })
      this.write(column, `${join.name}${join.mirrored ? ', mirrored' : ''}`, { size: 10 }, 4)
    }
  }

  /** Our mark for "turn or lift the work": a line that rolls over an edge. */
  private turnMark(x: number, y: number): void {
    for (const path of ['M1 14.5h9l5-9', 'M4 9a8 8 0 0 1 13-5.5', 'M17.5 .8v3.4h-3.4'])
      this.page.drawSvgPath(path, { x, y: y + 10, scale: 0.8, borderColor: INK, borderWidth: 1.2 })
  }

  private stepWords(page: StepPage, column: FlowColumn): void {
    if (page.turn !== '') {
      this.turnMark(column.x, column.y)
      column.take(this.paragraph(`${page.turn}.`, column.inset(TURN_MARK), { size: 10, font: this.bold }), 3)
    }
    this.write(column, page.seenFrom === '' ? '' : `${page.seenFrom}.`, { size: 8.5, colour: FAINT }, 3)
    for (const reach of page.reaches) this.write(column, reach, { size: 9 }, 3)
    this.write(column, page.rests.length > 0 ? LOOSE : '', { size: 8.5, colour: FAINT }, 3)
    this.write(column, page.note, { size: 9 }, 3)
    for (const sign of page.signs) this.write(column, sign, { size: 9, font: this.bold }, 3)
    if (page.caution !== '') this.caution(page.caution, column)
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
    const column = this.pageColumn()
    this.text('All pieces', MARGIN, column.y, { size: 22, font: this.bold })
    this.text(`${page.parts} parts, ${page.pieces.length} different pieces`, MARGIN, column.y - 18, { size: 10.5, colour: FAINT })
    column.take(46)
    await this.table(column, page.pieces)
    column.need(60 + (page.colours.length / COLOURS_IN_ROW) * COLOUR_LINE)
    column.take(20)
    this.text('All colours', MARGIN, column.y, { size: 14, font: this.bold })
    column.take(20)
    this.colourList(page.colours, column)
    if (page.cuts.length > 0) this.lines('To cut to length', page.cuts)
    if (page.alternatives.length > 0) this.lines('Instead, if you like', page.alternatives)
  }

  private colourList(colours: InventoryPage['colours'], { x, y, width }: FlowColumn): void {
    colours.forEach(({ colour, count }, i) => {
      const left = x + ((i % COLOURS_IN_ROW) * width) / COLOURS_IN_ROW
      const line = y - Math.floor(i / COLOURS_IN_ROW) * COLOUR_LINE
      const known = this.input.catalogue.colours.get(colour)
      const text = String(count)
      this.text(text, left + 28 - this.bold.widthOfTextAtSize(text, 10), line, { size: 10, font: this.bold })
      this.swatch(known?.hex, { x: left + 34, y: line - 1, width: 10 }, 9)
      const own = this.input.beside?.('colour', colour) ?? ''
      this.text(`${known?.name ?? colour}${own === '' ? '' : `, ${own}`}`, left + 50, line, { size: 9.5 })
    })
  }

  /** What may be taken instead, on pages of its own, each with its heading. */
  private lines(title: string, lines: readonly string[]): void {
    const column = new FlowColumn(MARGIN, this.width - 2 * MARGIN, 0, () => {
      this.newPage()
      this.text(title, MARGIN, this.height - TOP, { size: 22, font: this.bold })
      return this.height - TOP - 36
    })
    for (const line of lines) {
      column.need(FOOT)
      this.write(column, line, { size: 10.5 }, 4)
    }
  }
}

function timesWords(page: TrayPage): string {
  const words: string[] = []
  if (page.times > 1) words.push(`built ${page.times} times`)
  if (page.mirrored > 0) words.push(page.mirrored === 1 ? 'once more as its mirror image' : `${page.mirrored} times as its mirror image`)
  return words.length === 0 ? '' : `, ${words.join(', ')}`
}

/** All that is said of a step, a paragraph each. */
const wordsOf = ({ turn, seenFrom, reaches, rests, note, caution, signs }: StepPage): string[] =>
  [
    turn === '' ? '' : `${turn}.`,
    seenFrom === '' ? '' : `${seenFrom}.`,
    ...reaches,
    rests.length === 0 ? '' : LOOSE,
    note,
    ...signs,
    caution === '' ? '' : `Take care: ${caution}`,
  ].filter((words) => words !== '')
