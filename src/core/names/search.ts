import { distance } from 'fastest-levenshtein'
import type { Catalogue, Shape } from '../catalogue'
import { NUMBER_WORDS } from './count-words'
import { sizeKey, vocabularyOf, wordsOf, type VocabularyEntry } from './vocabulary'

/** What a question asks for: sizes apart from words, since "2 by 4" and "4x2" are one size. */
interface Question {
  readonly words: readonly string[]
  readonly size: readonly number[]
}

/** Words that say nothing about a piece. */
const EMPTY = new Set([
  'with',
  'the',
  'a',
  'an',
  'and',
  'of',
  'on',
  'in',
  'for',
  'thing',
  'piece',
  'part',
  'that',
  'has',
  'have',
  'it',
  'to',
  'its',
  'is',
  'some',
])

/** Reads a question: number words, "2 by 4", "2 x 4", "2×4", "4/2"; small words are dropped. */
function readQuestion(text: string): Question {
  const plain = text
    .toLowerCase()
    .replace(/[×*]/g, 'x')
    .replace(/\b[a-z]+\b/g, (word) => {
      const number = NUMBER_WORDS.findIndex((each) => each === word)
      return number < 0 ? word : String(number)
    })
  const size: number[] = []
  const rest = plain.replace(/(\d+)\s*(?:x|by|\/)\s*(\d+)(?:\s*(?:x|by)\s*\d+)?/, (_whole, a: string, b: string) => {
    size.push(...[Number(a), Number(b)].sort((one, other) => one - other))
    return ' '
  })
  return { words: wordsOf(rest).filter((word) => !EMPTY.has(word)), size }
}

/** How well a word of the question fits one of a shape: 1 for the same, less for a beginning or a typing error. */
function likeness(asked: string, known: string): number {
  if (asked === known) return 1
  if (asked.length >= 3 && known.startsWith(asked)) return 0.8
  if (asked.length >= 5 && asked.startsWith(known) && known.length >= 4) return 0.6
  if (asked.length < 4 || known.length < 4 || /\d/.test(asked)) return 0
  if (areSwapped(asked, known)) return 0.65
  const far = distance(asked, known)
  return far === 1 ? 0.65 : far === 2 && asked.length >= 6 ? 0.45 : 0
}

/** Two letters side by side the wrong way round, as fingers do. */
function areSwapped(a: string, b: string): boolean {
  if (a.length !== b.length) return false
  const at = [...a].findIndex((letter, i) => letter !== b[i])
  return a[at] === b[at + 1] && a[at + 1] === b[at] && a.slice(at + 2) === b.slice(at + 2)
}

const SAID_SHARE = 0.75
const SIZE = 2.5
/** A shape that says more than was asked for stands behind one that does not. */
const EXTRA = 0.03
const LEAST = 0.44

/** @returns the shapes that fit, best first; each word must find something, but one of several may miss */
export function searchShapes(catalogue: Catalogue, text: string, most = 60): Shape[] {
  const { words, size } = readQuestion(text)
  if (words.length === 0 && size.length === 0) return []
  // Few words are asked against a few hundred: each pair is compared once.
  const compared = words.map(() => new Map<string, number>())
  const fit = (i: number, known: string): number => {
    let found = compared[i]!.get(known)
    if (found === undefined) compared[i]!.set(known, (found = likeness(words[i]!, known)))
    return found
  }
  const scored = vocabularyOf(catalogue.shapes).flatMap((entry, place) => {
    const score = scoreOf(entry, words, size, fit)
    return score === undefined ? [] : [{ shape: entry.shape, score, place }]
  })
  scored.sort((a, b) => b.score - a.score || a.place - b.place)
  return scored.slice(0, most).map(({ shape }) => shape)
}

function scoreOf(
  entry: VocabularyEntry,
  words: readonly string[],
  size: readonly number[],
  fit: (i: number, known: string) => number,
): number | undefined {
  let score = 0
  let missed = 0
  words.forEach((_, i) => {
    let best = 0
    for (const known of entry.own) best = Math.max(best, fit(i, known))
    for (const known of entry.said) best = Math.max(best, SAID_SHARE * fit(i, known))
    if (best < LEAST) missed++
    else score += best
  })
  if (missed > 0 && (missed > 1 || words.length < 3)) return undefined
  if (size.length > 0) {
    if (!entry.sizes.includes(sizeKey(size))) return undefined
    score += SIZE
  }
  return score - missed * 0.7 - EXTRA * entry.own.size
}
