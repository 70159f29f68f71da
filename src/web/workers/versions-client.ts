import { proxy } from 'comlink'
import { faultFrom } from '@core/fault'
import type { Progress } from '@core/pipeline'
import { toBytes, type ModelState } from '../../workers/plan-messages'
import type { PlannedVersions, VersionsAnswer, VersionsApi } from '../../workers/versions.worker'
import { RequestTable, type MakeWorker } from './request-table'

const makePlanner: MakeWorker = (name) => new Worker(new URL('../../workers/versions.worker.ts', import.meta.url), { type: 'module', name })

/** Plans the versions that stand in a booklet beside the one that is shown, in a worker of its own. */
export class VersionsClient {
  private readonly table: RequestTable<VersionsApi>

  constructor(make: MakeWorker = makePlanner) {
    this.table = new RequestTable('versions', make)
  }

  /** @throws Fault, `stopped` */
  async plan(asked: ModelState, progress: Progress): Promise<PlannedVersions> {
    const state = toBytes(asked)
    const answer = await this.table.ask(async (remote): Promise<VersionsAnswer> => remote.plan(state, proxy(progress)))
    if ('fault' in answer) throw faultFrom(answer.fault)
    return answer.planned
  }

  /** How many steps each version takes. @param ids of variants; empty: as the options say @throws Fault, `stopped` */
  count(asked: ModelState, ids: readonly string[]): Promise<number[]> {
    const state = toBytes(asked)
    return this.table.ask((remote): Promise<number[]> => remote.count(state, [...ids]))
  }

  stop(): void {
    this.table.stop()
  }

  close(): void {
    this.table.close()
  }
}
