import { proxy } from 'comlink'
import { faultFrom } from '@core/fault'
import type { CellPicture, Filled, Sign, SignOptions } from '@core/fill'
import type { FillApi, FillOrder, SignAnswer } from '../../workers/fill.worker'
import { RequestTable, type MakeWorker } from './request-table'

const makeFiller: MakeWorker = (name) => new Worker(new URL('../../workers/fill.worker.ts', import.meta.url), { type: 'module', name })

/** Fills areas and makes signs, in a worker of its own. */
export class FillClient {
  private readonly table: RequestTable<FillApi>

  constructor(make: MakeWorker = makeFiller) {
    this.table = new RequestTable('fill', make)
  }

  /** @throws Fault `stopped`, `worker-died` */
  fill(order: FillOrder, onBetter: (pieces: number, bound: number) => void): Promise<Filled> {
    return this.table.ask(async (remote): Promise<Filled> => remote.fill(order, proxy(onBetter)))
  }

  /** @throws Fault what a sign is refused for, `stopped` */
  async sign(picture: CellPicture, options: SignOptions): Promise<Sign> {
    const answer = await this.table.ask(async (remote): Promise<SignAnswer> => remote.sign(picture, options))
    if ('fault' in answer) throw faultFrom(answer.fault)
    return answer
  }

  stop(): void {
    this.table.stop()
  }

  close(): void {
    this.table.close()
  }
}
