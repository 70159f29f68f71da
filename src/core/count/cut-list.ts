import { ENGLISH, type Words } from '../language'
import { isByLength, type Catalogue } from '../catalogue'
import { type PieceCount } from './count'

/** What is cut from one roll: how often which length, the longest first, and how much in all. */
export interface CutList {
  readonly shape: string
  readonly colour: string
  readonly cuts: readonly { readonly length: number; readonly count: number }[]
  /** mm, without what the blade takes. */
  readonly total: number
}

/** The cut lists of all pieces that are cut to a length, in the order of the inventory. */
export function cutLists(pieces: readonly PieceCount[]): CutList[] {
  const lists = new Map<string, { shape: string; colour: string; cuts: Map<number, number> }>()
  for (const { shape, colour, length, count } of pieces) {
    if (!isByLength(shape) || length === undefined) continue
    const key = `${shape}\n${colour}`
    const list = lists.get(key) ?? { shape, colour, cuts: new Map<number, number>() }
    list.cuts.set(length, (list.cuts.get(length) ?? 0) + count)
    lists.set(key, list)
  }
  return [...lists.values()].map(({ shape, colour, cuts }) => ({
    shape,
    colour,
    cuts: [...cuts].map(([length, count]) => ({ length, count })).sort((a, b) => b.length - a.length),
    total: [...cuts].reduce((sum, [length, count]) => sum + length * count, 0),
  }))
}

/** "Tube, black: 2 pieces of 80 mm, 4 of 50 mm; 360 mm in all." A line for each roll. */
export const cutLines = (pieces: readonly PieceCount[], { shapes, colours }: Catalogue, words: Words = ENGLISH): string[] =>
  cutLists(pieces).map(({ shape, colour, cuts, total }) => {
    const piece = `${shapes.get(shape)?.title ?? shape}, ${words.within(colours.get(colour)?.name ?? colour)}`
    const mm = (length: number): string => words.number(Number(length.toFixed(1)))
    const each = cuts.map(({ length, count }, i) => words.count(i === 0 ? 'cut.first' : 'cut.next', count, { length: mm(length) }))
    return words.say('cut.line', { piece, cuts: each.join(', '), total: mm(total) })
  })
