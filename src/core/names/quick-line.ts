import type { Catalogue } from '../catalogue'
import type { Said } from '../language'
import { takeColour } from './colour-words'
import { takeCount } from './count-words'
import { searchShapes } from './search'
import { nearestOf, readShapeWords } from './shape-words'

/** What a line asks for, piece by piece. */
export interface QuickPiece {
  readonly count: number
  readonly shape: string
  readonly colour: string
}

/** Words that were passed over, with what they may have meant, or why they cannot be meant. */
interface Unclear {
  readonly text: string
  readonly nearest: readonly string[]
  readonly why?: Said
}

/** Words that were read as something they do not name outright: it is told, never done silently. */
interface ReadAs {
  readonly text: string
  readonly as: string
}

export interface QuickLine {
  readonly pieces: readonly QuickPiece[]
  readonly unclear: readonly Unclear[]
  readonly told: readonly ReadAs[]
}

/**
 * Reads "4 plate 1x2 sand, 2 tile 2x2 black": entries parted by commas, semicolons or lines; a count first or last, a colour
 * anywhere, the rest names the piece in whatever order. What is not understood is said, with the nearest; what is only meant is told.
 *
 * @param colour taken where an entry names none
 */
export function readQuickLine(text: string, catalogue: Catalogue, colour = 'ash'): QuickLine {
  const entries = text
    .split(/[,;\n]+/)
    .filter((entry) => entry.trim() !== '')
    .map((entry) => readEntry(entry, catalogue, colour))
  return {
    pieces: entries.flatMap(({ piece }) => (piece ? [piece] : [])),
    unclear: entries.flatMap(({ unclear }) => unclear),
    told: entries.flatMap(({ piece, told }) => (piece ? told : [])),
  }
}

interface ReadEntry {
  readonly piece?: QuickPiece
  readonly unclear: readonly Unclear[]
  readonly told: readonly ReadAs[]
}

function readEntry(entry: string, catalogue: Catalogue, usual: string): ReadEntry {
  const counted = takeCount(entry)
  if (counted.problem) return { unclear: [{ ...counted.problem, nearest: [] }], told: [] }
  const { colour, left } = takeColour(counted.left, catalogue)
  const told = colour && !colour.isOwn ? [{ text: colour.words, as: catalogue.colours.get(colour.id)!.name }] : []
  const { shape, said, strange, alike, isNamed } = readShapeWords(left, catalogue)
  const unclear = strange.map((word) => ({ text: word, nearest: nearestOf(word, catalogue) }))
  if (!shape) return { unclear: left === '' ? [{ text: entry.trim(), nearest: [] }] : unclear, told: [] }
  if (alike.length > 1)
    return {
      unclear: [{ text: said, nearest: alike.map(({ id }) => id), why: { key: 'line.oneOfSeveral' } }, ...unclear],
      told: [],
    }
  const piece = { count: counted.count, shape: shape.id, colour: colour?.id ?? usual }
  return { piece, unclear, told: isNamed ? told : [...told, { text: said, as: shape.title }] }
}

/**
 * What somebody who is typing may mean, best first: what the line reads as, then what a search finds, with the count and the colour
 * that stand in the line.
 */
export function suggestPieces(text: string, catalogue: Catalogue, usual: string, most: number): QuickPiece[] {
  const read = readQuickLine(text, catalogue, usual).pieces
  const counted = takeCount(text)
  if (text.trim() === '' || counted.problem) return [...read]
  const { colour, left } = takeColour(counted.left, catalogue)
  const known = new Set(read.map(({ shape }) => shape))
  const found = searchShapes(catalogue, left, most).filter(({ id }) => !known.has(id))
  const more = found.map(({ id }): QuickPiece => ({ count: counted.count, shape: id, colour: colour?.id ?? usual }))
  return [...read, ...more].slice(0, most)
}
