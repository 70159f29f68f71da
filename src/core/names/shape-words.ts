import { distance } from 'fastest-levenshtein'
import { nearestIds, type Catalogue, type Shape } from '../catalogue'
import { memo } from '../memo'
import { SIZE } from './count-words'
import { matchShapes } from './search'
import { ownWords, wordsOf } from './vocabulary'

/** What words name, and how surely. */
export interface ReadShape {
  readonly shape: Shape | undefined
  /** The words it was read from. */
  readonly said: string
  /** Words behind them that name nothing. */
  readonly strange: readonly string[]
  /** All that those words fit as well: more than one, and it must be asked which is meant. */
  readonly alike: readonly Shape[]
  /** Every word is one of the shape's own: nothing was guessed. */
  readonly isNamed: boolean
}

const titleKey = (title: string): string => wordsOf(title).join(' ')
const titlesOf = memo(
  (shapes: Catalogue['shapes']): ReadonlyMap<string, Shape> => new Map([...shapes.values()].map((shape) => [titleKey(shape.title), shape])),
)

/** How many pieces that could be meant are told. */
const MOST_ALIKE = 5

/** The piece that words name; where some at the end are strange, the one that the others name. */
export function readShapeWords(left: string, catalogue: Catalogue): ReadShape {
  const words = left.split(/\s+/).filter((word) => word !== '')
  for (let kept = words.length; kept > 0; kept--) {
    const said = words.slice(0, kept).join(' ')
    const strange = words.slice(kept)
    const known = catalogue.shapes.get(said.toLowerCase().replace(/ /g, '-')) ?? titlesOf(catalogue.shapes).get(titleKey(said))
    if (known) return { shape: known, said, strange, alike: [known], isNamed: isNamed(known, said) }
    const found = matchShapes(catalogue, said, MOST_ALIKE * 2)
    const [shape] = found
    if (!shape) continue
    const alike = plainFirst(inWrittenOrder(said, alikeFor(said, found)), catalogue)
    return { shape, said, strange, alike: alike.slice(0, MOST_ALIKE), isNamed: isNamed(shape, said) }
  }
  return { shape: undefined, said: '', strange: left === '' ? [] : [left], alike: [], isNamed: false }
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

const placeOf = memo((shapes: Catalogue['shapes']): ReadonlyMap<string, number> => new Map([...shapes.keys()].map((id, i) => [id, i])))

/** Of several that could be meant the plain ones come first, as in the catalogue: bricks before chairs. */
function plainFirst(alike: readonly Shape[], { shapes }: Catalogue): readonly Shape[] {
  const places = placeOf(shapes)
  return alike.length < 2 ? alike : [...alike].sort((a, b) => places.get(a.id)! - places.get(b.id)!)
}

/** Of several those whose own size is written as it was said: "slope 2x4" is not the one that is 4 deep and 2 wide. */
function inWrittenOrder(said: string, alike: readonly Shape[]): readonly Shape[] {
  const size = new RegExp(SIZE, 'i').exec(said)?.[0].match(/\d+/g)?.join('x')
  const written = size === undefined ? [] : alike.filter(({ id }) => id.split('-').includes(size))
  return written.length === 1 && withoutSize(said).trim() !== '' ? written : alike
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
export const nearestOf = (word: string, catalogue: Catalogue): string[] =>
  nearestIds(word.toLowerCase(), [...catalogue.colours.keys(), ...catalogue.shapes.keys()]).filter(
    (id) => distance(word.toLowerCase(), id) <= word.length / 2,
  )
