import { expose } from 'comlink'
import type { WorkerLike } from '../request-table'

/** A worker without a thread: two ends of a channel, and a way to bring about what happens to workers. */
export class FakeWorker implements WorkerLike {
  static readonly all: FakeWorker[] = []
  private readonly channel = new MessageChannel()
  private readonly errors = new Set<EventListener>()
  isEnded = false

  constructor(api: object | undefined) {
    FakeWorker.all.push(this)
    if (api) expose(api, this.channel.port2)
    this.channel.port1.start()
  }

  postMessage = this.channel.port1.postMessage.bind(this.channel.port1)
  addEventListener(type: string, listener: EventListenerOrEventListenerObject): void {
    if (type === 'error' || type === 'messageerror') this.errors.add(listener as EventListener)
    else this.channel.port1.addEventListener(type, listener)
  }
  removeEventListener(type: string, listener: EventListenerOrEventListenerObject): void {
    this.channel.port1.removeEventListener(type, listener)
  }
  terminate(): void {
    this.isEnded = true
    this.channel.port1.close()
  }
  fail(): void {
    for (const listener of this.errors) listener(new Event('error'))
  }
}
