import { proxy, type Remote } from 'comlink'
import { faultFrom } from '@core/fault'
import type { Progress } from '@core/pipeline'
import type { BackupAnswer, BackupOrder, BackupPreview, ReadAnswer, ReadChoices, ReadPreview } from '../../workers/plan-messages'
import type { ReaderApi } from '../../workers/reader.worker'
import { RequestTable, type MakeWorker } from './request-table'

const makeReader: MakeWorker = (name) => new Worker(new URL('../../workers/reader.worker.ts', import.meta.url), { type: 'module', name })

/** Reads files in a worker of its own, so that neither a plan nor its stop touches a file that is being brought in. */
export class ReaderClient {
  private readonly table: RequestTable<ReaderApi>
  private reading = 0

  constructor(make: MakeWorker = makeReader) {
    this.table = new RequestTable('reader', make)
  }

  /** @throws Fault what the reader refuses, `stopped`, `worker-died` */
  async read(bytes: Uint8Array, fileName: string, choices: ReadChoices, onProgress: Progress): Promise<ReadPreview> {
    this.reading++
    try {
      const answer = await this.table.ask(async (remote): Promise<ReadAnswer> => remote.read(bytes, fileName, choices, proxy(onProgress)))
      if ('fault' in answer) throw faultFrom(answer.fault)
      return answer
    } finally {
      // Files are read seldom, and a worker that waits holds tens of megabytes.
      if (--this.reading === 0) this.table.stop()
    }
  }

  /** @throws Fault what a backup is refused for, `stopped`, `worker-died` */
  async readBackup(bytes: Uint8Array): Promise<BackupPreview> {
    const answer = await this.alone((remote): Promise<BackupAnswer> => remote.readBackup(bytes))
    if ('fault' in answer) throw faultFrom(answer.fault)
    return answer
  }

  writeBackup(order: BackupOrder): Promise<Uint8Array<ArrayBuffer>> {
    return this.alone((remote) => remote.writeBackup(order))
  }

  private async alone<Value>(ask: (remote: Remote<ReaderApi>) => Promise<Value>): Promise<Value> {
    this.reading++
    try {
      return await this.table.ask(ask)
    } finally {
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
