import { expose } from 'comlink'
import { findSubstitutes, type DeskPiece, type OfferBook, type Substitute } from '@core/desk'
import type { ModelDocument } from '@core/model'
import { staysAlive } from './alive'
import { fromBytes } from './plan-messages'

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
}

export type SubstitutesApi = typeof api
expose(api)
