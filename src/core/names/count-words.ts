import type { Said } from '../language'

/** Number words as people write them, by their number. */
export const NUMBER_WORDS = [
  'zero',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
] as const

/** Words for several at once. */
const GROUPS: Readonly<Record<string, number>> = { dozen: 12, pair: 2, couple: 2, score: 20 }
const GROUP = new RegExp(
  String.raw`^(?:(half) an? |(an?|\d+|${NUMBER_WORDS.join('|')}) )?(${Object.keys(GROUPS).join('|')})s? (?:of )?(?=\S)`,
  'i',
)

/** More of one piece than this are a slip of the finger. */
const MOST_OF_A_PIECE = 9999

const MARK = String.raw`(?:x|×|pcs?\.?|pieces?|times|of)`
/** How a size is written: "1x2", "2 by 4", "4/2". */
export const SIZE = String.raw`\d+\s*(?:x|×|\*|by|\/)\s*\d+`
const SIZE_FIRST = new RegExp(`^${SIZE}`, 'i')
const BEFORE = new RegExp(String.raw`^(-?\d+|${NUMBER_WORDS.join('|')})\s*(?:${MARK}\s*)?(?=\s)`, 'i')
/** "x3", "3 x", "3 pieces" at the end; what follows a number and an x is a size. */
const AFTER = new RegExp(String.raw`(?:^| )(?:[x×] ?(-?\d+)|(-?\d+) ?${MARK})$`, 'i')

/** How many of a piece an entry asks for, and what is left of it. */
export interface CountedWords {
  readonly left: string
  /** 1 where it says nothing. */
  readonly count: number
  /** Why the count cannot be meant: the entry is not to be taken. */
  readonly problem?: { readonly text: string; readonly why: Said }
}

/**
 * Reads the count of "2 1x2 slopes", "2 x 1x2 slopes", "four bricks 2x2", "brick 2x4 x3". What could be a size is one:
 * "2 x 4 plate" is one plate.
 */
export function takeCount(entry: string): CountedWords {
  const plain = entry.trim().replace(/\s+/g, ' ')
  const before = takeBefore(plain)
  const after = takeAfter(before?.left ?? plain)
  const left = (before?.left ?? plain).slice(0, after?.index)
  const counts = [before?.said, after?.[1] ?? after?.[2]].filter((said) => said !== undefined)
  if (counts.length > 1 && counts[0] !== counts[1])
    return { left, count: 1, problem: { text: counts.join(' … '), why: { key: 'line.twoCounts' } } }
  const [said] = counts
  if (said === undefined) return { left, count: 1 }
  const count = numberOf(said)
  if (count >= 1 && count <= MOST_OF_A_PIECE) return { left, count }
  return { left, count: 1, problem: { text: said, why: { key: 'line.countFromTo', about: { most: String(MOST_OF_A_PIECE) } } } }
}

function takeAfter(plain: string): RegExpExecArray | undefined {
  const found = AFTER.exec(plain)
  // "plate 2 x 4" ends with a size.
  return found && !/(^| )\d+$/.test(plain.slice(0, found.index)) ? found : undefined
}

/** The number that a word or figures say. */
function numberOf(said: string): number {
  const word = NUMBER_WORDS.findIndex((each) => each === said.toLowerCase())
  return word >= 0 ? word : Number(said)
}

/** "two dozen", "a pair of", "half a dozen". */
function takeGroups(plain: string): { readonly said: string; readonly left: string } | undefined {
  const found = GROUP.exec(plain)
  if (!found) return undefined
  const [words, half, many = 'a', group] = found
  const times = half !== undefined ? 0.5 : /^an?$/i.test(many) ? 1 : numberOf(many)
  return { said: String(times * GROUPS[group!.toLowerCase()]!), left: plain.slice(words.length) }
}

function takeBefore(plain: string): { readonly said: string; readonly left: string } | undefined {
  const groups = takeGroups(plain)
  if (groups) return groups
  const found = BEFORE.exec(plain)
  if (!found) return undefined
  const left = plain.slice(found[0].length).trim()
  const isSize = SIZE_FIRST.test(plain)
  // "2 x 4 plate" is a size; "2 x 1x2 slopes" and "2 1x2 slopes" are counts before one.
  if (isSize && !SIZE_FIRST.test(left)) return undefined
  return { said: found[1]!, left }
}
