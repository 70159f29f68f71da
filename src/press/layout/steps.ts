import { trayWords, type StepPage, type TrayPage } from '@core/booklet'
import { lettersOf, pieceKey } from '@core/count'
import type { Words } from '@core/language'
import type { FrameFit, PictureSize } from '@core/picture'
import { FlowColumn, type SheetPlace } from './column'
import { PhotoSheet } from './photos'
import { columnsIn, LINE } from './pieces'
import { ACCENT, ASPECT, CAUTION, FAINT, INK, type TextOptions } from './sheet'
import { LEAST_SHARE, packRows, type PackedSheet, type SheetRow } from './row-packing'
import { cellKind, pictureIn, STEP_PX, type CellKind, type CellRoom } from './step-cells'
import { joinTexts, stepTexts, type SheetText } from './step-texts'
import { fit, paragraphs } from '../type/lines'

/** Beside the picture of a step that has the whole width, pt. */
const SIDE = 158
const GUTTER = 16
/** The label and the rail above a picture, pt. */
const HEAD = 34
/** Between rows, pt. */
const GAP = 16
/** Highest picture of a step, pt. */
const MOST_HIGH = 252
/** How much nearer to the edges of a sheet steps come than its margin, pt; the number of the sheet stays free. */
const NEARER = { top: 6, foot: 4 }
const LEAST_FOOT = 32
/** Sheets that are less wide between their margins have the words of a step below its picture, pt. */
const SLIM = 380
/** Highest picture where few steps stand on a sheet, and what else a step takes there, pt. */
const FEW = { most: 560, least: 120, words: 90 }
/** A step that needs more of a sheet than this gets sheets of its own. */
const MOST_OF_SHEET = 0.7
const TEXT_GAP = 3
/** Room for the mark of a turn, pt. */
const TURN_MARK = 20
/** The head of a section that stands among steps: its picture's width, the lines of its name and size, and from what height on it may stand alone, pt; and most pieces. */
const SECTION_HEAD = { picture: 150, words: 52, alone: 240, pieces: 32 } as const

/** Size of the name of a section that stands among steps, and how far it stands off its letter, pt. */
const HEAD_NAME = 17
const HEAD_LETTER = ({ letter }: TrayPage): number => 20 + 11 * letter.length

/** What stands in a row: its height, and how it is printed with its upper left corner at a place. */
interface Cell {
  readonly kind: CellKind
  readonly height: (share: number) => number
  readonly print: (place: SheetPlace, share: number) => void
}

interface CellRow extends SheetRow {
  readonly cells: readonly Cell[]
}

/** Prints steps, several a sheet: how many follows from how large their pictures must be and from what is said of them. */
export class StepSheet extends PhotoSheet {
  /** Rows that wait until it is known what else comes on their sheet. */
  private rows: CellRow[] = []

  private get whole(): number {
    return this.width - 2 * this.margin
  }

  private get half(): number {
    return (this.whole - GUTTER) / 2
  }

  /** Where steps begin, pt from below. */
  private get upper(): number {
    return this.height - this.margin + NEARER.top
  }

  private get room(): number {
    return this.upper - Math.max(LEAST_FOOT, this.margin - NEARER.foot)
  }

  private get isSlim(): boolean {
    return this.whole < SLIM
  }

  /** On a sheet that lies or is held in a hand a step may fill all of it. */
  private get isSmall(): boolean {
    return this.isSlim || this.isLying
  }

  /** A step alone on its sheet has its picture over the whole width. */
  private get isAlone(): boolean {
    return this.input.look.stepsOnSheet === 1 && !this.isLying
  }

  /** Whether two steps may stand beside each other. */
  private get pairs(): boolean {
    const { columns, stepsOnSheet = Infinity } = this.input.look
    return columns !== 'one' && stepsOnSheet > 1 && !this.isSlim
  }

  /** The largest pictures of steps. */
  private get pictures(): CellRoom {
    const { stepsOnSheet } = this.input.look
    const rows = stepsOnSheet === undefined ? undefined : Math.ceil(stepsOnSheet / (this.pairs ? 2 : 1))
    const few = rows === undefined ? MOST_HIGH : this.room / rows - HEAD - GAP - FEW.words
    const height = Math.max(FEW.least, Math.min(FEW.most, few))
    return {
      wide: { width: this.whole - SIDE - GUTTER, height },
      half: { width: this.isSlim || this.isAlone ? this.whole : this.half, height },
    }
  }

  /** Nothing is left out: a step whose words or pieces need too much gets sheets of its own. */
  protected step(page: StepPage): void {
    const cell = page.photos.length > 0 ? undefined : this.cellOf(page)
    if (!cell || !this.hasRoomFor(cell)) {
      this.printSteps()
      return this.longStep(page)
    }
    const last = this.rows[this.rows.length - 1]
    const keepsWithPrevious = page.kind === 'jump' || (page.number === page.of && page.of > 1)
    if (cell.kind === 'half' && this.pairs && last?.cells.length === 1 && last.cells[0]!.kind === 'half')
      this.rows[this.rows.length - 1] = { ...rowOf([last.cells[0]!, cell]), ...(last.keepsWithPrevious ? { keepsWithPrevious: true } : {}) }
    else this.rows.push({ ...rowOf([cell]), keepsWithPrevious })
    this.printFull()
  }

  private hasRoomFor = (cell: Cell): boolean =>
    this.isSmall ? cell.height(LEAST_SHARE) <= this.room : cell.height(1) <= (this.isAlone ? 1 : MOST_OF_SHEET) * this.room

  /** A section with few pieces has its head among the steps instead of on a sheet of its own. */
  protected fitsAmongSteps(page: TrayPage): boolean {
    const { pieces, mirroredPieces, remarks } = page
    const isShort = pieces.length <= SECTION_HEAD.pieces && mirroredPieces.length === 0 && remarks.length === 0
    const words = this.whole - this.headPicture - GUTTER - HEAD_LETTER(page)
    return isShort && this.bold.widthOf(page.name, HEAD_NAME) <= words && this.headHeight(page) <= MOST_OF_SHEET * this.room
  }

  private get headPicture(): number {
    return Math.min(SECTION_HEAD.picture, 0.4 * this.whole)
  }

  private headHeight(page: TrayPage): number {
    const pieces = this.piecesOfSection(page)
    const lines = Math.ceil(pieces.length / columnsIn(this.whole - this.headPicture - GUTTER))
    return Math.max(SECTION_HEAD.words + lines * LINE, this.headPicture * ASPECT) + GAP
  }

  /** The head of a section, to stand above its first steps. */
  protected head(page: TrayPage): void {
    const height = this.headHeight(page)
    const cell: Cell = { kind: 'wide', height: () => height, print: (place) => this.printHead(page, place) }
    // A long list may end a sheet; a short one without a step below it looks forgotten.
    this.rows.push({ ...rowOf([cell]), steps: 0, keepsWithNext: height < SECTION_HEAD.alone })
    this.printFull()
  }

  private packed(): PackedSheet<CellRow>[] {
    const { stepsOnSheet } = this.input.look
    return packRows(this.rows, { height: this.room, ...(stepsOnSheet === undefined ? {} : { steps: stepsOnSheet }) })
  }

  /** What is listed of a section's pieces at its head. */
  protected piecesOfSection = ({ pieces }: TrayPage): TrayPage['pieces'] => (this.input.look.trays === 'steps' ? [] : pieces)

  /** All that waits. */
  printSteps(): void {
    const sheets = this.packed()
    this.rows = []
    for (const sheet of sheets) this.printSheet(sheet)
  }

  /** The sheets that nothing more comes on. */
  private printFull(): void {
    const sheets = this.packed()
    for (const sheet of sheets.slice(0, -1)) {
      this.printSheet(sheet)
      this.rows.splice(0, sheet.rows.length)
    }
  }

  private printSheet({ rows, share }: PackedSheet<CellRow>): void {
    this.newPage()
    let top = this.upper
    for (const [i, row] of rows.entries()) {
      if (i > 0) this.rule(this.margin, top + GAP / 2, this.whole)
      for (const [k, cell] of row.cells.entries()) {
        const width = cell.kind === 'half' ? this.pictures.half.width : this.whole
        cell.print({ x: this.margin + k * (this.half + GUTTER), y: top, width }, share)
      }
      top -= row.height(share)
    }
  }

  private printHead(page: TrayPage, { x, y, width }: SheetPlace): void {
    const picture = this.headPicture
    this.bookmark(`${page.letter} ${page.name}`)
    this.text(page.letter, x, y - 16, { size: 22, font: this.bold, colour: ACCENT })
    this.text(page.name, x + HEAD_LETTER(page), y - 16, { size: HEAD_NAME, font: this.bold, role: 'H2' })
    this.text(trayWords(page, this.input.words), x, y - 32, { size: 9.5, colour: FAINT })
    this.picture(page.picture, { x: x + width - picture, y: y - picture * ASPECT, width: picture }, finishedSection(page, this.input.words))
    const pieces = this.piecesOfSection(page)
    if (pieces.length > 0) this.table(new FlowColumn(x, width - picture - GUTTER, y - SECTION_HEAD.words - 10), pieces)
  }

  /** How a step stands on a sheet. */
  private cellOf(page: StepPage): Cell {
    const fit = page.picture ? this.input.measures.fitOf(page.picture) : undefined
    const kind = fit ? this.kindOf(fit) : 'wide'
    const picture = fit ? pictureIn(this.pictures[kind], fit) : { width: 0, height: 0 }
    return kind === 'wide' ? this.wideCell(page, picture) : this.halfCell(page, picture)
  }

  private kindOf(fit: FrameFit): CellKind {
    const { columns } = this.input.look
    if (this.isSlim || this.isAlone || columns === 'two') return 'half'
    return columns === 'one' ? 'wide' : cellKind(fit, this.pictures)
  }

  /** Over the whole width: words and pieces beside the picture. */
  private wideCell(page: StepPage, picture: PictureSize): Cell {
    const width = this.whole - picture.width - GUTTER
    const side = this.piecesHeight(page, width) + this.textsHeight(stepTexts(page, this.input.words), width)
    return {
      kind: 'wide',
      height: (share) => HEAD + Math.max(picture.height * share, side + 10) + GAP,
      print: this.asStep((place, share) => {
        this.rail(page, place)
        const own = { width: picture.width * share, height: picture.height * share }
        const below = place.y - HEAD
        this.stepPicture(page, { x: place.x, y: below - own.height, width: own.width }, picture)
        const column = new FlowColumn(place.x + place.width - width, width, below - 10)
        this.callout(page, column)
        this.texts(stepTexts(page, this.input.words), column)
      }),
    }
  }

  /** In half of the width: pieces above the picture, words below. */
  private halfCell(page: StepPage, picture: PictureSize): Cell {
    const { width } = this.pictures.half
    const above = this.piecesHeight(page, width)
    const below = this.textsHeight(stepTexts(page, this.input.words), width)
    return {
      kind: 'half',
      height: (share) => HEAD + above + picture.height * share + (below === 0 ? 0 : below + 12) + GAP,
      print: this.asStep((place, share) => {
        this.rail(page, place)
        const column = new FlowColumn(place.x, place.width, place.y - HEAD - 10)
        this.callout(page, column)
        const own = { width: picture.width * share, height: picture.height * share }
        const low = column.y + 10 - own.height
        this.stepPicture(page, { x: place.x + (place.width - own.width) / 2, y: low, width: own.width }, picture)
        this.texts(stepTexts(page, this.input.words), new FlowColumn(place.x, place.width, low - 12))
      }),
    }
  }

  /** A step is an element of its own. */
  private asStep =
    (print: Cell['print']): Cell['print'] =>
    (place, share) =>
      this.elements.inside('Sect', () => print(place, share))

  /** @param full the size it is drawn for, pt: all pictures of a frame are drawn alike, and placed a little smaller where they must */
  private stepPicture(page: StepPage, place: SheetPlace, full: PictureSize): void {
    const size = { width: Math.round(full.width * STEP_PX), height: Math.round(full.height * STEP_PX) }
    this.picture(page.picture, place, { content: 'step', alt: this.spoken(page), size })
  }

  private spoken = (page: StepPage): string => this.input.spoken?.(page) ?? page.spoken

  private piecesHeight(page: StepPage, width: number): number {
    const lines = this.calloutOf(page).reduce((sum, piece) => sum + this.lineHeight(piece, width), 0)
    return this.textsHeight(joinTexts(page, this.input.words), width) + lines
  }

  /** The pieces told at a step. */
  private calloutOf = ({ callout }: StepPage): StepPage['callout'] => (this.input.look.trays === 'sections' ? [] : callout)

  /** What is joined, and the pieces. */
  private callout(page: StepPage, column: FlowColumn): void {
    this.texts(joinTexts(page, this.input.words), column)
    const letters = lettersOf(page.callout, this.input.catalogue.colours)
    const pieces = this.calloutOf(page)
    if (pieces.length === 0) return
    const looks = this.looksOf(page.callout)
    this.elements.inside('L', () => {
      for (const piece of pieces) {
        this.pieceLine(piece, column, { look: looks.get(piece)!, letter: letters.get(pieceKey(piece)) ?? '', wraps: true })
        column.take(this.lineHeight(piece, column.width))
      }
    })
  }

  private longStep(page: StepPage): void {
    this.newPage()
    this.elements.inside('Sect', () => this.printLong(page))
  }

  private printLong(page: StepPage): void {
    const top = this.upper
    this.rail(page, { x: this.margin, y: top, width: this.whole })
    const column = this.pageColumn(top - 40)
    // What can hurt is told first, and on the sheet where the step begins.
    for (const text of stepTexts(page, this.input.words).filter(({ sign }) => sign === 'caution')) this.texts([text], column)
    if (page.picture) {
      const width = Math.min(column.width, page.photos.length > 0 ? 300 : 420)
      column.take(width * ASPECT)
      this.picture(page.picture, { x: this.margin, y: column.y, width }, { content: 'step', alt: this.spoken(page) })
      column.take(22)
    }
    for (const photo of page.photos) this.photo(photo, column, page.picture ? 250 : 380)
    this.texts(joinTexts(page, this.input.words), column)
    if (this.calloutOf(page).length > 0) {
      this.table(column, page.callout, lettersOf(page.callout, this.input.catalogue.colours))
      column.take(8)
    }
    const rest = stepTexts(page, this.input.words).filter(({ sign }) => sign !== 'caution')
    for (const piece of paragraphs(rest.map(({ text }) => text).join('\n'))) {
      column.need(90)
      this.write(column, piece, { size: 10 }, 3)
    }
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
      this.put({ kind: 'path', path, x, y: y + 10, scale: 0.8, thickness: 1.2, colour: INK })
  }

  /** A sign before a text, given as path data. */
  private pathSign(path: string, x: number, y: number): void {
    this.put({ kind: 'path', path, x, y: y + 9.5, scale: SIGN_SCALE, thickness: 1, colour: INK })
  }

  /** The rail of the section with a tie for each step; this step's tie is long and bears its label. */
  private rail(page: StepPage, { x: left, y: top, width }: SheetPlace): void {
    const from = left + 58
    const length = left + width - from
    this.text(page.label, left, top - 12, { size: 17, font: this.bold, role: 'H3' })
    this.stroke([from, top - 7], [from + length, top - 7], 0.8)
    const gap = length / page.of
    for (let step = 1; step <= page.of; step++) {
      const x = from + gap * (step - 0.5)
      const isHere = step === page.number
      if (!isHere && gap < 3) continue
      const reach = isHere ? 6 : 2.5
      this.stroke([x, top - 7 - reach], [x, top - 7 + reach], isHere ? 2.6 : 0.8, isHere ? ACCENT : INK)
    }
    const bag = page.bag === '' ? '' : `${page.bag}.`
    const name = fit(page.name, this.regular, 9, length - this.bold.widthOf(bag, 9) - 10)
    this.text(name, from, top - 24, { size: 9, colour: FAINT })
    if (bag !== '') this.text(bag, from + this.regular.widthOf(name, 9) + 10, top - 24, { size: 9, font: this.bold })
  }
}

/** How the picture of a whole section is shown, and what is said of it. */
export const finishedSection = ({ letter, name }: TrayPage, { say }: Words) =>
  ({ content: 'finished', alt: say('page.sectionFinished', { letter, name }) }) as const

/** What stands before a text, pt. */
const indentOf = ({ sign, path }: SheetText): number =>
  sign === 'turn' ? TURN_MARK : sign === 'caution' || path !== undefined ? CAUTION.sign : 0
/** Signs of notes are drawn so large, of 24 units: as high as a line. */
const SIGN_SCALE = 0.5

const gapOf = ({ sign }: SheetText): number => (sign === 'caution' ? CAUTION.gap : 0)

/** A row is as high as the highest of what stands in it. */
const rowOf = (cells: readonly Cell[]): CellRow => ({
  cells,
  steps: cells.length,
  height: (share) => Math.max(...cells.map(({ height }) => height(share))),
})
