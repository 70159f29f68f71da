import {
  memberWords,
  pageTitle,
  type CoverPage,
  type FiguresPage,
  type InventoryPage,
  type MemberPage,
  type Page,
  trayWords,
  type TrayPage,
} from '@core/booklet'
import type { Words } from '@core/language'
import { Fault } from '@core/fault'
import { paragraphs, fit } from '../type/lines'
import { FlowColumn, type SheetPlace } from './column'
import type { LaidBooklet } from './items'
import { sizeToPrint, type PhotoFrame } from './photos'
import type { Sheet } from './sheet'
import { ACCENT, ASPECT, FAINT, INK, type LayoutInput, type Typefaces } from './sheet'
import { finishedSection, StepSheet } from './steps'

/** Text that would begin lower than this goes on the next page, pt. */
const FOOT = 70
/** What stays free below a paragraph, pt. */
const LEAST_FOOT = 28
/** Room for one colour in the list of colours, and for one fact of the cover, pt. */
const COLOUR_WIDTH = 130
const FACT_WIDTH = 84
const FACT_LINE = 36
/** Room that the title of a list and its first lines take, pt. */
const LIST_HEAD = 50
/** Share of the height of a cover, and of the first sheet of a collection's model, that its picture takes at most. */
const MOST_OF_COVER = 0.46
const MOST_OF_MEMBER = 0.34
/** Between the picture of a cover and the photo beside it, pt. */
const BESIDE = 16
/** Width of the picture of a figure, pt. */
const FIGURE_WIDTH = 200
/** Width of the picture on a tray's own sheet, pt, and the share of the sheet that it takes at most. */
const TRAY_PICTURE = { width: 220, share: 0.37 }
const COLOUR_LINE = 16
/** Lines of the contents, and the room for the number of a sheet, pt. */
const CONTENTS = { line: 20, number: 30, size: 11 } as const
/** The label of a box: as wide and as high as it is at most, and what stays free within its frame, pt. */
const LABEL = { width: 380, height: 240, inner: 16 } as const

/**
 * Puts the pages of a booklet on sheets, without drawing a picture: what is shown before printing is what is printed.
 *
 * @throws Fault `no-pages`
 */
export function layOut(input: LayoutInput, faces: Typefaces): LaidBooklet {
  if (input.pages.length === 0) throw new Fault('no-pages', 'The booklet has no page.')
  const layout = new BookletLayout(faces, input)
  for (const page of input.pages) layout.page(page)
  layout.finish()
  const cover = input.pages.find((page) => page.kind === 'cover')
  const { sheets, bookmarks, elements } = layout
  return {
    name: cover?.name ?? input.words.say('page.booklet'),
    designer: cover?.designer ?? '',
    language: input.words.language,
    sheets,
    bookmarks,
    structure: elements.root,
  }
}

class BookletLayout extends StepSheet {
  /** Bookmarks of what stands before the contents, and these. */
  private bookmarksBeforeContents = 0
  /** Where the sheet of each section is to be told, once it is known. */
  private readonly contents: { readonly title: string; readonly sheet: Sheet['sheets'][number]; readonly x: number; readonly y: number }[] =
    []

  page(page: Page): void {
    if (page.kind === 'step' || page.kind === 'jump') return this.step(page)
    if (page.kind === 'tray' && this.fitsAmongSteps(page)) return this.head(page)
    this.printSteps()
    switch (page.kind) {
      case 'cover':
        this.cover(page)
        if (this.input.look.label) this.label(page)
        if (this.input.look.contents) this.contentsSheet()
        return
      case 'member':
        return this.member(page)
      case 'tray':
        return this.tray(page)
      case 'inventory':
        return this.inventory(page)
      case 'decals':
        return this.decalSheets(page)
      case 'figures':
        return this.figures(page)
    }
  }

  /** Prints what still waits, and tells the numbers of sheets. */
  finish(): void {
    this.printSteps()
    // Two may have one name, the cover too: each line has the next bookmark of its name behind the contents.
    const waiting = this.bookmarks.slice(this.bookmarksBeforeContents)
    for (const { title, sheet, x, y } of this.contents) {
      const at = waiting.findIndex((bookmark) => bookmark.title === title)
      if (at >= 0) this.number(waiting.splice(at, 1)[0]!.sheet, { sheet, x, y, size: CONTENTS.size })
    }
    this.sheets.forEach((sheet, i) => {
      if (i > 0) this.number(i, { sheet, x: this.width / 2 - this.regular.widthOf(String(i + 1), 9) / 2, y: 18, size: 9 })
    })
  }

  /** The number of a sheet, as decoration: readers have their own. */
  private number(index: number, { sheet, x, y, size }: { sheet: Sheet['sheets'][number]; x: number; y: number; size: number }): void {
    const text = String(index + 1)
    this.put({ kind: 'text', text, line: this.regular.set(text, size), x, y, size, isBold: false, colour: FAINT }, sheet)
  }

  private cover(page: CoverPage): void {
    const { say } = this.input.words
    this.newPage()
    this.bookmark(page.name)
    const column = this.isLying ? this.leftColumn() : this.pageColumn(this.top - 20)
    this.write(column, page.name, { size: 34, font: this.bold, role: 'H1' })
    if (page.designer !== '') this.write(column, say('cover.designedBy', { name: page.designer }), { size: 13, colour: FAINT })
    this.put({ kind: 'rectangle', x: this.margin, y: column.y - 4, width: 56, height: 3, fill: ACCENT })
    const [first, ...others] = page.photos
    const reference = this.input.look.reference && first && sizeToPrint(first) ? first : undefined
    const [place, frame] = reference ? this.coverPlaces(column) : [this.coverPlace(column)]
    this.picture(page.picture, place, { content: 'finished', alt: say('cover.finished', { name: page.name }) })
    if (reference && frame) this.photoIn(reference, frame)
    column.take(30)
    this.facts(page, column)
    for (const caution of page.cautions) {
      column.need(FOOT)
      column.take(this.caution(caution, column))
    }
    column.take(6)
    for (const line of page.remarks) this.line10(line, column)
    for (const photo of reference ? others : page.photos) this.photo(photo, column, 260)
    for (const piece of page.notes === '' ? [] : paragraphs(page.notes)) this.line10(piece, column)
  }

  /** The left half of a sheet that lies: the picture has the other. */
  private leftColumn(): FlowColumn {
    const width = this.width / 2 - this.margin - 10
    return new FlowColumn(this.margin, width, this.top - 20, () => {
      this.newPage()
      return this.top
    })
  }

  /** Where the picture of a cover stands; on a low sheet it leaves room for what is said below it. */
  private coverPlace(column: FlowColumn): SheetPlace {
    if (this.isLying) {
      const width = this.width / 2 - this.margin - 10
      return { x: this.width / 2 + 10, y: (this.height - width * ASPECT) / 2, width }
    }
    const width = Math.min(column.width, (MOST_OF_COVER * this.height) / ASPECT)
    column.need(width * ASPECT + FOOT)
    column.take(width * ASPECT, 20)
    return { x: column.x + (column.width - width) / 2, y: column.y, width }
  }

  /** The same, and the frame of a photo that is as large: beside it, or below it on a sheet that lies. */
  private coverPlaces(column: FlowColumn): [SheetPlace, PhotoFrame] {
    if (this.isLying) {
      const room = this.width / 2 - this.margin - 10
      const height = Math.min(room * ASPECT, (this.height - 2 * this.margin - BESIDE) / 2)
      const [width, middle] = [height / ASPECT, this.height / 2]
      const x = this.width / 2 + 10 + (room - width) / 2
      return [
        { x, y: middle + BESIDE / 2, width },
        { x, y: middle - BESIDE / 2 - height, width, height },
      ]
    }
    const width = Math.min((column.width - BESIDE) / 2, (MOST_OF_COVER * this.height) / ASPECT)
    const height = width * ASPECT
    column.need(height + FOOT)
    column.take(height, 20)
    const { x, y } = column
    return [
      { x, y, width },
      { x: x + column.width - width, y, width, height },
    ]
  }

  private line10(text: string, column: FlowColumn): void {
    // So many lines as there are may stand down to the number of the sheet.
    column.need(LEAST_FOOT + this.paragraphHeight(text, column.width, { size: 10.5 }))
    this.write(column, text, { size: 10.5 }, 4)
  }

  private facts({ facts: { parts, pieces, colours, steps, sections } }: CoverPage, column: FlowColumn): void {
    const facts = Object.entries({ parts, pieces, colours, steps, sections }) as [keyof CoverPage['facts'], number][]
    const inRow = Math.min(facts.length, Math.max(1, Math.floor(column.width / FACT_WIDTH)))
    facts.forEach(([key, value], i) => {
      const left = column.x + ((i % inRow) * column.width) / inRow
      const y = column.y - Math.floor(i / inRow) * FACT_LINE
      this.elements.inside('P', () => {
        this.text(String(value), left, y, { size: 18, font: this.bold })
        this.text(this.input.words.count(`cover.${key}`, value), left, y - 14, { size: 9.5, colour: FAINT })
      })
    })
    column.take(Math.ceil(facts.length / inRow) * FACT_LINE + 4)
  }

  /** To cut out and stick on the box: the name, the finished model, how much there is of it. */
  private label(page: CoverPage): void {
    this.newPage()
    const { words: said } = this.input
    this.bookmark(said.say('page.label'))
    const width = Math.min(LABEL.width, this.width - 2 * this.margin)
    const height = Math.min(LABEL.height, (width * LABEL.height) / LABEL.width)
    const y = this.height - this.margin - height
    this.put({ kind: 'rectangle', x: this.margin, y, width, height, line: INK, thickness: 1 })
    const picture = Math.min((height - 2 * LABEL.inner) / ASPECT, width / 2)
    const place = { x: this.margin + width - LABEL.inner - picture, y: y + (height - picture * ASPECT) / 2, width: picture }
    this.picture(page.picture, place, { content: 'finished', alt: said.say('cover.finished', { name: page.name }) })
    const words = width - picture - 3 * LABEL.inner
    const name = fit(page.name, this.bold, 18, 3 * words)
    let line = y + height - LABEL.inner - 16
    const say = (text: string, size: number, font = this.regular, role?: 'H2'): void => {
      line -= this.paragraph(text, { x: this.margin + LABEL.inner, y: line, width: words }, { size, font, ...(role ? { role } : {}) }) + 4
    }
    say(name, 18, this.bold, 'H2')
    if (page.designer !== '') say(fit(said.say('cover.designedBy', { name: page.designer }), this.regular, 10, 2 * words), 10)
    const { parts, pieces } = page.facts
    say(countsOf(said, parts, pieces), 10)
  }

  /** The sections in their order; the numbers of their sheets are told when they are known. */
  private contentsSheet(): void {
    this.newPage()
    const { words } = this.input
    this.bookmark(words.say('page.contents'))
    this.bookmarksBeforeContents = this.bookmarks.length
    const column = this.pageColumn()
    this.write(column, words.say('page.contents'), { size: 22, font: this.bold, role: 'H2' }, 10)
    const titles = this.input.pages.filter(({ kind }) => IN_CONTENTS.has(kind)).map((page) => pageTitle(page, words))
    this.elements.inside('L', () => {
      for (const title of titles) {
        column.need(FOOT)
        const { x, y, width } = column
        const shown = fit(title, this.regular, CONTENTS.size, width - CONTENTS.number - 10)
        this.elements.inside('LI', () => this.text(shown, x, y, { size: CONTENTS.size, role: 'LBody' }))
        this.rule(x, y - 5, width)
        this.contents.push({ title, sheet: this.sheets[this.sheets.length - 1]!, x: x + width - CONTENTS.number, y })
        column.take(CONTENTS.line)
      }
    })
  }

  /** A model of a collection: its name over its picture, and all its pieces. */
  private member(page: MemberPage): void {
    this.newPage()
    const { words } = this.input
    this.bookmark(page.name)
    const column = this.pageColumn(this.top - 8)
    this.write(column, page.name, { size: 26, font: this.bold, role: 'H2' })
    this.put({ kind: 'rectangle', x: this.margin, y: column.y, width: 56, height: 3, fill: ACCENT })
    column.take(18)
    this.write(column, memberWords(page, words), { size: 10.5, colour: FAINT }, 8)
    const width = Math.min(column.width, (MOST_OF_MEMBER * this.height) / ASPECT)
    const place = { x: column.x + (column.width - width) / 2, y: column.y - width * ASPECT, width }
    this.picture(page.picture, place, { content: 'finished', alt: words.say('cover.finished', { name: page.name }) })
    column.take(page.picture ? width * ASPECT + 24 : 12)
    column.need(FOOT + LIST_HEAD)
    this.write(column, words.say('page.memberPieces'), { size: 12, font: this.bold, role: 'H3' }, 10)
    this.table(column, page.pieces)
  }

  private tray(page: TrayPage): void {
    const { words: said } = this.input
    this.newPage()
    this.bookmark(sectionTitle(page))
    const width = Math.min(TRAY_PICTURE.width, TRAY_PICTURE.share * this.width)
    const low = this.height - this.margin - 4 - width * ASPECT
    this.picture(page.picture, { x: this.width - this.margin - width, y: low, width }, finishedSection(page, said))
    const letter = 22 + 12 * page.letter.length
    this.text(page.letter, this.margin, this.top, { size: 26, font: this.bold, colour: ACCENT })
    const beside = { x: this.margin + letter, y: this.top, width: this.width - 2 * this.margin - width - letter - 12 }
    const named = this.paragraph(page.name, beside, { size: 22, font: this.bold, role: 'H2' })
    const words = { x: this.margin, y: this.top + 10 - named, width: beside.width + letter }
    const depth = this.paragraph(trayWords(page, said), words, { size: 10.5, colour: FAINT })
    const column = this.pageColumn(Math.min(low, words.y - depth) - 16)
    const pieces = this.piecesOfSection(page)
    if (pieces.length > 0) {
      this.text(said.say('page.sectionPieces'), this.margin, column.y, { size: 12, font: this.bold, role: 'H3' })
      column.take(22)
      this.table(column, pieces)
    }
    if (page.mirroredPieces.length > 0) {
      column.need(120)
      this.text(said.say('page.mirroredPieces'), this.margin, column.y - 10, { size: 12, font: this.bold, role: 'H3' })
      column.take(32)
      this.table(column, page.mirroredPieces)
    }
    for (const line of page.remarks) {
      column.need(FOOT)
      this.write(column, line, { size: 9.5 }, 4)
    }
  }

  private figures(page: FiguresPage): void {
    this.newPage()
    const { words } = this.input
    this.bookmark(pageTitle(page, words))
    const column = this.pageColumn()
    this.write(column, pageTitle(page, words), { size: 22, font: this.bold, role: 'H2' }, 8)
    for (const { name, picture, pieces, instead } of page.figures) {
      const width = Math.min(FIGURE_WIDTH, column.width)
      column.need(FOOT + LIST_HEAD + (picture ? width * ASPECT : 0))
      this.write(column, name, { size: 14, font: this.bold, role: 'H3' }, 4)
      this.picture(
        picture,
        { x: column.x, y: column.y - width * ASPECT, width },
        { content: 'finished', alt: words.say('cover.finished', { name }) },
      )
      column.take(picture ? width * ASPECT + 16 : 8)
      this.table(column, pieces)
      for (const line of instead) this.line10(words.say('inventory.insteadLine', { line }), column)
      column.take(18)
    }
  }

  private inventory(page: InventoryPage): void {
    this.newPage()
    const { words } = this.input
    const title = pageTitle(page, words)
    this.bookmark(title)
    const column = this.pageColumn()
    this.text(title, this.margin, column.y, { size: 22, font: this.bold, role: 'H2' })
    this.text(countsOf(words, page.parts, page.pieces.length), this.margin, column.y - 18, { size: 10.5, colour: FAINT })
    column.take(46)
    this.table(column, page.pieces)
    const inRow = Math.max(1, Math.floor(column.width / COLOUR_WIDTH))
    const height = Math.ceil(page.colours.length / inRow) * COLOUR_LINE
    column.need(60 + height)
    column.take(20)
    this.text(words.say('page.colours'), this.margin, column.y, { size: 14, font: this.bold, role: 'H3' })
    column.take(20)
    this.colourList(page.colours, column, inRow)
    column.take(height)
    for (const list of page.lists) this.list(list, column)
  }

  private colourList(colours: InventoryPage['colours'], { x, y, width }: FlowColumn, inRow: number): void {
    this.elements.inside('L', () => {
      colours.forEach((colour, i) => {
        const place = { x: x + ((i % inRow) * width) / inRow, y: y - Math.floor(i / inRow) * COLOUR_LINE, width: width / inRow - 8 }
        this.elements.inside('LI', () => this.elements.inside('LBody', () => this.colour(colour, place)))
      })
    })
  }

  private colour({ colour, count }: InventoryPage['colours'][number], { x, y, width }: { x: number; y: number; width: number }): void {
    const known = this.input.catalogue.colours.get(colour)
    const text = String(count)
    this.text(text, x + 28 - this.bold.widthOf(text, 10), y, { size: 10, font: this.bold })
    this.swatch(known?.hex, { x: x + 34, y: y - 1, width: 10 }, 9)
    const own = this.input.beside?.('colour', colour) ?? ''
    const name = `${known?.name ?? colour}${own === '' ? '' : `, ${own}`}`
    this.text(fit(name, this.regular, 9.5, width - 50), x + 50, y, { size: 9.5 })
  }

  /** A list under its title, below what stands there already; a title is never left alone at the foot of a page. */
  private list({ title, lines }: InventoryPage['lists'][number], column: FlowColumn): void {
    column.need(FOOT + LIST_HEAD)
    column.take(18)
    this.write(column, title, { size: 14, font: this.bold, role: 'H3' }, 6)
    for (const line of lines) for (const piece of paragraphs(line)) this.line10(piece, column)
  }
}

/** How many parts there are, and of how many kinds. */
const countsOf = ({ say, count }: Words, parts: number, pieces: number): string =>
  say('inventory.counts', { parts: count('count.parts', parts), pieces: count('count.differentPieces', pieces) })
/** Pages that the contents name. */
const IN_CONTENTS: ReadonlySet<Page['kind']> = new Set(['tray', 'member', 'figures', 'inventory'])
const sectionTitle = ({ letter, name }: TrayPage): string => `${letter} ${name}`
