import type { Substitute } from '@core/desk'
import type { ModelDocument } from '@core/model'
import { fromBytes, toBytes } from '../../workers/plan-messages'
import type { SubstitutesApi, SubstitutesOrder } from '../../workers/substitutes.worker'
import { RequestTable, type MakeWorker } from './request-table'

const makeFinder: MakeWorker = (name) =>
  new Worker(new URL('../../workers/substitutes.worker.ts', import.meta.url), { type: 'module', name })

/** Looks for what could stand in for missing pieces, in a worker of its own: each is tried by planning. */
export class SubstitutesClient {
  private readonly table: RequestTable<SubstitutesApi>

  constructor(make: MakeWorker = makeFinder) {
    this.table = new RequestTable('substitutes', make)
  }

  /** @throws Fault `stopped`, `worker-died` */
  find(order: SubstitutesOrder): Promise<Substitute[]> {
    return this.table.ask(async (remote): Promise<Substitute[]> => remote.find(order))
  }

  /** The document with a substitute in it; an equal one where nothing of the piece stands in it. @throws Fault `stopped`, `worker-died` */
  async take(model: ModelDocument, substitute: Substitute): Promise<ModelDocument> {
    return fromBytes<ModelDocument>(await this.table.ask((remote) => remote.take(toBytes(model), substitute)))
  }

  stop(): void {
    this.table.stop()
  }

  close(): void {
    this.table.close()
  }
}
