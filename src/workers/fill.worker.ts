import { expose } from 'comlink'
import { plainFault, type PlainFault } from '@core/fault'
import {
  fillArea,
  makeSign,
  type CoverPiece,
  type FillArea,
  type Filled,
  type FillPattern,
  type CellPicture,
  type Seams,
  type Sign,
  type SignOptions,
} from '@core/fill'
import { staysAlive } from './alive'

/** An area to be filled, and with what. */
export interface FillOrder {
  readonly area: FillArea
  readonly pieces: readonly CoverPiece[]
  readonly pattern: FillPattern
  readonly seams: Seams
}

export type SignAnswer = Sign | { readonly fault: PlainFault }

const alive = staysAlive()

const api = {
  ready: (): Promise<boolean> => alive,
  /** @param onBetter told how many pieces the best so far takes */
  fill({ area, pieces, pattern, seams }: FillOrder, onBetter: (pieces: number, bound: number) => void): Filled {
    return fillArea(area, pieces, pattern, { seams, onBetter: ({ places, bound }) => onBetter(places.length, bound) })
  },
  sign(picture: CellPicture, options: SignOptions): SignAnswer {
    try {
      return makeSign(picture, options)
    } catch (thrown) {
      return { fault: plainFault(thrown) }
    }
  },
}

export type FillApi = typeof api
expose(api)
