import { Worker } from 'node:worker_threads'
import { Fault, faultFrom, type PlainFault, type FaultCode } from '@core/fault'
import { checkText } from './check-text'

/** Checks the text of a booklet. @returns what is to be stored. @throws Fault */
export type CheckBooklet = (text: string) => Promise<string>

interface CheckAnswer {
  readonly text?: string
  readonly fault?: PlainFault
}

const PATIENCE_MS = 15_000

/** In this thread: for tests, and where the program is not bundled. */
export const checkHere: CheckBooklet = (text) => Promise.resolve().then(() => checkText(text))

/**
 * Beside the thread that answers requests, one booklet after another, each within a time limit: whatever somebody sends, the
 * server goes on answering.
 */
export class CheckThread {
  private worker: Worker | undefined
  private last: Promise<unknown> = Promise.resolve()

  constructor(
    private readonly file: URL,
    private readonly patience = PATIENCE_MS,
  ) {}

  /** @throws Fault what the check refuses, `too-slow` */
  readonly check: CheckBooklet = (text) => {
    const answer = this.last.then(() => this.ask(text))
    this.last = answer.catch(() => undefined)
    return answer
  }

  private ask(text: string): Promise<string> {
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
      worker.once('message', (answer: CheckAnswer) =>
        settle(() => {
          if (answer.fault) reject(faultFrom(answer.fault))
          else resolve(answer.text!)
        }),
      )
      worker.postMessage(text)
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
