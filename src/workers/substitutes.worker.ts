import { expose } from 'comlink'
import { findSubstitutes, takeSubstitute, type DeskPiece, type OfferBook, type Substitute } from '@core/desk'
import type { ModelDocument } from '@core/model'
import { staysAlive } from './alive'
import { fromBytes, toBytes } from './plan-messages'

export interface SubstitutesOrder {
  /** The document of a version, as bytes of JSON. */
  readonly model: Uint8Array<ArrayBuffer>
  readonly missing: readonly DeskPiece[]
  readonly spare: readonly DeskPiece[]
  readonly offers: OfferBook | null
}

const alive = staysAlive()

const api = {
  ready: (): Promise<boolean> => alive,
  find: ({ model, missing, spare, offers }: SubstitutesOrder): Substitute[] =>
    findSubstitutes(fromBytes<ModelDocument>(model), missing, { spare, offers: offers ?? undefined, how: 'near' }),
  /** The whole document with a substitute in place of what is missing, as bytes of JSON. */
  take: (model: Uint8Array, substitute: Substitute): Uint8Array<ArrayBuffer> =>
    toBytes(takeSubstitute(fromBytes<ModelDocument>(model), substitute)),
}

export type SubstitutesApi = typeof api
expose(api)
