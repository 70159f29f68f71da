import { expose } from 'comlink'
import wasmUrl from 'highs/runtime?url'
import { purchase, type DeskPiece, type Kit, type OfferBook, type Purchase } from '@core/desk'
import { loadSolver } from '../solver/highs-solver'
import { staysAlive } from './alive'

export interface PurchaseOrder {
  readonly missing: readonly DeskPiece[]
  readonly offers: OfferBook
  readonly kits: readonly Kit[]
  readonly seconds: number
}

const alive = staysAlive()

const api = {
  ready: (): Promise<boolean> => alive,
  /** @param onBetter told the least total found and the bound */
  async purchase({ missing, offers, kits, seconds }: PurchaseOrder, onBetter: (total: number, bound: number) => void): Promise<Purchase> {
    const solve = await loadSolver(wasmUrl)
    let told = ''
    return purchase(missing, offers, kits, {
      solve,
      seconds,
      onProgress(total, bound) {
        if (`${total} ${bound}` !== told) onBetter(total, bound)
        told = `${total} ${bound}`
        return false
      },
    })
  },
}

export type PurchaseApi = typeof api
expose(api)
