import { faultFrom } from '@core/fault'
import type { ReadAnswer } from '../../workers/plan-messages'
import type { ReaderApi } from '../../workers/reader.worker'
import { RequestTable, type MakeWorker } from './request-table'

export interface ReadModel {
  readonly name: string
  /** The state as bytes of JSON, as it is stored. */
  readonly bytes: Uint8Array<ArrayBuffer>
}

const makeReader: MakeWorker = (name) => new Worker(new URL('../../workers/reader.worker.ts', import.meta.url), { type: 'module', name })

/** Reads files in a worker of its own, so that neither a plan nor its stop touches a file that is being brought in. */
export class ReaderClient {
  private readonly table: RequestTable<ReaderApi>
  private reading = 0

  constructor(make: MakeWorker = makeReader) {
    this.table = new RequestTable('reader', make)
  }

  /** @throws Fault what the reader refuses, `stopped`, `worker-died` */
  async read(file: File): Promise<ReadModel> {
    this.reading++
    try {
      const bytes = new Uint8Array(await file.arrayBuffer())
      const answer = await this.table.ask(async (remote): Promise<ReadAnswer> => remote.read(bytes, file.name))
      if ('fault' in answer) throw faultFrom(answer.fault)
      return answer
    } finally {
      // Files are read seldom, and a worker that waits holds tens of megabytes.
      if (--this.reading === 0) this.table.stop()
    }
  }

  stop(): void {
    this.table.stop()
  }

  close(): void {
    this.table.close()
  }
}
