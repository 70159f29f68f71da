import { distance } from 'fastest-levenshtein'
import { nearestIds, type Catalogue, type Shape } from '../catalogue'
import { memo } from '../memo'
import { takeColour } from './colour-words'
import { SIZE, takeCount } from './count-words'
import { searchShapes } from './search'
import { ownWords, wordsOf } from './vocabulary'

/** What a line asks for, piece by piece. */
interface QuickPiece {
  readonly count: number
  readonly shape: string
  readonly colour: string
}

/** Words that were passed over, with what they may have meant, or why they cannot be meant. */
interface Unclear {
  readonly text: string
  readonly nearest: readonly string[]
  readonly why?: string
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
  const { shape, said, strange, alike } = readShape(left, catalogue)
  const unclear = strange.map((word) => ({ text: word, nearest: nearestOf(word, catalogue) }))
  if (!shape) return { unclear: left === '' ? [{ text: entry.trim(), nearest: [] }] : unclear, told: [] }
  if (alike.length > 1)
    return {
      unclear: [{ text: said, nearest: alike.map(({ id }) => id), why: 'It could be one of several: say which.' }, ...unclear],
      told: [],
    }
  const piece = { count: counted.count, shape: shape.id, colour: colour?.id ?? usual }
  return { piece, unclear, told: isNamed(shape, said) ? told : [...told, { text: said, as: shape.title }] }
}

interface ReadShape {
  readonly shape: Shape | undefined
  /** The words it was read from. */
  readonly said: string
  /** Words behind them that name nothing. */
  readonly strange: readonly string[]
  /** All that those words fit as well: more than one, and it must be asked which is meant. */
  readonly alike: readonly Shape[]
}

const titleKey = (title: string): string => wordsOf(title).join(' ')
const titlesOf = memo(
  (shapes: Catalogue['shapes']): ReadonlyMap<string, Shape> => new Map([...shapes.values()].map((shape) => [titleKey(shape.title), shape])),
)

/** How many pieces that could be meant are told. */
const MOST_ALIKE = 5

/** The piece that words name; where some at the end are strange, the one that the others name. */
function readShape(left: string, catalogue: Catalogue): ReadShape {
  const words = left.split(/\s+/).filter((word) => word !== '')
  for (let kept = words.length; kept > 0; kept--) {
    const said = words.slice(0, kept).join(' ')
    const strange = words.slice(kept)
    const known = catalogue.shapes.get(said.toLowerCase().replace(/ /g, '-')) ?? titlesOf(catalogue.shapes).get(titleKey(said))
    if (known) return { shape: known, said, strange, alike: [known] }
    const found = searchShapes(catalogue, said, MOST_ALIKE * 2)
    const [shape] = found
    if (!shape) continue
    const alike = alikeFor(said, found)
    return { shape, said, strange, alike: alike.slice(0, MOST_ALIKE) }
  }
  return { shape: undefined, said: '', strange: left === '' ? [] : [left], alike: [] }
}

/**
 * Those of the pieces found that the words fit as well as the first: "brick 2x4" is one piece, though others have more words;
 * "brick" is many, and "wheel" too, where each has a word that was not said.
 */
function alikeFor(said: string, found: readonly Shape[]): readonly Shape[] {
  const [first] = found
  const isFit = isNamed(first!, said)
  const fitting = found.filter((shape) => isNamed(shape, said) === isFit)
  const least = unsaidWords(first!, said)
  const isPlain = least === 0 && /[a-z]/i.test(withoutSize(said))
  return isPlain || !isFit ? fitting.filter((shape) => unsaidWords(shape, said) <= least && hasSameWords(shape, first!)) : fitting
}

/** Words of a title that tell its size, as numbers do. */
const MEASURES = new Set(['deep', 'wide', 'long', 'high'])

/** How many words of its title were not said, those of its size apart. */
function unsaidWords({ title }: Shape, said: string): number {
  const known = new Set(wordsOf(said))
  return wordsOf(title).filter((word) => /^[a-z]+$/.test(word) && !MEASURES.has(word) && !known.has(word)).length
}

const titleWords = ({ title }: Shape): string =>
  wordsOf(title)
    .filter((word) => /[a-z]/.test(word))
    .join(' ')
const hasSameWords = (one: Shape, other: Shape): boolean => titleWords(one) === titleWords(other)
const withoutSize = (words: string): string => words.replace(new RegExp(SIZE, 'gi'), ' ')

/** Whether every word is one of the shape's own: then nothing was guessed. */
function isNamed(shape: Shape, words: string): boolean {
  const own = ownWords(shape)
  return wordsOf(withoutSize(words)).every((word) => own.has(word))
}

/** The nearest ids, but none that has hardly a letter in common: then there is nothing near. */
const nearestOf = (word: string, catalogue: Catalogue): string[] =>
  nearestIds(word.toLowerCase(), [...catalogue.colours.keys(), ...catalogue.shapes.keys()]).filter(
    (id) => distance(word.toLowerCase(), id) <= word.length / 2,
  )
