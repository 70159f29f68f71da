import { lengthLabel, pieceExtras, pieceKey, type PieceCount } from '@core/count'
import type { PictureSize, PieceLook } from '@core/picture'
import type { FlowColumn, SheetPlace } from './column'
import { breakLines, fit } from '../type/lines'
import { FAINT, INK, PAPER, Sheet } from './sheet'

const PIECE = { width: 42, height: 30 }
/** px of a piece's picture for one pt. */
const PIECE_PX = 3
/** Of a piece's title: size, and from line to line. */
const TITLE = 9
const TITLE_LINE = 10
/** Of a title in two lines: size, from line to line, and how high the first stands, pt. */
const LONG_TITLE = { size: 8, line: 8.3, up: 10.5 } as const
export const LINE = 30
/** Between two columns of pieces, and the least width in which two can be read, pt. */
const COLUMN_GAP = 20
const TWO_COLUMNS = 230

/** How many columns of pieces stand beside each other in a width, pt. */
export const columnsIn = (width: number): number => (width < TWO_COLUMNS ? 1 : 2)
/** What stays free below a table, pt. */
const FOOT = 50

/** Prints pieces: how many, what they look like, what they are called. */
export class PieceSheet extends Sheet {
  /** Pieces in two columns; goes on to new pages where it must. */
  protected table = (into: FlowColumn, pieces: readonly PieceCount[], letters: ReadonlyMap<string, string> = new Map()): void =>
    this.elements.inside('L', () => this.printTable(into, pieces, letters))

  private printTable(into: FlowColumn, pieces: readonly PieceCount[], letters: ReadonlyMap<string, string>): void {
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
        this.pieceLine(
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
    const looks = this.input.measures.trayLooks(pieces, PIECE_PICTURE)
    return new Map(pieces.map((piece, i) => [piece, looks[i]!]))
  }

  /** Count first in a column of its own, then the piece, its name and size, its colour in words beside the swatch. */
  protected pieceLine = (piece: PieceCount, place: SheetPlace, options: LineOptions): void =>
    this.elements.inside('LI', () => this.elements.inside('LBody', () => this.printPiece(piece, place, options)))

  private printPiece(piece: PieceCount, { x, y, width }: SheetPlace, { look, letter, wraps = false }: LineOptions): void {
    const { colours } = this.input.catalogue
    const count = String(piece.count)
    this.text(count, x + 22 - this.bold.widthOf(count, 11), y, { size: 11, font: this.bold })
    this.piecePicture(piece, look, x + 26, y - 10)
    const at = x + 31 + PIECE.width
    const title = `${letter === '' ? '' : `(${letter}) `}${this.titleOf(piece)}`
    const low = wraps ? this.wrappedTitle(title, { x: at, y, width }) : this.tableTitle(title, { x: at, y, width: width - (at - x) })
    const colour = colours.get(piece.colour)
    this.swatch(colour?.hex, { x: at, y: low - 6.5, width: 8 }, 6.5)
    const hints = [
      colour?.name ?? piece.colour,
      this.input.beside?.('colour', piece.colour) ?? '',
      look.isSmaller ? this.input.words.say('piece.drawnSmaller') : '',
    ]
    const hint = hints.filter((word) => word !== '').join(', ')
    this.text(fit(hint, this.regular, 8, width - (at - x) - 12), at + 12, low - 6, { size: 8, colour: FAINT })
    this.rule(x, low - 10.5, width)
  }

  /** A title that goes on in further lines. @returns where the line of its colour belongs */
  private wrappedTitle(title: string, { x, y, width }: SheetPlace): number {
    const lines = this.titleLines(title, width)
    lines.forEach((line, i) => this.text(line, x, y + 4 - i * TITLE_LINE, { size: TITLE }))
    return y - (lines.length - 1) * TITLE_LINE
  }

  /** A title in a row of a table, all of which are equally high: a long one stands in two smaller lines. */
  private tableTitle(title: string, { x, y, width }: SheetPlace): number {
    if (this.regular.widthOf(title, TITLE) <= width) {
      this.text(title, x, y + 4, { size: TITLE })
      return y
    }
    const { size, line, up } = LONG_TITLE
    const [first = '', ...rest] = breakLines(title, (text) => this.regular.widthOf(text, size) <= width)
    this.text(first, x, rest.length === 0 ? y + 4 : y + up, { size })
    if (rest.length > 0) this.text(fit(rest.join(' '), this.regular, size, width), x, y + up - line, { size })
    return y
  }

  private titleOf(piece: PieceCount): string {
    const { title } = this.input.catalogue.shapes.get(piece.shape) ?? { title: piece.shape }
    const words = [title, this.input.beside?.('shape', piece.shape) ?? '', pieceExtras(piece, this.input.words)]
    return words.filter((word) => word !== '').join(', ')
  }

  private titleLines(title: string, width: number): string[] {
    const room = width - 31 - PIECE.width
    return breakLines(title, (line) => this.regular.widthOf(line, TITLE) <= room)
  }

  /** The height of a piece's line whose title wraps, pt. */
  protected lineHeight(piece: PieceCount, width: number): number {
    return LINE + (this.titleLines(`(A) ${this.titleOf(piece)}`, width).length - 1) * TITLE_LINE
  }

  /** Long pieces bear their length. */
  private piecePicture(piece: PieceCount, look: PieceLook, x: number, y: number): void {
    this.put({ kind: 'piece', piece, look, size: PIECE_PICTURE, x, y, width: PIECE.width, height: PIECE.height })
    const label = lengthLabel(piece, this.input.catalogue.shapes, this.input.words)
    if (label === '') return
    const width = this.bold.widthOf(label, 6.5) + 4
    // Long pieces run down to the right: the corner above is free.
    const [left, low] = [x + PIECE.width - width, y + PIECE.height - 8]
    this.put({ kind: 'rectangle', x: left, y: low, width, height: 8, fill: PAPER, line: INK, thickness: 0.4 })
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
