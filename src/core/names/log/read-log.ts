import type { Catalogue } from '../../catalogue'
import { takeColour } from '../colour-words'
import { SIZE } from '../count-words'
import { sectionSaying } from './acts'
import { readPhrase, type ToldPiece, type UnclearWords } from './phrases'
import { sentencesOf, type Sentence } from './sentences'
import { isAct, withoutAct, withoutPlaces } from './words'

/** One act: what is done in one go. */
interface LoggedAct {
  readonly line: number
  readonly text: string
  readonly pieces: readonly ToldPiece[]
}

/** What is built together. */
export interface LoggedSection {
  /** Empty for what comes before any section is named. */
  readonly name: string
  readonly line: number
  /** What its list says is needed. */
  readonly told: readonly ToldPiece[]
  readonly acts: readonly LoggedAct[]
  /** How often it is built as it stands, and as its mirror image. */
  readonly times: number
  readonly mirrored: number
}

export interface ReadLog {
  readonly sections: readonly LoggedSection[]
  readonly unclear: readonly (UnclearWords & { readonly line: number })[]
  /** Pieces whose colour nobody has said: ash is taken. */
  readonly colourless: readonly { readonly line: number; readonly shape: string }[]
}

interface OpenSection {
  name: string
  line: number
  told: ToldPiece[]
  /** Lines below a heading: a list, or acts where nothing else is done. */
  lines: LoggedAct[]
  acts: LoggedAct[]
  times: number
  mirrored: number
}

/** Reads a log in somebody's own words, spoken while a model is taken apart or put together. */
export function readLog(text: string, catalogue: Catalogue): ReadLog {
  const reading = new LogReading(catalogue)
  for (const sentence of sentencesOf(text)) reading.hear(sentence)
  return reading.finish()
}

const countIn = (pieces: readonly ToldPiece[], shape: string): number =>
  pieces.reduce((sum, piece) => sum + (piece.shape === shape ? piece.count : 0), 0)

class LogReading {
  private readonly sections: OpenSection[] = []
  private readonly unclear: (UnclearWords & { readonly line: number })[] = []
  private readonly colourless: { readonly line: number; readonly shape: string }[] = []
  private last: ToldPiece | undefined
  /** The lines that follow a heading or "you need" are its list, until something is done. */
  private isListing = false
  /** The list is of what is needed, and not what is done line after line. */
  private isNeeded = false

  constructor(private readonly catalogue: Catalogue) {}

  hear(sentence: Sentence): void {
    const { text, isHeading } = sentence
    const saying = sectionSaying(text, isHeading, (words) => this.namesPiece(words))
    if (saying?.kind === 'copies' && this.sections.length > 0) return this.copy(saying)
    if (saying?.kind === 'opens') {
      this.open(saying.name, sentence.line, saying.times)
      this.isListing = saying.isList
      this.isNeeded = !isHeading || saying.isNeed === true
      if (saying.rest !== '') this.list(sentence, saying.rest)
      return
    }
    if (saying?.kind === 'list') {
      this.isListing = true
      this.isNeeded = true
      if (saying.rest !== '') this.list(sentence, saying.rest)
      return
    }
    if (this.isListing && !isAct(text)) return this.list(sentence, text)
    this.isListing = false
    this.act(sentence)
  }

  finish(): ReadLog {
    const sections = this.sections
      .filter(({ told, acts }) => told.length > 0 || acts.length > 0)
      .map(({ lines, ...section }): LoggedSection => {
        const isDone = section.acts.some(({ pieces }) => pieces.length > 0)
        return isDone || lines.length === 0 ? section : { ...section, told: [], acts: [...lines, ...section.acts] }
      })
    return { sections, unclear: this.unclear, colourless: this.colourless }
  }

  /** Whether a phrase speaks of a section that was named before: "put the lamp post on the corner". */
  private namesSection(phrase: string): boolean {
    const plain = phrase
      .toLowerCase()
      .replace(/^\s*(?:the|both|all|a|an|one|two|three|four)\s+/, '')
      .trim()
    const one = (word: string): string => word.replace(/s$/, '')
    return plain !== '' && this.sections.some(({ name }) => name !== '' && one(name.toLowerCase()) === one(plain))
  }

  private get section(): OpenSection {
    return this.sections.at(-1) ?? this.open('', 1)
  }

  private open(name: string, line: number, times = 1): OpenSection {
    const plain = name.trim().replace(/\s+/g, ' ')
    const section: OpenSection = { name: plain, line, told: [], lines: [], acts: [], times, mirrored: 0 }
    this.sections.push(section)
    return section
  }

  private copy({ total, more = 0, mirrored }: { readonly total?: number; readonly more?: number; readonly mirrored: number }): void {
    const { section } = this
    section.times = (total ?? section.times) + more
    section.mirrored += mirrored
  }

  private list(sentence: Sentence, text: string): void {
    const { section } = this
    const pieces = this.pieces(sentence, text)
    section.told.push(...pieces)
    if (!this.isNeeded && pieces.length > 0) section.lines.push({ line: sentence.line, text, pieces })
  }

  private act(sentence: Sentence): void {
    const known = this.section.acts
    const isAgain = /\b(?:same|repeat)\b.*\b(?:other|each|both|opposite) side/i.test(sentence.text) ? known.at(-1)?.pieces : undefined
    const pieces = isAgain ?? this.pieces(sentence, sentence.text)
    // What is neither done nor names a piece is talk.
    if (pieces.length > 0 || isAct(sentence.text)) this.section.acts.push({ line: sentence.line, text: sentence.text, pieces })
  }

  private pieces({ line }: Sentence, text: string): ToldPiece[] {
    const all = this.colourOfAll(text)
    const plain = withoutPlaces(all === undefined ? text : text.slice(0, all.index), (words) => this.beginsWithColour(words))
    const pieces: ToldPiece[] = []
    const unclear: (UnclearWords & { readonly line: number })[] = []
    for (const said of plain.split(/,|\band\b|\bplus\b|&|\bor\b/i)) {
      const phrase = withoutAct(said)
      if (phrase.trim() === '' || this.namesSection(phrase)) continue
      const { section } = this
      const known = [...this.sections.slice(0, -1).flatMap(({ told, acts }) => [...told, ...acts.flatMap((act) => act.pieces)])]
      const here = [...section.told, ...section.acts.flatMap((act) => act.pieces), ...pieces]
      const countOf = (shape: string) => ({
        told: countIn(section.told, shape),
        used: countIn([...section.acts.flatMap((act) => act.pieces), ...pieces], shape),
      })
      const context = { catalogue: this.catalogue, last: this.last, countOf }
      const read = readPhrase(phrase, { ...context, known: here })
      const again = read && 'unclear' in read ? readPhrase(phrase, { ...context, known }) : read
      if (!again) continue
      if ('unclear' in again) unclear.push({ line, ...again.unclear })
      else {
        pieces.push(...again.pieces)
        this.last = again.pieces.at(-1)
      }
    }
    // "Took the roof tiles off, twelve 1x2 tiles": what is only spoken of is told behind it.
    this.unclear.push(...unclear.filter(({ words }) => pieces.length === 0 || !/^the [^\d]*$/i.test(words)))
    return this.coloured(pieces, all?.colour, line)
  }

  /** "… all in red" colours what had none; what still has none is noted. */
  private coloured(pieces: readonly ToldPiece[], colour: string | undefined, line: number): ToldPiece[] {
    return pieces.map((piece) => {
      if (!piece.isColourless) return piece
      if (colour !== undefined) return { ...piece, colour, isColourless: false }
      this.colourless.push({ line, shape: piece.shape })
      return piece
    })
  }

  /** "…, all in red" at the end of a sentence. */
  private colourOfAll(text: string): { readonly index: number; readonly colour: string } | undefined {
    const found = /[,\s]+all (?:of them |of it |pieces |parts )?(?:are )?(?:in )?([\p{L} -]+)$/iu.exec(text)
    const { colour, left } = found ? takeColour(found[1]!, this.catalogue) : { left: '?' }
    return found && colour && left === '' ? { index: found.index, colour: colour.id } : undefined
  }

  private beginsWithColour(words: string): boolean {
    const first = words.trim().split(/\s+/).slice(0, 3)
    return [1, 2, 3].some((count) => {
      const some = first
        .slice(0, count)
        .join(' ')
        .replace(/[,.;]+$/, '')
      const { colour, left } = takeColour(some, this.catalogue)
      return colour !== undefined && left === ''
    })
  }

  /** Whether words name a piece: by a size, by a colour or by an id. A roof or an arm is a section. */
  private namesPiece(words: string): boolean {
    const said = words.toLowerCase()
    return (
      new RegExp(SIZE, 'i').test(said) ||
      this.catalogue.shapes.has(said) ||
      takeColour(said, this.catalogue).colour !== undefined ||
      /\b(?:plates?|bricks?|tiles?|slopes?|brackets?|jumpers?|clips?|bars?|hinges?|beams?|pins?|axles?|gears?|cones?)\b/.test(said)
    )
  }
}
