import { Worker } from 'node:worker_threads'
import type { BundleChanges } from '@core/booklet'
import { Fault, faultFrom, type PlainFault, type FaultCode } from '@core/fault'
import type { BundleChecker, CheckTask } from './check-tasks'
import type { CheckedUpload, UploadKinds } from './upload'

interface CheckAnswer {
  readonly result?: unknown
  readonly fault?: PlainFault
}

const PATIENCE_MS = 15_000
/** Booklets that wait are in memory: no more than so many. */
const MOST_WAITING = 32

/**
 * Beside the thread that answers requests, one booklet after another, each within a time limit: whatever somebody sends, the
 * server goes on answering.
 */
export class CheckThread implements BundleChecker {
  private worker: Worker | undefined
  private last: Promise<unknown> = Promise.resolve()
  private waiting = 0

  constructor(
    private readonly file: URL,
    private readonly patience = PATIENCE_MS,
  ) {}

  /** @throws Fault what the check refuses, `too-slow`, `too-large`, `booklet-busy` */
  checkUpload<K extends keyof UploadKinds>(body: string, kind: K): Promise<CheckedUpload<UploadKinds[K]>> {
    return this.queue({ name: 'checkUpload', args: [body, kind] }) as Promise<CheckedUpload<UploadKinds[K]>>
  }

  /** @throws Fault as `checkUpload` */
  compareTexts(before: string, after: string): Promise<BundleChanges> {
    return this.queue({ name: 'compareTexts', args: [before, after] }) as Promise<BundleChanges>
  }

  private async queue(task: CheckTask): Promise<unknown> {
    if (this.waiting >= MOST_WAITING)
      throw new Fault('booklet-busy', 'Too many booklets are being published at once.', { wayOut: 'Try again in a minute.' })
    this.waiting++
    const answer = this.last.then(() => this.ask(task))
    this.last = answer.catch(() => undefined)
    try {
      return await answer
    } finally {
      this.waiting--
    }
  }

  private ask(task: CheckTask): Promise<unknown> {
    const worker = (this.worker ??= this.start())
    return new Promise((resolve, reject) => {
      const settle = (act: () => void): void => {
        clearTimeout(limit)
        worker.removeAllListeners('message')
        worker.removeAllListeners('exit')
        act()
      }
      const giveUp = (code: FaultCode, sentence: string): void =>
        settle(() => {
          this.worker = undefined
          void worker.terminate()
          reject(new Fault(code, sentence, { wayOut: 'Publish a smaller booklet.' }))
        })
      const limit = setTimeout(() => giveUp('too-slow', 'Checking this booklet takes too long.'), this.patience)
      worker.once('exit', () => giveUp('too-large', 'Checking this booklet takes too much memory.'))
      worker.once('message', ({ result, fault }: CheckAnswer) =>
        settle(() => {
          if (fault) reject(faultFrom(fault))
          else resolve(result)
        }),
      )
      worker.postMessage(task)
    })
  }

  private start(): Worker {
    const worker = new Worker(this.file, { resourceLimits: { maxOldGenerationSizeMb: 1024 } })
    // Ends are heard of by whoever waits; alone they must not end the server.
    worker.on('error', () => undefined)
    worker.unref()
    return worker
  }

  async close(): Promise<void> {
    await this.worker?.terminate()
  }
}
