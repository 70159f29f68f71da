import { tally, type PieceCount } from '../count'
import type { PieceWork } from '../model'

export { ANY_COLOUR } from '../model'

/** A kind of piece and how many, as the desk's files and answers write it. */
export interface DeskPiece {
  readonly shape: string
  /** An id, or `any` in what is needed. */
  readonly colour: string
  readonly count: number
  /** Of what is cut from a roll: mm. */
  readonly lengthMm?: number
  readonly work?: readonly PieceWork[]
}

export const deskPiece = ({ length, ...piece }: PieceCount): DeskPiece => (length === undefined ? piece : { ...piece, lengthMm: length })
const countedPiece = ({ lengthMm, ...piece }: DeskPiece): PieceCount => (lengthMm === undefined ? piece : { ...piece, length: lengthMm })

/** Equal pieces added up, by shape and colour; none of which there are 0. */
export const tallyPieces = (pieces: Iterable<DeskPiece>): DeskPiece[] => tally([...pieces].map(countedPiece)).map(deskPiece)

/** How many pieces in all. */
export const piecesIn = (pieces: readonly DeskPiece[]): number => pieces.reduce((sum, { count }) => sum + count, 0)

const isWorked = (piece: Omit<DeskPiece, 'count'>): boolean => piece.work !== undefined && piece.work.length > 0
export const workText = (piece: Omit<DeskPiece, 'count'>): string => (isWorked(piece) ? JSON.stringify(piece.work) : '')

/** The same text for pieces of which each does for the other. */
export const deskKey = (piece: Omit<DeskPiece, 'count'>): string =>
  `${piece.shape}\n${piece.colour}\n${piece.lengthMm ?? ''}\n${workText(piece)}`

/** A piece without how many. */
export function kindOf({ shape, colour, lengthMm, work }: DeskPiece): Omit<DeskPiece, 'count'> {
  return { shape, colour, ...(lengthMm === undefined ? {} : { lengthMm }), ...(work && work.length > 0 ? { work } : {}) }
}
