import type { Catalogue } from '../../catalogue'
import { memo } from '../../memo'
import { takeColour } from '../colour-words'
import { NUMBER_WORDS, SIZE } from '../count-words'
import { readShapeWords } from '../shape-words'
import { sizeKey, vocabularyOf, wordsOf } from '../vocabulary'

/** A piece as a log tells it. */
export interface ToldPiece {
  readonly shape: string
  readonly colour: string
  readonly count: number
  /** Nobody has said the colour. */
  readonly isColourless: boolean
}

/** Words that were not understood, and what they may have meant. */
export interface UnclearWords {
  readonly words: string
  readonly nearest: readonly string[]
}

/** What a phrase may refer back to. */
export interface Context {
  readonly catalogue: Catalogue
  /** What was told of this section, then of others; the latest last. */
  readonly known: readonly ToldPiece[]
  /** Of a shape: how many the list of this section tells, and how many were used. */
  readonly countOf: (shape: string) => { readonly told: number; readonly used: number }
  /** What was spoken of last. */
  readonly last: ToldPiece | undefined
}

const COUNTS: Readonly<Record<string, number>> = {
  ...Object.fromEntries(NUMBER_WORDS.map((word, number) => [word, number])),
  a: 1,
  an: 1,
  another: 1,
  both: 2,
  pair: 2,
  couple: 2,
  dozen: 12,
  thirteen: 13,
  fourteen: 14,
  fifteen: 15,
  sixteen: 16,
  eighteen: 18,
  twenty: 20,
}
/** Things that are said of pieces and are none. */
const FILLERS = new Set(
  `the this that these those it them they its of more one other same again piece part thing bit side end row layer edge middle top bottom
   left right front back hand time way place corner centre center rest lot just now next also too still here there again so well our your my
   you i we need needs will all each every both pair couple dozen first second third last final new old little big small nice carefully gently
   firmly again upside down up out away together long short tall wide high low for with and or plus whole half model section step look build
   is are be was have has do does not no make sure left-hand right-hand finally stud hole gap space work pin-hole assembly`.split(/\s+/),
)

/** Every word that names a piece, or a kind of piece. */
const pieceWords = memo(
  (shapes: Catalogue['shapes']): ReadonlySet<string> =>
    new Set(vocabularyOf(shapes).flatMap(({ own, said }) => [...own, ...said].filter((word) => /[a-z]{3}/.test(word)))),
)
const HAS_SIZE = new RegExp(SIZE, 'i')

/** What one phrase between commas and "and" says. */
export type PhraseRead = { readonly pieces: readonly ToldPiece[] } | { readonly unclear: UnclearWords } | undefined

/** Reads "two 1x2 plates in slate", "four in red", "another one", "the same in red", "the 2x4". */
export function readPhrase(text: string, context: Context): PhraseRead {
  const plain = text
    .toLowerCase()
    .replace(/[“”"()]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()
  const { count, isMore, left } = takeCountWords(plain)
  const { colour, left: uncoloured } = takeColour(left, context.catalogue)
  const words = kindWords(uncoloured, context)
  if (words === '') return referring(plain, { count, isMore, colour: colour?.id, left: uncoloured }, context)
  const { shape, alike } = readShapeWords(words, context.catalogue)
  const known = alike.length === 1 ? [] : fittingKnown(words, context)
  const isPlural = /\b(?:the|all)\b/.test(plain) && /s\b/.test(words.replace(HAS_SIZE, ''))
  // "the slopes" are all of them, of whatever size.
  if (known.length > 1 && isPlural && count === undefined) return { pieces: known }
  const id = alike.length === 1 ? shape!.id : known.length === 1 ? known[0]!.shape : undefined
  if (id === undefined) return { unclear: { words: text.trim(), nearest: alike.map((each) => each.id).slice(0, 5) } }
  const same = [...context.known].reverse().find((each) => each.shape === id)
  const toldColour = colour?.id ?? (same?.isColourless === false ? same.colour : undefined)
  const { told, used } = context.countOf(id)
  const isRest = /\b(?:other|others|rest|remaining|last)\b/.test(plain)
  const all = isPlural && count === undefined ? (isRest ? told - used : told || used) : 0
  return { pieces: [{ shape: id, colour: toldColour ?? 'ash', count: count ?? Math.max(1, all), isColourless: toldColour === undefined }] }
}

interface Referring {
  readonly count: number | undefined
  readonly isMore: boolean
  readonly colour: string | undefined
  readonly left: string
}

/** A phrase that names no kind: it refers back, or says nothing, or is not understood. */
function referring(plain: string, { count, isMore, colour, left }: Referring, { last }: Context): PhraseRead {
  const isSame = /\b(the )?same\b/.test(plain)
  const isOther = /\b(another|one more|more|those|these|of them|other one|the second one|the last one)\b/.test(plain)
  const strange = left.split(/[^a-z0-9-]+/).filter((word) => word.length > 2 && !FILLERS.has(word) && !(word in COUNTS))
  const refers =
    isSame ||
    isOther ||
    isMore ||
    ((count !== undefined || colour !== undefined) && strange.length === 0 && !/^(the |an? )?one$/.test(plain))
  if (refers && strange.length === 0) {
    if (!last) return count === undefined && colour === undefined ? undefined : { unclear: { words: plain, nearest: [] } }
    const toldColour = colour ?? (last.isColourless ? undefined : last.colour)
    return {
      pieces: [
        {
          shape: last.shape,
          colour: toldColour ?? 'ash',
          count: count ?? (isSame ? last.count : 1),
          isColourless: toldColour === undefined,
        },
      ],
    }
  }
  // A count of something nobody knows is a piece that was not understood; other words are talk.
  return count !== undefined && strange.length > 0 ? { unclear: { words: plain, nearest: [] } } : undefined
}

/** A count behind a piece, "x3", is meant before an article. */
function takeCountWords(text: string): { readonly count: number | undefined; readonly isMore: boolean; readonly left: string } {
  const after = /\s[x×]\s?(\d{1,4})$/.exec(text)
  if (!after || /\d$/.test(text.slice(0, after.index))) return takeNumber(text)
  return { ...takeNumber(text.slice(0, after.index)), count: Number(after[1]) }
}

function takeNumber(text: string): { readonly count: number | undefined; readonly isMore: boolean; readonly left: string } {
  const found =
    /(?:^|\s)(?:all\s+|the\s+|another\s+)?(\d{1,4}|[a-z]+)(?:\s+(pair|couple|dozen)(?:\s+of)?)?(\s+more)?(?:\s*[x×]\s+|\s+of\s+|\s+|$)/.exec(
      text,
    )
  const size = new RegExp(`^(?:the\\s+)?${SIZE}`, 'i').exec(text)
  if (!found || found.index > 0 || (size && !new RegExp(`\\s${SIZE}`, 'i').test(text.slice(size[0].length)) && !/^\d+\s+\d/.test(text)))
    return laterNumber(text)
  const word = found[1]!
  const number = /^\d+$/.test(word) ? Number(word) : COUNTS[word]
  if (number === undefined) return laterNumber(text)
  const times = found[2] === undefined ? 1 : COUNTS[found[2]]!
  return {
    count: number * times,
    isMore: found[3] !== undefined || word === 'another' || /^another\b/.test(text),
    left: ` ${text.slice(found[0].length)}`.trim(),
  }
}

/** "now put two plates", "plates x4": a number that does not stand first. */
function laterNumber(text: string): { readonly count: number | undefined; readonly isMore: boolean; readonly left: string } {
  const words = text.split(' ')
  const at = words.findIndex(
    (word, i) =>
      (word in COUNTS || /^\d{1,4}$/.test(word)) && !/^(by|x|×)$/.test(words[i + 1] ?? '') && !/^(by|x|×)$/.test(words[i - 1] ?? ''),
  )
  if (at < 0) {
    const after = /[x×]\s?(\d{1,4})$/.exec(text)
    return after && !/\d\s?[x×]\s?\d+$/.test(text)
      ? { count: Number(after[1]), isMore: false, left: text.slice(0, after.index).trim() }
      : { count: undefined, isMore: false, left: text }
  }
  const word = words[at]!
  const next = words[at + 1] ?? ''
  const times = /^(pair|couple|dozen)$/.test(next) ? COUNTS[next]! : 1
  const rest = [...words.slice(0, at), ...words.slice(at + (times > 1 ? 2 : 1))].filter((each) => each !== 'of').join(' ')
  const number = /^\d+$/.test(word) ? Number(word) : COUNTS[word]!
  return { count: number * times, isMore: next === 'more' || word === 'another', left: rest }
}

/** The words of a phrase that say what kind of piece it is: sizes, and words that name pieces. */
function kindWords(text: string, { catalogue }: Context): string {
  const known = pieceWords(catalogue.shapes)
  const sizes = text.match(new RegExp(SIZE, 'gi')) ?? []
  const words = text
    .replace(new RegExp(SIZE, 'gi'), ' ')
    .split(/[^a-z0-9-]+/)
    .filter((word) => word !== '' && (catalogue.shapes.has(word) || wordsOf(word).some((each) => known.has(each))))
  // Words such as "long" and "side" say something of a piece, and are none alone.
  const naming = words.filter((word) => !FILLERS.has(word))
  return naming.length === 0 && sizes.length === 0 ? '' : [...sizes, ...words].join(' ')
}

/** Of all that words could mean those that were spoken of in this section, or before: the latest of each shape. */
function fittingKnown(words: string, { known, catalogue }: Context): readonly ToldPiece[] {
  const asked = wordsOf(words.replace(new RegExp(SIZE, 'gi'), ' ')).filter((word) => !FILLERS.has(word))
  const size = new RegExp(SIZE, 'i').exec(words)?.[0].match(/\d+/g)?.map(Number)
  const entries = new Map(vocabularyOf(catalogue.shapes).map((entry) => [entry.shape.id, entry]))
  const found = known.filter(({ shape }) => {
    const { own, sizes } = entries.get(shape)!
    return asked.every((word) => own.has(word)) && (!size || sizes.includes(sizeKey(size)))
  })
  return [...new Map(found.map((piece) => [piece.shape, piece])).values()]
}
