import { isByLength, USUAL_LENGTH_MM } from '../catalogue'
import { memo } from '../memo'
import { mirroredWork } from '../decal'
import { catalogueOf, partsOf, pieceCount, sectionUses, type ModelDocument, type Part, type PieceWork } from '../model'

/** How many of one piece: a shape in a colour, with what was done to it. */
export interface PieceCount {
  readonly shape: string
  readonly colour: string
  readonly count: number
  /** Of what is cut from a roll: mm. */
  readonly length?: number
  /** Work makes another piece of it. */
  readonly work?: readonly PieceWork[]
}

export interface ColourCount {
  readonly colour: string
  readonly count: number
}

/** The one counting function: adds up equal pieces and sorts them by shape, then colour. Pieces counted 0 are left out. */
export function tally(pieces: Iterable<PieceCount>): PieceCount[] {
  const sums = new Map<string, PieceCount & { count: number }>()
  for (const piece of pieces) {
    if (piece.count === 0) continue
    const key = pieceKey(piece)
    const known = sums.get(key)
    if (known) known.count += piece.count
    else sums.set(key, { ...piece })
  }
  return [...sums.values()].sort(
    (a, b) =>
      compare(a.shape, b.shape) ||
      compare(a.colour, b.colour) ||
      (a.length ?? 0) - (b.length ?? 0) ||
      compare(workKey(a.work), workKey(b.work)),
  )
}

const workKey = (work: readonly PieceWork[] = []): string =>
  work.map(({ kind, note = '', decal = '', face = '', at = '', turn = '' }) => [kind, note, decal, face, at, turn].join(':')).join('|')

/** The same text for pieces that a builder cannot tell apart. */
export const pieceKey = ({ shape, colour, length, work }: Omit<PieceCount, 'count'>): string =>
  length === undefined && (work === undefined || work.length === 0)
    ? `${shape}\n${colour}`
    : `${shape}\n${colour}\n${length ?? ''}\n${workKey(work)}`

/** "plate-1x10" stands after "plate-1x2": runs of digits compare as numbers. Not by locale: the order must be the same everywhere. */
function compare(a: string, b: string): number {
  const split = (text: string): string[] => text.split(/(\d+)/)
  const left = split(a)
  const right = split(b)
  for (let i = 0; i < Math.min(left.length, right.length); i++) {
    if (left[i] === right[i]) continue
    const difference = Number(left[i]) - Number(right[i])
    if (!Number.isNaN(difference) && difference !== 0) return difference
    return left[i]! < right[i]! ? -1 : 1
  }
  return left.length - right.length
}

export const total = (pieces: readonly PieceCount[]): number => pieces.reduce((sum, piece) => sum + piece.count, 0)

/** The piece that a part is, counted as often as it stands for. What is cut from a roll and tells no length has the usual one. */
function pieceOf(part: Part): PieceCount {
  const { shape, colour, work, length = isByLength(shape) ? USUAL_LENGTH_MM : undefined } = part
  const count = pieceCount(part)
  if (length === undefined && (work === undefined || work.length === 0)) return { shape, colour, count }
  return { shape, colour, count, ...(length === undefined ? {} : { length }), ...(work && work.length > 0 ? { work } : {}) }
}

/** The pieces of some parts of a section: a step's callout, or a section's tray. */
export const trayOf = (parts: Iterable<Part>): PieceCount[] => {
  const pieces: PieceCount[] = []
  for (const part of parts) pieces.push(pieceOf(part))
  return tally(pieces)
}

/** The same pieces for the mirror image: each shape's mirror twin, or itself where there is none, with its pictures on the other side. */
export function mirrorTray(model: ModelDocument, pieces: readonly PieceCount[]): PieceCount[] {
  const { shapes } = catalogueOf(model)
  return tally(
    pieces.map((piece) => {
      const mirror = shapes.get(piece.shape)?.mirror
      const { work, ...rest } = piece
      if (!mirror || !work) return { ...piece, shape: mirror?.twin ?? piece.shape }
      return { ...rest, shape: mirror.twin ?? piece.shape, work: work.map((each) => mirroredWork(each, mirror.reflection)) }
    }),
  )
}

const times = (pieces: readonly PieceCount[], factor: number): PieceCount[] =>
  pieces.map((piece) => ({ ...piece, count: piece.count * factor }))

/** Lists of parts are never changed in place: the tray of one is made once. */
const sectionTray = memo(trayOf)

/** Every piece of one whole model, copies and mirrored copies included. */
export function inventoryOf(model: ModelDocument): PieceCount[] {
  const uses = sectionUses(model)
  return tally(
    model.sections.flatMap((section) => {
      const own = sectionTray(partsOf(section))
      const use = uses.get(section.id)!
      return [...times(own, use.times), ...(use.mirrored === 0 ? [] : times(mirrorTray(model, own), use.mirrored))]
    }),
  )
}

/** How many pieces there are of each colour, most first. */
export function coloursOf(pieces: readonly PieceCount[]): ColourCount[] {
  const sums = new Map<string, number>()
  for (const { colour, count } of pieces) sums.set(colour, (sums.get(colour) ?? 0) + count)
  return [...sums].map(([colour, count]) => ({ colour, count })).sort((a, b) => b.count - a.count || compare(a.colour, b.colour))
}

/** A piece of a model with the parts that are one: in the order of the tray. */
export interface PieceParts {
  readonly piece: PieceCount
  readonly parts: readonly { readonly section: string; readonly part: string }[]
}

/** All pieces of the sections of a model, each section once, with the parts that are such a piece. */
export function partsByPiece(model: ModelDocument): PieceParts[] {
  const parts = new Map<string, { section: string; part: string }[]>()
  const pieces = model.sections.flatMap((section) =>
    partsOf(section).map((part) => {
      const key = pieceKey(part)
      const list = parts.get(key) ?? []
      list.push({ section: section.id, part: part.id })
      parts.set(key, list)
      return pieceOf(part)
    }),
  )
  return tally(pieces).map((piece) => ({ piece, parts: parts.get(pieceKey(piece))! }))
}
