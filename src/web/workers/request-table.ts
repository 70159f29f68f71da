import { wrap, type Remote } from 'comlink'
import { Fault } from '@core/fault'

/** What of a `Worker` a table needs: tests give it another. */
export type WorkerLike = Pick<Worker, 'terminate' | 'addEventListener' | 'removeEventListener' | 'postMessage'>

/** Makes a worker; the name is the lock it holds while it lives. */
export type MakeWorker = (name: string) => WorkerLike

interface Waiting {
  readonly reject: (reason: Fault) => void
}

/** Every api says that it is there, and whether it holds the lock of its name. */
export interface Answering {
  ready(): Promise<boolean>
}

const STOPPED = (): Fault => new Fault('stopped', 'This was stopped.')
const CLOSED = (): Fault => new Fault('closed', 'This was closed before it was done.')
const DIED = (): Fault =>
  new Fault('worker-died', 'A part of the program that works in the background has ended.', {
    wayOut: 'It was started again: try once more. If it ends again, the model may be too large for this device.',
  })

/**
 * All that is asked of one worker. Whatever happens to the worker, stopped, closed, died, never loaded, every question is
 * answered or refused; the next question starts a fresh worker.
 */
export class RequestTable<Api extends Answering> {
  private worker: WorkerLike | undefined
  private remote: Remote<Api> | undefined
  private readonly waiting = new Set<Waiting>()
  private isClosed = false
  /** Counts workers, so that what a former one still says is not heard. */
  private generation = 0
  private watching: AbortController | undefined

  /** @param onLost told whenever what the worker knew is gone, and why */
  constructor(
    private readonly name: string,
    private readonly make: MakeWorker,
    private readonly onLost: (reason: Fault) => void = () => undefined,
  ) {}

  /** Whether a worker runs that still knows what it was told. */
  get isRunning(): boolean {
    return this.worker !== undefined
  }

  /** @throws Fault `stopped`, `closed`, `worker-died`, or what the call throws */
  async ask<Value>(call: (remote: Remote<Api>) => Promise<Value>): Promise<Value> {
    if (this.isClosed) throw CLOSED()
    const remote = this.start()
    let entry: Waiting | undefined
    const lost = new Promise<never>((_, reject) => {
      this.waiting.add((entry = { reject }))
    })
    try {
      return await Promise.race([call(remote), lost])
    } finally {
      this.waiting.delete(entry!)
    }
  }

  private start(): Remote<Api> {
    if (this.remote) return this.remote
    const generation = ++this.generation
    const name = `jump-rail ${this.name} ${crypto.randomUUID()}`
    const worker = this.make(name)
    const onDeath = (event?: Event): void => {
      event?.preventDefault?.()
      if (generation === this.generation) this.end(DIED())
    }
    worker.addEventListener('error', onDeath)
    worker.addEventListener('messageerror', onDeath)
    this.worker = worker
    const remote = wrap<Api>(worker)
    this.remote = remote
    void this.watch(name, remote, onDeath)
    return remote
  }

  /** Waits for the lock that the worker holds as long as it lives. */
  private async watch(name: string, remote: Remote<Api>, onDeath: () => void): Promise<void> {
    const locks = globalThis.navigator?.locks
    if (!locks) return
    const watching = (this.watching = new AbortController())
    try {
      // Who asked for the lock before the worker holds it would take it for dead.
      const isHeld = await (remote as unknown as Remote<Answering>).ready()
      if (isHeld) await locks.request(name, { signal: watching.signal }, () => onDeath())
    } catch {
      // Stopped meanwhile, or the worker never answered: then there is nothing to watch.
    }
  }

  /** Refuses all that waits and forgets the worker. */
  private end(reason: Fault): void {
    this.generation++
    this.watching?.abort()
    this.worker?.terminate()
    this.worker = undefined
    this.remote = undefined
    const waiting = [...this.waiting]
    this.waiting.clear()
    for (const { reject } of waiting) reject(reason)
    this.onLost(reason)
  }

  /** Ends what is under way; the next question starts afresh. */
  stop(): void {
    if (this.worker) this.end(STOPPED())
  }

  close(): void {
    this.isClosed = true
    if (this.worker) this.end(CLOSED())
  }
}
