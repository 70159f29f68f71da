import { catalogueIn, type Catalogue } from '../catalogue'
import { ENGLISH, type Words } from '../language'
import { memo } from '../memo'
import { catalogueOf, copiesOf, partsOf, sectionsById, type ModelDocument, type Part, type Section } from '../model'

/** A section that is another but for some pieces: one of several copies that differs has become it. */
export interface NearCopy {
  /** The section that it is like. */
  readonly of: string
  /** Parts of its own that are otherwise there. */
  readonly changed: ReadonlySet<string>
  /** What it has instead of what, where a part differs; what it lacks. */
  readonly differences: readonly PieceDifference[]
}

/** A part of a section that is another, or nothing, in one that is like it. */
interface PieceDifference {
  readonly was: Part
  readonly is: Part | undefined
}

/** More differences than this share of the parts, and it is told as a section of its own. */
const MOST_OTHERWISE = 0.34

/** Every section that is nearly another, by its id. Such sections bear the id of the one they are like with a number behind it. */
export const nearCopies = memo((model: ModelDocument): ReadonlyMap<string, NearCopy> => {
  const sections = sectionsById(model)
  return new Map(
    model.sections.flatMap((section): [string, NearCopy][] => {
      const of = /^(.*)-\d+$/.exec(section.id)?.[1]
      const base = of === undefined ? undefined : sections.get(of)
      const near = base && compare(base, section)
      return near ? [[section.id, near]] : []
    }),
  )
})

function compare(base: Section, section: Section): NearCopy | undefined {
  const before = new Map(partsOf(base).map((part) => [part.id, part]))
  const here = new Set(partsOf(section).map(({ id }) => id))
  if (JSON.stringify(copiesOf(base)) !== JSON.stringify(copiesOf(section))) return undefined
  const gone = partsOf(base).filter(({ id }) => !here.has(id))
  const changed = partsOf(section).filter((part) => {
    const was = before.get(part.id)
    return was === undefined || !isSamePiece(was, part)
  })
  // What stands elsewhere, or was not there, makes it another section.
  if (changed.some((part) => !isSamePlace(before.get(part.id), part))) return undefined
  const count = gone.length + changed.length
  if (count === 0 || count > MOST_OTHERWISE * before.size) return undefined
  const differences = [
    ...changed.map((part): PieceDifference => ({ was: before.get(part.id)!, is: part })),
    ...gone.map((part): PieceDifference => ({ was: part, is: undefined })),
  ]
  return { of: base.id, changed: new Set(changed.map(({ id }) => id)), differences }
}

const isSamePiece = (a: Part, b: Part): boolean => a.shape === b.shape && a.colour === b.colour && a.length === b.length

const isSamePlace = (a: Part | undefined, b: Part): boolean =>
  a !== undefined && a.turn === b.turn && a.at?.join() === b.at?.join() && a.count === b.count

/** A phrase for each kind of difference: "2 of Plate 1 × 4 in Blue instead of Slate", "without Tile 1 × 1 in Red". */
export function differenceWords({ differences }: NearCopy, catalogue: Catalogue, words: Words): string[] {
  const { shapes, colours } = catalogueIn(catalogue, words)
  const colour = (part: Part): string => colours.get(part.colour)?.name ?? part.colour
  const piece = (part: Part): string =>
    words.say('piece.inColour', { piece: shapes.get(part.shape)?.title ?? part.shape, colour: colour(part) })
  const phrases = differences.map(({ was, is }) => {
    if (!is) return words.say('likeness.without', { piece: piece(was) })
    return words.say('likeness.instead', { is: piece(is), was: was.shape === is.shape ? colour(was) : piece(was) })
  })
  return counted(phrases, words)
}

/** Each phrase once, with how often it came. */
function counted(phrases: readonly string[], { say }: Words): string[] {
  const counts = new Map<string, number>()
  for (const phrase of phrases) counts.set(phrase, (counts.get(phrase) ?? 0) + 1)
  return [...counts].map(([phrase, n]) => (n === 1 ? phrase : say('likeness.counted', { phrase, n })))
}

export interface TimesBuilt {
  readonly letter: string
  /** How often it is built, mirror images with it. */
  readonly times: number
}

/**
 * What the pieces of a section are told with where others are like it: "Build 4 in all: 3 as here, 1 as section C (Plate 1 × 4 in Blue instead of Slate)".
 * @param built the sections that are built, by id
 */
export function likenessWords(model: ModelDocument, id: string, built: ReadonlyMap<string, TimesBuilt>, words: Words = ENGLISH): string[] {
  const { say, count } = words
  const near = nearCopies(model)
  const own = near.get(id)
  const base = own && built.get(own.of)
  const told = (copy: NearCopy): string => words.list(differenceWords(copy, catalogueOf(model), words))
  if (own && base) return [say('likeness.base', { letter: base.letter, words: told(own) })]
  const others = [...near].flatMap(([other, copy]) => {
    const there = copy.of === id ? built.get(other) : undefined
    return there && there.times > 0 ? [{ ...there, copy }] : []
  })
  const here = built.get(id)
  if (others.length === 0 || !here) return []
  const all = here.times + others.reduce((sum, { times }) => sum + times, 0)
  const each = others.map(({ times, letter, copy }) => count('likeness.other', times, { letter, words: told(copy) }))
  return [say('likeness.all', { all, times: here.times, others: each.join('; ') })]
}
