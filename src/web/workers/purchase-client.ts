import { proxy } from 'comlink'
import type { PurchaseAnswer, PurchaseApi, PurchaseOrder } from '../../workers/purchase.worker'
import { RequestTable, type MakeWorker } from './request-table'

const makeBuyer: MakeWorker = (name) => new Worker(new URL('../../workers/purchase.worker.ts', import.meta.url), { type: 'module', name })

/** Looks for the cheapest purchase in a worker of its own. */
export class PurchaseClient {
  private readonly table: RequestTable<PurchaseApi>

  constructor(make: MakeWorker = makeBuyer) {
    this.table = new RequestTable('purchase', make)
  }

  /** @throws Fault `stopped`, `worker-died` */
  purchase(order: PurchaseOrder, onBetter: (total: number, bound: number) => void): Promise<PurchaseAnswer> {
    return this.table.ask(async (remote): Promise<PurchaseAnswer> => remote.purchase(order, proxy(onBetter)))
  }

  stop(): void {
    this.table.stop()
  }

  close(): void {
    this.table.close()
  }
}
