import { proxy, wrap, type Remote } from 'comlink'
import { Fault, type PlainFault } from '@core/fault'
import type { ModelDocument } from '@core/model'
import type { Proof } from '@core/plan'
import type { Comparison, PlanAnswer, PlannerApi, PlanSettings, ReadAnswer } from '../../workers/planner.worker'

/** The planner in a worker. Stopping ends the worker and starts a fresh one. */
export class PlannerClient {
  private worker!: Worker
  private remote!: Remote<PlannerApi>
  private stopWaiting: ((reason: Fault) => void) | undefined

  constructor() {
    this.start()
  }

  private start(): void {
    this.worker = new Worker(new URL('../../workers/planner.worker.ts', import.meta.url), { type: 'module' })
    this.remote = wrap<PlannerApi>(this.worker)
  }

  /** @throws Fault `stopped` when `stop` is called meanwhile */
  plan(model: ModelDocument, settings: PlanSettings, progress: (fraction: number) => void): Promise<PlanAnswer> {
    const stopped = new Promise<never>((_, reject) => {
      this.stopWaiting = reject
    })
    return Promise.race([this.remote.plan(model, settings, proxy(progress)), stopped])
  }

  prove(section: string, step: number): Promise<Proof[]> {
    return this.remote.prove(section, step)
  }

  compare(model: ModelDocument, settings: PlanSettings): Promise<Comparison[]> {
    return this.remote.compare(model, settings)
  }

  /** @throws Fault what the reader refuses */
  async read(text: string, name: string, isTable: boolean): Promise<ModelDocument> {
    return unwrap(await this.remote.read(text, name, isTable))
  }

  stop(): void {
    this.worker.terminate()
    this.start()
    this.stopWaiting?.(new Fault('stopped', 'Planning was stopped.'))
  }

  close(): void {
    this.worker.terminate()
  }
}

function unwrap(answer: ReadAnswer): ModelDocument {
  if ('model' in answer) return answer.model
  throw faultFrom(answer.fault)
}

export function faultFrom(plain: PlainFault): Fault {
  return new Fault(plain.code, plain.message, {
    ...(plain.place === undefined ? {} : { place: plain.place }),
    ...(plain.wayOut === undefined ? {} : { wayOut: plain.wayOut }),
  })
}
