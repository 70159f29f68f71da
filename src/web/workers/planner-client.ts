import type { Progress } from '@core/pipeline'
import { proxy } from 'comlink'
import type { PlanWorth } from '@core/pipeline'
import type { Change } from '@core/change'
import { faultFrom } from '@core/fault'
import type { Proof } from '@core/plan'
import type { PlannerApi } from '../../workers/planner.worker'
import type { Comparison, FoundOrder, OpenAnswer, PictureReading, PlanAnswer, PlanRequest } from '../../workers/plan-messages'
import { RequestTable, type MakeWorker } from './request-table'

/** What a session asks of a planner; tests give it another. */
export interface PlannerLike {
  /** @returns the printed report as bytes. @throws Fault */
  open(version: number, state: Uint8Array, progress: Progress): Promise<Uint8Array>
  /** @returns what changes in the report. @throws Fault */
  change(request: PlanRequest, progress: Progress): Promise<Change | undefined>
  printed(version: number): Promise<Uint8Array<ArrayBuffer> | undefined>
  prove(section: string, step: number): Promise<Proof[]>
  compare(state: Uint8Array, progress: Progress): Promise<Comparison[]>
  better(state: Uint8Array, now: PlanWorth, progress: Progress): Promise<FoundOrder | undefined>
  stop(): void
  close(): void
}

const makePlanner: MakeWorker = (name) => new Worker(new URL('../../workers/planner.worker.ts', import.meta.url), { type: 'module', name })

/** The planner in a worker. */
export class PlannerClient implements PlannerLike {
  private readonly table: RequestTable<PlannerApi>

  constructor(make: MakeWorker = makePlanner) {
    this.table = new RequestTable('planner', make)
  }

  async open(version: number, state: Uint8Array, progress: Progress): Promise<Uint8Array> {
    const answer = await this.table.ask(async (remote): Promise<OpenAnswer> => remote.open(version, state, proxy(progress)))
    if ('fault' in answer) throw faultFrom(answer.fault)
    return answer.printed
  }

  async change(request: PlanRequest, progress: Progress): Promise<Change | undefined> {
    const answer = await this.table.ask(async (remote): Promise<PlanAnswer> => remote.change(request, proxy(progress)))
    if ('fault' in answer) throw faultFrom(answer.fault)
    return answer.change
  }

  printed = (version: number): Promise<Uint8Array<ArrayBuffer> | undefined> => this.table.ask((remote) => remote.printed(version))
  prove = (section: string, step: number): Promise<Proof[]> => this.table.ask((remote) => remote.prove(section, step))
  compare = (state: Uint8Array, progress: Progress): Promise<Comparison[]> =>
    this.table.ask((remote) => remote.compare(state, proxy(progress)))
  read = (state: Uint8Array, progress: Progress): Promise<PictureReading> => this.table.ask((remote) => remote.read(state, proxy(progress)))
  better = (state: Uint8Array, now: PlanWorth, progress: Progress): Promise<FoundOrder | undefined> =>
    this.table.ask((remote) => remote.better(state, now, proxy(progress)))

  stop(): void {
    this.table.stop()
  }

  close(): void {
    this.table.close()
  }
}
