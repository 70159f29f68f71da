import type { BagPlan, MovedWork, WorkMove } from '@core/bags'
import type { BagOrder, BagsApi } from '../../workers/bags.worker'
import { RequestTable, type MakeWorker } from './request-table'

const makePacker: MakeWorker = (name) => new Worker(new URL('../../workers/bags.worker.ts', import.meta.url), { type: 'module', name })

/** Packs bags in a worker of its own. */
export class BagsClient {
  private readonly table: RequestTable<BagsApi>

  constructor(make: MakeWorker = makePacker) {
    this.table = new RequestTable('bags', make)
  }

  /** @throws Fault `stopped`, `worker-died` */
  pack(order: BagOrder): Promise<BagPlan> {
    return this.table.ask(async (remote): Promise<BagPlan> => remote.pack(order))
  }

  /** Where bags begin after work went to a neighbour. @throws Fault `stopped`, `worker-died` */
  move(order: BagOrder, move: WorkMove): Promise<MovedWork> {
    return this.table.ask(async (remote): Promise<MovedWork> => remote.move(order, move))
  }

  stop(): void {
    this.table.stop()
  }

  close(): void {
    this.table.close()
  }
}
