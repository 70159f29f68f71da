import { proxy } from 'comlink'
import { faultFrom } from '@core/fault'
import type { ModelDocument } from '@core/model'
import type { Progress } from '@core/pipeline'
import type { Suggestion } from '@core/suggestions'
import { fromBytes, toBytes, type ModelState } from '../../workers/plan-messages'
import type { CutAnswer, SectionsApi, SuggestionsAnswer } from '../../workers/sections.worker'
import { RequestTable, type MakeWorker } from './request-table'

const makeFinder: MakeWorker = (name) => new Worker(new URL('../../workers/sections.worker.ts', import.meta.url), { type: 'module', name })

/** Finds what could be made sections, in a worker of its own. */
export class SectionsClient {
  private readonly table: RequestTable<SectionsApi>

  constructor(make: MakeWorker = makeFinder) {
    this.table = new RequestTable('sections', make)
  }

  /** @throws Fault, `stopped` */
  async suggest(state: ModelState, progress: Progress): Promise<readonly Suggestion[]> {
    const answer = await this.table.ask(async (remote): Promise<SuggestionsAnswer> => remote.suggest(toBytes(state), proxy(progress)))
    if ('fault' in answer) throw faultFrom(answer.fault)
    return answer.suggestions
  }

  /** The model with the best suggestions taken. @throws Fault, `stopped` */
  async cut(state: ModelState, progress: Progress): Promise<{ readonly model: ModelDocument; readonly taken: number }> {
    const answer = await this.table.ask(async (remote): Promise<CutAnswer> => remote.cut(toBytes(state), proxy(progress)))
    if ('fault' in answer) throw faultFrom(answer.fault)
    return { model: fromBytes<ModelDocument>(answer.model), taken: answer.taken }
  }

  stop(): void {
    this.table.stop()
  }

  close(): void {
    this.table.close()
  }
}
