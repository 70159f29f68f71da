import { expose } from 'comlink'
import { packBags, type BagPlan } from '@core/bags'
import type { ModelDocument } from '@core/model'
import { staysAlive } from './alive'
import { fromBytes, reportFrom, type Printed } from './plan-messages'

/** A model and its plan as bytes of JSON, and how it is to be packed. */
export interface BagOrder {
  readonly model: Uint8Array
  readonly printed: Uint8Array
  readonly pieces: number
  readonly booklets: number
}

const alive = staysAlive()

const api = {
  ready: (): Promise<boolean> => alive,
  pack: ({ model, printed, pieces, booklets }: BagOrder): BagPlan =>
    packBags(fromBytes<ModelDocument>(model), reportFrom(fromBytes<Printed>(printed)), { pieces, booklets }),
}

export type BagsApi = typeof api
expose(api)
