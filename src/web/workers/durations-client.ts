import type { durationsOf, LogRun, ProofReport } from '@core/durations'
import type { ProofRun } from '@core/proof-build'
import { toBytes, type Printed } from '../../workers/plan-messages'
import type { DurationsApi } from '../../workers/durations.worker'
import { RequestTable, type MakeWorker } from './request-table'

const makeFitter: MakeWorker = (name) => new Worker(new URL('../../workers/durations.worker.ts', import.meta.url), { type: 'module', name })

/** Fits how long building takes to logs, in a worker of its own. */
export class DurationsClient {
  private readonly table: RequestTable<DurationsApi>

  constructor(make: MakeWorker = makeFitter) {
    this.table = new RequestTable('durations', make)
  }

  /** @throws Fault `stopped`, `worker-died` */
  fit(printed: Printed, runs: readonly LogRun[]): Promise<ReturnType<typeof durationsOf>> {
    return this.table.ask(async (remote): Promise<ReturnType<typeof durationsOf>> => remote.fit(toBytes(printed), [...runs]))
  }

  /** What a proof build shows. @param before those made earlier, oldest first @throws Fault `stopped`, `worker-died` */
  report(printed: Printed, run: ProofRun, before: readonly ProofRun[]): Promise<ProofReport> {
    const [one, others] = JSON.parse(JSON.stringify([run, before])) as [ProofRun, ProofRun[]]
    return this.table.ask(async (remote): Promise<ProofReport> => remote.report(toBytes(printed), one, others))
  }

  close(): void {
    this.table.close()
  }
}
