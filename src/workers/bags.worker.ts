import { expose } from 'comlink'
import { moveWork, packBags, type BagPlan, type MovedWork, type WorkMove } from '@core/bags'
import type { BagBegin, BagWeights, ModelDocument } from '@core/model'
import { staysAlive } from './alive'
import { fromBytes, reportFrom, type Printed } from './plan-messages'

/** A model and its plan as bytes of JSON, and how it is to be packed. */
export interface BagOrder {
  readonly model: Uint8Array
  readonly printed: Uint8Array
  readonly pieces: number
  readonly booklets: number
  readonly begins: readonly BagBegin[]
  readonly weights: Partial<BagWeights>
}

const alive = staysAlive()

const api = {
  ready: (): Promise<boolean> => alive,
  pack: ({ model, printed, ...options }: BagOrder): BagPlan =>
    packBags(fromBytes<ModelDocument>(model), reportFrom(fromBytes<Printed>(printed)), options),
  move: ({ model, printed, ...options }: BagOrder, move: WorkMove): MovedWork =>
    moveWork(fromBytes<ModelDocument>(model), reportFrom(fromBytes<Printed>(printed)), options, move),
}

export type BagsApi = typeof api
expose(api)
