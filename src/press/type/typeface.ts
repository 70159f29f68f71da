import type { PDFFont } from '@cantoo/pdf-lib'
import { isUnseen } from './faces'
import { levelsOf, turnedAround, visualOrder } from './direction'

/** A stretch of a line that one font sets, where it begins, pt from the line's left end. */
interface SetRun {
  readonly font: PDFFont
  readonly text: string
  readonly x: number
}

/** A line as it is set, left to right. */
export interface SetLine {
  readonly runs: readonly SetRun[]
  readonly width: number
  /** Reads from right to left, so it stands at the right of its place. */
  readonly isRightToLeft: boolean
}

/** Text that needs neither another font nor a look at its direction. */
const SIMPLE = /^[\u0020-\u024f\u2010-\u2027\u20ac]*$/

/** Widths of so many lines are remembered: some megabytes. */
const MOST_WIDTHS = 20_000

/** Fonts of one weight that stand in for each other: each letter is set in the first that has it. */
export class Typeface {
  private readonly has: readonly ReadonlySet<number>[]
  /** Widths of lines at size 1, pt. */
  private readonly widths = new Map<string, number>()

  /** @param fonts most wanted first */
  constructor(private readonly fonts: readonly [PDFFont, ...PDFFont[]]) {
    this.has = fonts.map((font) => new Set(font.getCharacterSet()))
  }

  /** The font of the letters that are in every booklet. */
  get first(): PDFFont {
    return this.fonts[0]
  }

  /** Whether some font has a letter; what is never drawn needs none. */
  knows(letter: string): boolean {
    return isUnseen(letter) || this.has.some((has) => has.has(letter.codePointAt(0)!))
  }

  /** How wide a line is, pt. Titles come again and again, and shaping one takes longer than all else that is laid out. */
  widthOf(text: string, size: number): number {
    let unit = this.widths.get(text)
    if (unit === undefined) {
      unit = this.isSimple(text) ? this.first.widthOfTextAtSize(text, 1) : this.set(text, 1).width
      if (this.widths.size >= MOST_WIDTHS) this.widths.clear()
      this.widths.set(text, unit)
    }
    return unit * size
  }

  /** Sets a line: letters in the order in which they are seen, each stretch in a font that has it. */
  set(text: string, size: number): SetLine {
    if (this.isSimple(text)) return { runs: [{ font: this.first, text, x: 0 }], width: this.widthOf(text, size), isRightToLeft: false }
    const { levels, base } = levelsOf(text)
    const runs: SetRun[] = []
    let x = 0
    for (const { text: stretch, level, font } of visualOrder(this.stretches(text, levels))) {
      const shown = level % 2 === 1 ? turnedAround(stretch) : stretch
      runs.push({ font, text: shown, x })
      x += font.widthOfTextAtSize(shown, size)
    }
    return { runs, width: x, isRightToLeft: base === 1 }
  }

  private isSimple(text: string): boolean {
    if (!SIMPLE.test(text)) return false
    const has = this.has[0]!
    for (const letter of text) if (!has.has(letter.codePointAt(0)!)) return false
    return true
  }

  /** Stretches of one font and one level, in the order of the text. */
  private stretches(text: string, levels: Uint8Array): { text: string; level: number; font: PDFFont }[] {
    const stretches: { text: string; level: number; font: PDFFont }[] = []
    let at = 0
    for (const letter of text) {
      const level = levels[at]!
      at += letter.length
      if (isUnseen(letter)) continue
      const before = stretches[stretches.length - 1]
      const font = this.fontFor(letter, before?.level === level ? before.font : undefined)
      if (before && before.level === level && before.font === font) before.text += letter
      else stretches.push({ text: letter, level, font })
    }
    return stretches
  }

  /** Spaces and signs between letters go with what stands before them, where that font has them. */
  private fontFor(letter: string, before: PDFFont | undefined): PDFFont {
    const code = letter.codePointAt(0)!
    if (before && !/\p{L}|\p{N}/u.test(letter) && this.has[this.fonts.indexOf(before)]!.has(code)) return before
    const index = this.has.findIndex((has) => has.has(code))
    return this.fonts[index] ?? before ?? this.first
  }
}
