import { isByLength, type Catalogue } from '../catalogue'
import { plural } from '../words'
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
export const cutLines = (pieces: readonly PieceCount[], { shapes, colours }: Catalogue): string[] =>
  cutLists(pieces).map(({ shape, colour, cuts, total }) => {
    const named = `${shapes.get(shape)?.title ?? shape}, ${(colours.get(colour)?.name ?? colour).toLowerCase()}`
    const words = cuts.map(({ length, count }, i) => `${i === 0 ? plural(count, 'piece') : String(count)} of ${mm(length)} mm`)
    return `${named}: ${words.join(', ')}; ${mm(total)} mm in all.`
  })

const mm = (length: number): string => String(Number(length.toFixed(1)))
