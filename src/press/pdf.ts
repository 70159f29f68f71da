import { PDFDocument } from 'pdf-lib'
import type { CoverPage, InventoryPage, Page, StepPage, TrayPage } from '@core/booklet'
import { lettersOf, pieceKey, total } from '@core/count'
import { Fault } from '@core/fault'
import { DecalSheet } from './pdf-decals'
import { ACCENT, FAINT, INK, LINE, MARGIN, type PdfInput } from './pdf-sheet'
import { paragraphs } from './text'

export type { PdfInput } from './pdf-sheet'

/** Height of pieces (pt), and letters of words, that stand beside the picture of a step that shares its sheet. */
const MOST_HEIGHT = 8 * LINE
const TRAY_WIDTH = 158
const LOOSE = 'Loose on the table until the next steps hold it.'
/** Room for the mark of a turn, pt. */
const TURN_MARK = 20
const MOST_WORDS = 260

/** Writes a booklet as a PDF: two steps a page, text selectable, fonts embedded. @throws Fault `no-pages` */
export async function writePdf(input: PdfInput): Promise<Uint8Array> {
  if (input.pages.length === 0) throw new Fault('no-pages', 'The booklet has no page.')
  const doc = await PDFDocument.create()
  // Larger than all else here together: a download of its own.
  const { default: fontkit } = await import('@pdf-lib/fontkit')
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

class Press extends DecalSheet {
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

  /** Two steps share a sheet; one whose words or pieces need more gets sheets of its own, so that nothing is left out. */
  private async step(page: StepPage): Promise<void> {
    const height = page.callout.reduce((sum, piece) => sum + this.lineHeight(piece, TRAY_WIDTH), 0)
    if (height > MOST_HEIGHT || page.note.length + page.caution.length > MOST_WORDS) return this.longStep(page)
    if (this.nextSlot !== 1) {
      this.newPage()
      this.nextSlot = 0
    }
    const half = (this.height - 60) / 2
    const top = this.height - 34 - (this.nextSlot === 0 ? 0 : half)
    this.nextSlot = this.nextSlot === 0 ? 1 : undefined
    const pictureWidth = this.width - 2 * MARGIN - TRAY_WIDTH - 14
    this.rail(page, top)
    const bottom = top - 34 - pictureWidth * 0.75
    await this.picture(page.picture, false, MARGIN, bottom, pictureWidth)
    const x = this.width - MARGIN - TRAY_WIDTH
    let y = top - 44 - this.joins(page, x, top - 44, TRAY_WIDTH)
    const letters = lettersOf(page.callout, this.input.catalogue.colours)
    const looks = this.looksOf(page.callout)
    for (const piece of page.callout) {
      await this.pieceLine(piece, x, y, TRAY_WIDTH, { look: looks.get(piece)!, letter: letters.get(pieceKey(piece)) ?? '', wraps: true })
      y -= this.lineHeight(piece, TRAY_WIDTH)
    }
    this.stepWords(page, x, y, TRAY_WIDTH)
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
    for (const piece of paragraphs(wordsOf(page).join('\n'))) {
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

  /** Our mark for "turn or lift the work": a line that rolls over an edge. */
  private turnMark(x: number, y: number): void {
    for (const path of ['M1 14.5h9l5-9', 'M4 9a8 8 0 0 1 13-5.5', 'M17.5 .8v3.4h-3.4'])
      this.page.drawSvgPath(path, { x, y: y + 10, scale: 0.8, borderColor: INK, borderWidth: 1.2 })
  }

  private stepWords(page: StepPage, x: number, top: number, width: number): void {
    let y = top
    if (page.turn !== '') {
      this.turnMark(x, y)
      y -= this.paragraph(`${page.turn}.`, x + TURN_MARK, y, width - TURN_MARK, { size: 10, font: this.bold }) + 3
    }
    if (page.seenFrom !== '') y -= this.paragraph(`${page.seenFrom}.`, x, y, width, { size: 8.5, colour: FAINT }) + 3
    for (const reach of page.reaches) y -= this.paragraph(reach, x, y, width, { size: 9 }) + 3
    if (page.rests.length > 0) y -= this.paragraph(LOOSE, x, y, width, { size: 8.5, colour: FAINT }) + 3
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
      const text = String(count)
      this.text(text, x + 28 - this.bold.widthOfTextAtSize(text, 10), line, { size: 10, font: this.bold })
      this.swatch(known?.hex ?? '#ffffff', x + 34, line - 1, 10, 9)
      const own = this.input.beside?.('colour', colour) ?? ''
      this.text(`${known?.name ?? colour}${own === '' ? '' : `, ${own}`}`, x + 50, line, { size: 9.5 })
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

/** All that is said of a step, a paragraph each. */
const wordsOf = ({ turn, seenFrom, reaches, rests, note, caution }: StepPage): string[] =>
  [
    turn === '' ? '' : `${turn}.`,
    seenFrom === '' ? '' : `${seenFrom}.`,
    ...reaches,
    rests.length === 0 ? '' : LOOSE,
    note,
    caution === '' ? '' : `Take care: ${caution}`,
  ].filter((words) => words !== '')
