import type { Catalogue } from '../catalogue'
import { memo } from '../memo'
import { catalogueOf, copiesOf, partsOf, sectionsById, type ModelDocument, type Part, type Section } from '../model'
import { listInWords } from '../words'

/** A section that is another but for some pieces: one of several copies that differs has become it. */
export interface NearCopy {
  /** The section that it is like. */
  readonly of: string
  /** Parts of its own that are otherwise there. */
  readonly changed: ReadonlySet<string>
  /** A phrase for each kind of difference: "2 of Plate 1 × 4 in Blue instead of Slate", "without Tile 1 × 1 in Red". */
  readonly words: readonly string[]
}

/** More differences than this share of the parts, and it is told as a section of its own. */
const MOST_OTHERWISE = 0.34

/** Every section that is nearly another, by its id. Such sections bear the id of the one they are like with a number behind it. */
export const nearCopies = memo((model: ModelDocument): ReadonlyMap<string, NearCopy> => {
  const sections = sectionsById(model)
  const catalogue = catalogueOf(model)
  return new Map(
    model.sections.flatMap((section): [string, NearCopy][] => {
      const of = /^(.*)-\d+$/.exec(section.id)?.[1]
      const base = of === undefined ? undefined : sections.get(of)
      const near = base && compare(base, section, catalogue)
      return near ? [[section.id, near]] : []
    }),
  )
})

function compare(base: Section, section: Section, catalogue: Catalogue): NearCopy | undefined {
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
  const words = [
    ...counted(changed.map((part) => insteadWords(before.get(part.id)!, part, catalogue))),
    ...counted(gone.map((part) => pieceWords(part, catalogue))).map((each) => `without ${each}`),
  ]
  return { of: base.id, changed: new Set(changed.map(({ id }) => id)), words }
}

const isSamePiece = (a: Part, b: Part): boolean => a.shape === b.shape && a.colour === b.colour && a.length === b.length

const isSamePlace = (a: Part | undefined, b: Part): boolean =>
  a !== undefined && a.turn === b.turn && a.at?.join() === b.at?.join() && a.count === b.count

const shapeTitle = ({ shape }: Part, { shapes }: Catalogue): string => shapes.get(shape)?.title ?? shape
const colourName = ({ colour }: Part, { colours }: Catalogue): string => colours.get(colour)?.name ?? colour
const pieceWords = (part: Part, catalogue: Catalogue): string => `${shapeTitle(part, catalogue)} in ${colourName(part, catalogue)}`

const insteadWords = (was: Part, is: Part, catalogue: Catalogue): string =>
  `${pieceWords(is, catalogue)} instead of ${was.shape === is.shape ? colourName(was, catalogue) : pieceWords(was, catalogue)}`

/** Each phrase once, with how often it came. */
function counted(phrases: readonly string[]): string[] {
  const counts = new Map<string, number>()
  for (const phrase of phrases) counts.set(phrase, (counts.get(phrase) ?? 0) + 1)
  return [...counts].map(([phrase, count]) => (count === 1 ? phrase : `${count} of ${phrase}`))
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
export function likenessWords(model: ModelDocument, id: string, built: ReadonlyMap<string, TimesBuilt>): string[] {
  const near = nearCopies(model)
  const own = near.get(id)
  const base = own && built.get(own.of)
  if (own && base) return [`As section ${base.letter}, but on this one: ${listInWords(own.words)}.`]
  const others = [...near].flatMap(([other, { of, words }]) => {
    const there = of === id ? built.get(other) : undefined
    return there && there.times > 0 ? [{ ...there, words }] : []
  })
  const here = built.get(id)
  if (others.length === 0 || !here) return []
  const all = here.times + others.reduce((sum, { times }) => sum + times, 0)
  const each = others.map(
    ({ times, letter, words }) => `on ${times === 1 ? 'one of them' : `${times} of them`}, section ${letter}, ${listInWords(words)}`,
  )
  return [`Build ${all} in all, ${here.times} as here; ${each.join('; ')}.`]
}
