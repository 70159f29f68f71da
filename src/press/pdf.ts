import { PDFDocument } from '@cantoo/pdf-lib'
import type { CoverPage, InventoryPage, Page, TrayPage } from '@core/booklet'
import { Fault } from '@core/fault'
import { addOutline } from './pdf-outline'
import { finishedSection, StepSheet } from './pdf-steps'
import { trayWords } from './step-texts'
import type { FlowColumn } from './column'
import { ACCENT, ASPECT, FAINT, MARGIN, TOP, type PdfInput } from './pdf-sheet'
import { lettersIn } from './type/faces'
import { paragraphs } from './type/lines'
import { loadTypefaces } from './type/load'

export type { PdfInput } from './pdf-sheet'

/** Text that would begin lower than this goes on the next page, pt. */
const FOOT = 70
const COLOURS_IN_ROW = 3
/** Room that the title of a list and its first lines take, pt. */
const LIST_HEAD = 50
/** Share of a cover's height that its picture takes at most. */
const MOST_OF_COVER = 0.46
/** Width of the picture on a tray's own sheet, pt, and the share of the sheet that it takes at most. */
const TRAY_PICTURE = { width: 220, share: 0.37 }
const COLOUR_LINE = 16

/** Writes a booklet as a PDF: several steps a page, text selectable, fonts embedded. @throws Fault `no-pages` */
export async function writePdf(input: PdfInput): Promise<Uint8Array> {
  if (input.pages.length === 0) throw new Fault('no-pages', 'The booklet has no page.')
  const doc = await PDFDocument.create()
  const { regular, bold } = await loadTypefaces(doc, input.font, lettersOfPages(input))
  const press = new Press(doc, regular, bold, input)
  for (const [i, page] of input.pages.entries()) {
    await press.print(page)
    await input.progress?.((i + 1) / input.pages.length)
  }
  await press.printSteps()
  press.numberPages()
  addOutline(doc, press.bookmarks)
  press.tags.write(doc)
  const cover = input.pages.find((page) => page.kind === 'cover')
  doc.setTitle(cover?.name ?? 'Booklet', { showInWindowTitleBar: true })
  doc.setAuthor(cover?.designer ?? '')
  doc.setProducer('Jump Rail')
  doc.setLanguage('en')
  return doc.save()
}

class Press extends StepSheet {
  async print(page: Page): Promise<void> {
    if (page.kind === 'step' || page.kind === 'jump') return this.step(page)
    if (page.kind === 'tray' && this.fitsAmongSteps(page)) return this.head(page)
    await this.printSteps()
    switch (page.kind) {
      case 'cover':
        return this.cover(page)
      case 'tray':
        return this.tray(page)
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
      const x = this.width / 2 - this.regular.widthOf(text, 9) / 2
      this.tags.drawOn(page)
      page.drawText(text, { x, y: 18, size: 9, font: this.regular.first, color: FAINT })
    })
  }

  private async cover(page: CoverPage): Promise<void> {
    this.newPage()
    this.bookmark(page.name)
    const column = this.pageColumn(this.height - 84)
    this.write(column, page.name, { size: 34, font: this.bold, role: 'H1' })
    if (page.designer !== '') this.write(column, `Designed by ${page.designer}`, { size: 13, colour: FAINT })
    this.page.drawRectangle({ x: MARGIN, y: column.y - 4, width: 56, height: 3, color: ACCENT })
    // On a low sheet the picture leaves room for what is said below it.
    const width = Math.min(column.width, (MOST_OF_COVER * this.height) / ASPECT)
    column.take(width * ASPECT, 20)
    const place = { x: column.x + (column.width - width) / 2, y: column.y, width }
    await this.picture(page.picture, place, { content: 'finished', alt: `${page.name}, finished.` })
    column.take(30)
    this.facts(page, column)
    column.take(40)
    for (const caution of page.cautions) column.take(this.caution(caution, column))
    column.take(6)
    for (const line of page.remarks) this.write(column, line, { size: 10.5 }, 4)
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
      this.tags.begin('P')
      this.text(String(value), left, y, { size: 18, font: this.bold })
      this.text(label, left, y - 14, { size: 9.5, colour: FAINT })
      this.tags.end()
    })
  }

  private async tray(page: TrayPage): Promise<void> {
    this.newPage()
    this.bookmark(`${page.letter} ${page.name}`)
    const top = this.height - TOP
    this.text(page.letter, MARGIN, top, { size: 26, font: this.bold, colour: ACCENT })
    this.text(page.name, MARGIN + 22 + 12 * page.letter.length, top, { size: 22, font: this.bold, role: 'H2' })
    this.text(trayWords(page), MARGIN, top - 20, { size: 10.5, colour: FAINT })
    const width = Math.min(TRAY_PICTURE.width, TRAY_PICTURE.share * this.width)
    const place = { x: this.width - MARGIN - width, y: this.height - 44 - width * ASPECT, width }
    await this.picture(page.picture, place, finishedSection(page))
    const column = this.pageColumn(this.height - 60 - width * ASPECT)
    this.text('The pieces for this section', MARGIN, column.y, { size: 12, font: this.bold, role: 'H3' })
    column.take(22)
    await this.table(column, page.pieces)
    if (page.mirroredPieces.length > 0) {
      column.need(120)
      this.text('The pieces for its mirror image', MARGIN, column.y - 10, { size: 12, font: this.bold, role: 'H3' })
      column.take(32)
      await this.table(column, page.mirroredPieces)
    }
    for (const line of page.remarks) {
      column.need(FOOT)
      this.write(column, line, { size: 9.5 }, 4)
    }
  }

  private async inventory(page: InventoryPage): Promise<void> {
    this.newPage()
    this.bookmark('All pieces')
    const column = this.pageColumn()
    this.text('All pieces', MARGIN, column.y, { size: 22, font: this.bold, role: 'H2' })
    this.text(`${page.parts} parts, ${page.pieces.length} different pieces`, MARGIN, column.y - 18, { size: 10.5, colour: FAINT })
    column.take(46)
    await this.table(column, page.pieces)
    column.need(60 + (page.colours.length / COLOURS_IN_ROW) * COLOUR_LINE)
    column.take(20)
    this.text('All colours', MARGIN, column.y, { size: 14, font: this.bold, role: 'H3' })
    column.take(20)
    this.colourList(page.colours, column)
    column.take(Math.ceil(page.colours.length / COLOURS_IN_ROW) * COLOUR_LINE)
    for (const list of page.lists) this.list(list, column)
  }

  private colourList(colours: InventoryPage['colours'], { x, y, width }: FlowColumn): void {
    colours.forEach(({ colour, count }, i) => {
      const left = x + ((i % COLOURS_IN_ROW) * width) / COLOURS_IN_ROW
      const line = y - Math.floor(i / COLOURS_IN_ROW) * COLOUR_LINE
      const known = this.input.catalogue.colours.get(colour)
      const text = String(count)
      this.text(text, left + 28 - this.bold.widthOf(text, 10), line, { size: 10, font: this.bold })
      this.swatch(known?.hex, { x: left + 34, y: line - 1, width: 10 }, 9)
      const own = this.input.beside?.('colour', colour) ?? ''
      this.text(`${known?.name ?? colour}${own === '' ? '' : `, ${own}`}`, left + 50, line, { size: 9.5 })
    })
  }

  /** A list under its title, below what stands there already; a title is never left alone at the foot of a page. */
  private list({ title, lines }: InventoryPage['lists'][number], column: FlowColumn): void {
    column.need(FOOT + LIST_HEAD)
    column.take(18)
    this.write(column, title, { size: 14, font: this.bold, role: 'H3' }, 6)
    for (const line of lines) {
      column.need(FOOT)
      this.write(column, line, { size: 10.5 }, 4)
    }
  }
}

/** All letters that may be printed. */
function lettersOfPages({ pages, catalogue, beside }: PdfInput): Set<string> {
  const letters = lettersIn(pages)
  for (const [id, { title }] of catalogue.shapes) lettersIn([title, beside?.('shape', id) ?? ''], letters)
  for (const [id, { name }] of catalogue.colours) lettersIn([name, beside?.('colour', id) ?? ''], letters)
  return letters
}
