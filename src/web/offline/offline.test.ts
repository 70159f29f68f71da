import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { keepApplication, keepThisBooklet } from './offline'

/** A browser's side of a service worker, of which a test says what comes. */
class ServiceStandIn extends EventTarget {
  readonly said: unknown[] = []
  readonly active = { postMessage: (order: unknown) => this.said.push(order) }
  readonly registration = Object.assign(new EventTarget(), {
    waiting: null as { postMessage: (order: unknown) => void } | null,
    installing: null as EventTarget | null,
    active: this.active,
    update: () => Promise.resolve(),
  })
  readonly ready = Promise.resolve(this.registration)
  readonly asked: unknown[] = []
  controller: object | null = null

  register(...asked: unknown[]): Promise<ServiceStandIn['registration']> {
    this.asked.push(asked)
    return this.ready
  }

  /** A newer version was fetched, and waits. */
  finishInstalling(): void {
    const installing = new EventTarget()
    this.registration.installing = installing
    this.registration.dispatchEvent(new Event('updatefound'))
    this.registration.waiting = { postMessage: (order) => this.said.push(order) }
    installing.dispatchEvent(new Event('statechange'))
  }
}

let worker: ServiceStandIn
beforeEach(() => {
  vi.useFakeTimers()
  worker = new ServiceStandIn()
  vi.stubEnv('PROD', true)
  vi.stubGlobal('navigator', { serviceWorker: worker })
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllEnvs()
  vi.unstubAllGlobals()
})

describe('a page that is kept', () => {
  it('asks for the application to be kept; the first version replaces nothing, so nothing is told', async () => {
    const newer = vi.fn()
    await keepApplication(newer)
    worker.finishInstalling()
    expect(worker.said).toEqual(['keep the application'])
    expect(newer).not.toHaveBeenCalled()
  })

  it('tells of a newer version, which takes over only when somebody says so, and then the page is loaded anew', async () => {
    const reload = vi.fn()
    vi.stubGlobal('location', { protocol: 'https:', reload })
    worker.controller = {}
    const newer = vi.fn<(load: () => void) => void>()
    await keepApplication(newer)
    worker.finishInstalling()
    expect(newer).toHaveBeenCalledTimes(1)
    expect(worker.said).not.toContain('take over')
    newer.mock.calls[0]![0]()
    expect(worker.said).toContain('take over')
    expect(reload).not.toHaveBeenCalled()
    worker.dispatchEvent(new Event('controllerchange'))
    expect(reload).toHaveBeenCalledTimes(1)
  })

  it('names the booklet that is open, and does nothing where there is no service worker', async () => {
    vi.stubGlobal('location', { protocol: 'https:', origin: 'https://here.example', pathname: '/f/abc', search: '?v=2' })
    await keepThisBooklet()
    expect(worker.said).toEqual([{ booklet: 'https://here.example/f/abc?v=2' }])
    vi.stubGlobal('navigator', {})
    await keepThisBooklet()
    vi.stubGlobal('location', { protocol: 'file:' })
    vi.stubGlobal('navigator', { serviceWorker: worker })
    await keepThisBooklet()
    expect(worker.asked).toHaveLength(1)
  })
})
