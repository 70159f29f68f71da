import { expose } from 'comlink'
import wasmUrl from 'highs/runtime?url'
import {
  cheapestChange,
  offersAllowed,
  purchaseBy,
  type BuyingChoice,
  type ColourChange,
  type DeskPiece,
  type Kit,
  type OfferBook,
  type Purchase,
} from '@core/desk'
import { loadSolver } from '../solver/highs-solver'
import { staysAlive } from './alive'

export interface PurchaseOrder {
  readonly missing: readonly DeskPiece[]
  readonly offers: OfferBook
  readonly kits: readonly Kit[]
  readonly seconds: number
  readonly choice: BuyingChoice
}

/** What to buy, and which colour would make it cheaper. */
export interface PurchaseAnswer {
  readonly purchase: Purchase
  readonly change?: ColourChange
}

const alive = staysAlive()

const api = {
  ready: (): Promise<boolean> => alive,
  /** @param onBetter told the least total found and the bound */
  async purchase(
    { missing, offers, kits, seconds, choice }: PurchaseOrder,
    onBetter: (total: number, bound: number) => void,
  ): Promise<PurchaseAnswer> {
    const solve = await loadSolver(wasmUrl)
    let told = ''
    const found = purchaseBy(choice, missing, offers, kits, {
      solve,
      seconds,
      onProgress(total, bound) {
        if (`${total} ${bound}` !== told) onBetter(total, bound)
        told = `${total} ${bound}`
        return false
      },
    })
    const change = cheapestChange(found, missing, offersAllowed(offers, choice), kits)
    return { purchase: found, ...(change ? { change } : {}) }
  },
}

export type PurchaseApi = typeof api
expose(api)
