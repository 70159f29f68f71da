import type { Catalogue } from '../catalogue'
import { piecesIn } from './piece'
import { colourTitle, type SheetLine } from './sheet'

export type LineOrder = 'count' | 'title' | 'buy'
/** Empty: no groups. */
export type LineGroup = '' | 'colour' | 'family' | 'section'

interface SheetGroup {
  /** Empty where there are no groups. */
  readonly title: string
  readonly lines: readonly SheetLine[]
  readonly pieces: number
}

const titleOf = ({ piece }: SheetLine, { shapes }: Catalogue): string => shapes.get(piece.shape)?.title ?? piece.shape

/** Lines in another order: most first, or by name; lines that are alike in that keep theirs. */
export function sortLines(lines: readonly SheetLine[], order: LineOrder, catalogue: Catalogue): SheetLine[] {
  const words = new Intl.Collator('en', { numeric: true })
  const compare: Readonly<Record<LineOrder, (a: SheetLine, b: SheetLine) => number>> = {
    count: (a, b) => b.piece.count - a.piece.count,
    buy: (a, b) => b.toBuy - a.toBuy,
    title: (a, b) => words.compare(titleOf(a, catalogue), titleOf(b, catalogue)),
  }
  return [...lines].sort(compare[order])
}

interface Naming {
  readonly catalogue: Catalogue
  readonly sectionName: (id: string) => string
}

/** Lines in groups, in the order in which the groups come; a piece that several sections use is told with the first. */
export function groupLines(lines: readonly SheetLine[], group: LineGroup, { catalogue, sectionName }: Naming): SheetGroup[] {
  const title = ({ piece, sections }: SheetLine): string => {
    if (group === 'colour') return colourTitle(piece.colour, catalogue.colours)
    if (group === 'family') return sentence(catalogue.shapes.get(piece.shape)?.family ?? piece.shape)
    return group === 'section' ? (sections[0] === undefined ? '–' : sectionName(sections[0])) : ''
  }
  const groups = new Map<string, SheetLine[]>()
  for (const line of lines) {
    const key = title(line)
    groups.set(key, [...(groups.get(key) ?? []), line])
  }
  return [...groups].map(([key, own]) => ({ title: key, lines: own, pieces: piecesIn(own.map(({ piece }) => piece)) }))
}

const sentence = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}`
