import { distance } from 'fastest-levenshtein'
import type { Catalogue, Shape } from '../catalogue'
import { NUMBER_WORDS } from './count-words'
import { sizeKey, vocabularyOf, wordsOf, type VocabularyEntry } from './vocabulary'

/** What a question asks for: sizes apart from words, since "2 by 4" and "4x2" are one size. */
interface Question {
  readonly words: readonly string[]
  /** All words that say something, those that only prefer too. */
  readonly said: readonly string[]
  readonly size: readonly number[]
  /** What must not be there: "no studs", "not round". */
  readonly refused: readonly string[]
  /** "Small" and "long" prefer, they rule nothing out: from −1 to 1. */
  readonly pulls: readonly Pull[]
}

type Pull = (entry: VocabularyEntry) => number

/** How many doublings a footprint is above or below that of 2 × 2 studs, in thirds. */
const largeness: Pull = ({ shape: { box } }) => Math.log2((box[0] * box[1]) / 400) / 3
const longness: Pull = ({ shape: { box } }) => Math.log2(Math.max(box[0], box[1]) / Math.min(box[0], box[1])) / 3
const tallness: Pull = ({ height }) => Math.log2(height / 3) / 2
const opposite =
  (pull: Pull): Pull =>
  (entry) =>
    -pull(entry)

const PULLS: ReadonlyMap<string, Pull> = new Map(
  Object.entries({
    big: largeness,
    large: largeness,
    huge: largeness,
    small: opposite(largeness),
    tiny: opposite(largeness),
    little: opposite(largeness),
    long: longness,
    short: opposite(longness),
    tall: tallness,
    high: tallness,
    low: opposite(tallness),
    thin: opposite(tallness),
    flat: opposite(tallness),
  }),
)

const REFUSING = new Set(['no', 'not', 'without', 'isnt', 'never'])

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
  const all = wordsOf(rest)
  const refused = all.filter((_, i) => REFUSING.has(all[i - 1] ?? ''))
  const words = all.filter((word, i) => !EMPTY.has(word) && !REFUSING.has(word) && !REFUSING.has(all[i - 1] ?? ''))
  const pulls = words.flatMap((word) => PULLS.get(word) ?? [])
  return { words, said: all.filter((word) => !EMPTY.has(word)), size, refused, pulls }
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
/** A word that fits less than so much has missed. */
const LEAST = 0.44
/** What a word that misses takes away, as a share of what it would have brought. */
const MISS = 0.4
/** A size that nothing of what is meant has takes this away. */
const OTHER_SIZE = 1
/** What was asked not to be there is. */
const REFUSED = 3
/** The largest pull of "small" or "long". */
const PULL = 0.3

/** @returns the shapes that fit, best first. A word that nothing is known by weighs, it does not veto; what is refused ("no studs") goes last */
export function searchShapes(catalogue: Catalogue, text: string, most = 60): Shape[] {
  const question = readQuestion(text)
  if (question.words.length + question.size.length + question.refused.length === 0) return []
  return bestOf(new Scoring(question, vocabularyOf(catalogue.shapes)), most)
}

/**
 * The shapes that words name, best first, for lines and tables that must not guess: each word must find something, but one of several
 * may miss, and a size that is said is meant.
 */
export function matchShapes(catalogue: Catalogue, text: string, most: number): Shape[] {
  const question = readQuestion(text)
  if (question.words.length + question.size.length === 0) return []
  return bestOf(new Scoring({ ...question, refused: [], pulls: [], words: question.said }, vocabularyOf(catalogue.shapes), 'strict'), most)
}

function bestOf(scoring: Scoring, most: number): Shape[] {
  const scored = scoring.all()
  scored.sort((a, b) => b.score - a.score || a.place - b.place)
  return scored.slice(0, most).map(({ shape }) => shape)
}

interface Scored {
  readonly shape: Shape
  readonly score: number
  readonly place: number
}

/** One question against all shapes. Words that few shapes are known by count more (Spärck Jones 1972, "A statistical interpretation of term specificity"). */
class Scoring {
  /** Of each word of the question, how well it fits each word that is known: few words are asked, each pair is compared once. */
  private readonly compared: readonly Map<string, number>[]
  private readonly fits: readonly (readonly number[])[]
  private readonly weights: readonly number[]

  constructor(
    private readonly question: Question,
    private readonly entries: readonly VocabularyEntry[],
    private readonly how: 'lenient' | 'strict' = 'lenient',
  ) {
    this.compared = question.words.map(() => new Map<string, number>())
    this.fits = entries.map((entry) => this.fitsOf(entry))
    this.weights = question.words.map((_, i) => {
      if (how === 'strict') return 1
      if (PULLS.has(question.words[i]!)) return PULL
      const known = this.fits.reduce((sum, fits) => sum + (fits[i]! >= LEAST ? 1 : 0), 0)
      return 0.35 + 0.65 * (Math.log(1 + entries.length / (1 + known)) / Math.log(1 + entries.length))
    })
  }

  all(): Scored[] {
    const all = this.entries.flatMap((entry, place) => this.scoreOf(entry, place) ?? [])
    const { size } = this.question
    // Where something of that size is what is meant, nothing else is.
    const sized = all.filter(({ place }) => this.entries[place]!.sizes.includes(sizeKey(size)))
    return size.length > 0 && sized.length > 0 ? sized : all
  }

  private fitsOf({ own, said }: VocabularyEntry): number[] {
    const best = this.question.words.map((_, i) => {
      let fit = 0
      for (const known of own) fit = Math.max(fit, this.compare(i, known))
      for (const known of said) fit = Math.max(fit, SAID_SHARE * this.compare(i, known))
      return fit
    })
    // "turn table" is a turntable.
    this.question.words.slice(1).forEach((word, i) => {
      const joined = `${this.question.words[i]!}${word}`
      const fit = own.has(joined) ? 1 : said.has(joined) ? SAID_SHARE : 0
      best[i] = Math.max(best[i]!, fit)
      best[i + 1] = Math.max(best[i + 1]!, fit)
    })
    return best
  }

  private compare(i: number, known: string): number {
    let found = this.compared[i]!.get(known)
    if (found === undefined) this.compared[i]!.set(known, (found = likeness(this.question.words[i]!, known)))
    return found
  }

  private scoreOf(entry: VocabularyEntry, place: number): Scored | undefined {
    const { words, size, refused, pulls } = this.question
    const fits = this.fits[place]!
    let score = 0
    let found = 0
    words.forEach((word, i) => {
      const isFound = fits[i]! >= LEAST
      if (isFound) found++
      // What prefers may be no word of any piece.
      const missing = this.how === 'lenient' && PULLS.has(word) ? 0 : -MISS
      score += this.weights[i]! * (isFound ? fits[i]! : missing)
    })
    if (words.length > 0 && found === 0 && !words.every((word) => PULLS.has(word))) return undefined
    const missed = words.length - found
    if (this.how === 'strict' && missed > 0 && (missed > 1 || words.length < 3)) return undefined
    if (size.length > 0) {
      const isSize = entry.sizes.includes(sizeKey(size))
      if (!isSize && (words.length === 0 || this.how === 'strict')) return undefined
      score += isSize ? SIZE : -OTHER_SIZE
    }
    for (const word of refused) if (entry.own.has(word) || entry.said.has(word)) score -= REFUSED
    for (const pull of pulls) score += PULL * Math.max(-1, Math.min(1, pull(entry)))
    return { shape: entry.shape, score: score - EXTRA * entry.own.size, place }
  }
}
