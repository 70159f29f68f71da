import type { StepPage, TrayPage } from '@core/booklet'
import { lettersOf, pieceKey } from '@core/count'
import type { PictureSize } from '@core/picture'
import { FlowColumn, type SheetPlace } from './column'
import { PhotoSheet } from './pdf-photos'
import { columnsIn, LINE } from './pdf-pieces'
import { ACCENT, ASPECT, CAUTION, FAINT, INK, MARGIN, type TextOptions } from './pdf-sheet'
import { packRows, type PackedSheet, type SheetRow } from './row-packing'
import { cellKind, pictureIn, STEP_PX, type CellKind, type CellRoom } from './step-cells'
import { joinTexts, stepTexts, trayWords, type SheetText } from './step-texts'
import { paragraphs } from './type/lines'

/** Beside the picture of a step that has the whole width, pt. */
const SIDE = 158
const GUTTER = 16
/** The label and the rail above a picture, pt. */
const HEAD = 34
/** Between rows, pt. */
const GAP = 16
/** Highest picture of a step, pt. */
const MOST_HIGH = 252
/** What a sheet keeps free at its top and foot, pt. */
const ENDS = { top: 34, foot: 36 }
/** A step that needs more of a sheet than this gets sheets of its own. */
const MOST_OF_SHEET = 0.7
const TEXT_GAP = 3
/** Room for the mark of a turn, pt. */
const TURN_MARK = 20
/** The head of a section that stands among steps: its picture's width, the lines of its name and size, and from what height on it may stand alone, pt; and most pieces. */
const SECTION_HEAD = { picture: 150, words: 52, alone: 240, pieces: 32 } as const

/** What stands in a row: its height, and how it is printed with its upper left corner at a place. */
interface Cell {
  readonly kind: CellKind
  readonly height: (share: number) => number
  readonly print: (place: SheetPlace, share: number) => Promise<void>
}

interface CellRow extends SheetRow {
  readonly cells: readonly Cell[]
}

/** Prints steps, several a sheet: how many follows from how large their pictures must be and from what is said of them. */
export class StepSheet extends PhotoSheet {
  /** Rows that wait until it is known what else comes on their sheet. */
  private rows: CellRow[] = []

  private get whole(): number {
    return this.width - 2 * MARGIN
  }

  private get half(): number {
    return (this.whole - GUTTER) / 2
  }

  private get room(): number {
    return this.height - ENDS.top - ENDS.foot
  }

  private get pictures(): CellRoom {
    const wide = { width: this.whole - SIDE - GUTTER, height: MOST_HIGH }
    return { wide, half: { width: this.half, height: MOST_HIGH } }
  }

  /** Nothing is left out: a step whose words or pieces need too much gets sheets of its own. */
  protected async step(page: StepPage): Promise<void> {
    const cell = page.photos.length > 0 ? undefined : this.cellOf(page)
    if (!cell || cell.height(1) > MOST_OF_SHEET * this.room) {
      await this.printSteps()
      return this.longStep(page)
    }
    const last = this.rows[this.rows.length - 1]
    if (cell.kind === 'half' && last?.cells.length === 1 && last.cells[0]!.kind === 'half')
      this.rows[this.rows.length - 1] = rowOf([last.cells[0]!, cell])
    else this.rows.push(rowOf([cell]))
    await this.printFull()
  }

  /** A section with few pieces has its head among the steps instead of on a sheet of its own. */
  protected fitsAmongSteps(page: TrayPage): boolean {
    const { pieces, mirroredPieces, remarks } = page
    const isShort = pieces.length <= SECTION_HEAD.pieces && mirroredPieces.length === 0 && remarks.length === 0
    return isShort && this.headHeight(page) <= MOST_OF_SHEET * this.room
  }

  private headHeight({ pieces }: TrayPage): number {
    const lines = Math.ceil(pieces.length / columnsIn(this.whole - SECTION_HEAD.picture - GUTTER))
    return Math.max(SECTION_HEAD.words + lines * LINE, SECTION_HEAD.picture * ASPECT) + GAP
  }

  /** The head of a section, to stand above its first steps. */
  protected async head(page: TrayPage): Promise<void> {
    const height = this.headHeight(page)
    const cell: Cell = { kind: 'wide', height: () => height, print: (place) => this.printHead(page, place) }
    // A long list may end a sheet; a short one without a step below it looks forgotten.
    this.rows.push({ ...rowOf([cell]), keepsWithNext: height < SECTION_HEAD.alone })
    await this.printFull()
  }

  /** All that waits. */
  async printSteps(): Promise<void> {
    const sheets = packRows(this.rows, this.room)
    this.rows = []
    for (const sheet of sheets) await this.printSheet(sheet)
  }

  /** The sheets that nothing more comes on. */
  private async printFull(): Promise<void> {
    const sheets = packRows(this.rows, this.room)
    for (const sheet of sheets.slice(0, -1)) {
      await this.printSheet(sheet)
      this.rows.splice(0, sheet.rows.length)
    }
  }

  private async printSheet({ rows, share }: PackedSheet<CellRow>): Promise<void> {
    this.newPage()
    let top = this.height - ENDS.top
    for (const [i, row] of rows.entries()) {
      if (i > 0) this.rule(MARGIN, top + GAP / 2, this.whole)
      for (const [k, cell] of row.cells.entries()) {
        const width = cell.kind === 'half' ? this.half : this.whole
        await cell.print({ x: MARGIN + k * (this.half + GUTTER), y: top, width }, share)
      }
      top -= row.height(share)
    }
  }

  private async printHead(page: TrayPage, { x, y, width }: SheetPlace): Promise<void> {
    const { picture } = SECTION_HEAD
    this.bookmark(`${page.letter} ${page.name}`)
    this.text(page.letter, x, y - 16, { size: 22, font: this.bold, colour: ACCENT })
    this.text(page.name, x + 20 + 11 * page.letter.length, y - 16, { size: 17, font: this.bold, role: 'H2' })
    this.text(trayWords(page), x, y - 32, { size: 9.5, colour: FAINT })
    await this.picture(page.picture, { x: x + width - picture, y: y - picture * ASPECT, width: picture }, finishedSection(page))
    await this.table(new FlowColumn(x, width - picture - GUTTER, y - SECTION_HEAD.words - 10), page.pieces)
  }

  /** How a step stands on a sheet. */
  private cellOf(page: StepPage): Cell {
    const fit = page.picture ? this.input.painter.fitOf(page.picture) : undefined
    const kind = fit ? cellKind(fit, this.pictures) : 'wide'
    const picture = fit ? pictureIn(this.pictures[kind], fit) : { width: 0, height: 0 }
    return kind === 'wide' ? this.wideCell(page, picture) : this.halfCell(page, picture)
  }

  /** Over the whole width: words and pieces beside the picture. */
  private wideCell(page: StepPage, picture: PictureSize): Cell {
    const width = this.whole - picture.width - GUTTER
    const side = this.piecesHeight(page, width) + this.textsHeight(stepTexts(page), width)
    return {
      kind: 'wide',
      height: (share) => HEAD + Math.max(picture.height * share, side + 10) + GAP,
      print: async (place, share) => {
        this.tags.begin('Sect')
        this.rail(page, place)
        const own = { width: picture.width * share, height: picture.height * share }
        const below = place.y - HEAD
        await this.stepPicture(page, { x: place.x, y: below - own.height, width: own.width }, picture)
        const column = new FlowColumn(place.x + place.width - width, width, below - 10)
        await this.callout(page, column)
        this.texts(stepTexts(page), column)
        this.tags.end()
      },
    }
  }

  /** In half of the width: pieces above the picture, words below. */
  private halfCell(page: StepPage, picture: PictureSize): Cell {
    const above = this.piecesHeight(page, this.half)
    const below = this.textsHeight(stepTexts(page), this.half)
    return {
      kind: 'half',
      height: (share) => HEAD + above + picture.height * share + (below === 0 ? 0 : below + 12) + GAP,
      print: async (place, share) => {
        this.tags.begin('Sect')
        this.rail(page, place)
        const column = new FlowColumn(place.x, place.width, place.y - HEAD - 10)
        await this.callout(page, column)
        const own = { width: picture.width * share, height: picture.height * share }
        const low = column.y + 10 - own.height
        await this.stepPicture(page, { x: place.x + (place.width - own.width) / 2, y: low, width: own.width }, picture)
        this.texts(stepTexts(page), new FlowColumn(place.x, place.width, low - 12))
        this.tags.end()
      },
    }
  }

  /** @param full the size it is drawn for, pt: all pictures of a frame are drawn alike, and placed a little smaller where they must */
  private stepPicture(page: StepPage, place: SheetPlace, full: PictureSize): Promise<void> {
    const size = { width: Math.round(full.width * STEP_PX), height: Math.round(full.height * STEP_PX) }
    return this.picture(page.picture, place, { content: 'step', alt: this.spoken(page), size })
  }

  private spoken = (page: StepPage): string => this.input.spoken?.(page) ?? page.spoken

  private piecesHeight(page: StepPage, width: number): number {
    const lines = page.callout.reduce((sum, piece) => sum + this.lineHeight(piece, width), 0)
    return this.textsHeight(joinTexts(page), width) + lines
  }

  /** What is joined, and the pieces. */
  private async callout(page: StepPage, column: FlowColumn): Promise<void> {
    this.texts(joinTexts(page), column)
    const letters = lettersOf(page.callout, this.input.catalogue.colours)
    const looks = this.looksOf(page.callout)
    await this.tagged('L', async () => {
      for (const piece of page.callout) {
        await this.pieceLine(piece, column, { look: looks.get(piece)!, letter: letters.get(pieceKey(piece)) ?? '', wraps: true })
        column.take(this.lineHeight(piece, column.width))
      }
    })
  }

  private async longStep(page: StepPage): Promise<void> {
    this.newPage()
    this.tags.begin('Sect')
    const top = this.height - ENDS.top
    this.rail(page, { x: MARGIN, y: top, width: this.whole })
    const column = this.pageColumn(top - 40)
    // What can hurt is told first, and on the sheet where the step begins.
    for (const text of stepTexts(page).filter(({ sign }) => sign === 'caution')) this.texts([text], column)
    if (page.picture) {
      const width = Math.min(column.width, page.photos.length > 0 ? 300 : 420)
      column.take(width * ASPECT)
      await this.picture(page.picture, { x: MARGIN, y: column.y, width }, { content: 'step', alt: this.spoken(page) })
      column.take(22)
    }
    for (const photo of page.photos) await this.photo(photo, column, page.picture ? 250 : 380)
    this.texts(joinTexts(page), column)
    if (page.callout.length > 0) {
      await this.table(column, page.callout, lettersOf(page.callout, this.input.catalogue.colours))
      column.take(8)
    }
    const rest = stepTexts(page).filter(({ sign }) => sign !== 'caution')
    for (const piece of paragraphs(rest.map(({ text }) => text).join('\n'))) {
      column.need(90)
      this.write(column, piece, { size: 10 }, 3)
    }
    this.tags.end()
  }

  private textsHeight = (texts: readonly SheetText[], width: number): number =>
    texts.reduce(
      (sum, text) => sum + this.paragraphHeight(text.text, width - indentOf(text), this.optionsOf(text)) + TEXT_GAP + gapOf(text),
      0,
    )

  private texts(texts: readonly SheetText[], column: FlowColumn): void {
    for (const text of texts) {
      if (text.sign === 'caution') {
        column.take(this.caution(text.text, column), TEXT_GAP)
        continue
      }
      if (text.sign === 'turn') this.turnMark(column.x, column.y)
      if (text.path !== undefined) this.pathSign(text.path, column.x, column.y)
      column.take(this.paragraph(text.text, column.inset(indentOf(text)), this.optionsOf(text)), TEXT_GAP)
    }
  }

  private optionsOf = ({ size, isBold, isFaint }: SheetText): TextOptions => ({
    size,
    font: isBold ? this.bold : this.regular,
    colour: isFaint ? FAINT : INK,
  })

  /** Our mark for "turn or lift the work": a line that rolls over an edge. */
  private turnMark(x: number, y: number): void {
    for (const path of ['M1 14.5h9l5-9', 'M4 9a8 8 0 0 1 13-5.5', 'M17.5 .8v3.4h-3.4'])
      this.page.drawSvgPath(path, { x, y: y + 10, scale: 0.8, borderColor: INK, borderWidth: 1.2 })
  }

  /** A sign before a text, given as path data. */
  private pathSign(path: string, x: number, y: number): void {
    this.page.drawSvgPath(path, { x, y: y + 9.5, scale: SIGN_SCALE, borderColor: INK, borderWidth: 1 })
  }

  /** The rail of the section with a tie for each step; this step's tie is long and bears its label. */
  private rail(page: StepPage, { x: left, y: top, width }: SheetPlace): void {
    const from = left + 58
    const length = left + width - from
    this.text(page.label, left, top - 12, { size: 17, font: this.bold, role: 'H3' })
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
    if (page.bag !== '') {
      const wide = this.regular.widthOf(page.name, 9)
      this.text(`${page.bag}.`, from + wide + 10, top - 24, { size: 9, font: this.bold })
    }
  }
}

/** How the picture of a whole section is shown, and what is said of it. */
export const finishedSection = ({ letter, name }: TrayPage) =>
  ({ content: 'finished', alt: `Section ${letter}, ${name}, finished.` }) as const

/** What stands before a text, pt. */
const indentOf = ({ sign, path }: SheetText): number =>
  sign === 'turn' ? TURN_MARK : sign === 'caution' || path !== undefined ? CAUTION.sign : 0
/** Signs of notes are drawn so large, of 24 units: as high as a line. */
const SIGN_SCALE = 0.5

const gapOf = ({ sign }: SheetText): number => (sign === 'caution' ? CAUTION.gap : 0)

/** A row is as high as the highest of what stands in it. */
const rowOf = (cells: readonly Cell[]): CellRow => ({ cells, height: (share) => Math.max(...cells.map(({ height }) => height(share))) })
