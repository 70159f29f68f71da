/**
 * Keeps the application and the booklets that were opened, so that both work without a network. The build puts the names of its files
 * in, so every version has caches of its own; a new version waits until a person asks for it.
 */
import { APP_PREFIX, BOOKLETS, isTakenBack, keptOf, mayKeepBooklet, MOST_BOOKLETS, outdated, type WorkerOrder } from './kept'

interface LateEvent extends Event {
  waitUntil(work: Promise<unknown>): void
}
interface AskedEvent extends LateEvent {
  readonly request: Request
  respondWith(answer: Promise<Response>): void
}
/** What of its own world this worker uses; the types of pages are those of the project. */
interface WorkerScope {
  addEventListener(kind: 'install' | 'activate', hear: (event: LateEvent) => void): void
  addEventListener(kind: 'fetch', hear: (event: AskedEvent) => void): void
  addEventListener(kind: 'message', hear: (event: LateEvent & { readonly data: WorkerOrder }) => void): void
  skipWaiting(): Promise<void>
}
const scope = self as unknown as WorkerScope

declare const BUILT_FILES: readonly string[]
declare const BUILT_VERSION: string
const APP = `${APP_PREFIX}${BUILT_VERSION}`
const PAGE = '/index.html'

async function keepApp(): Promise<void> {
  if (await caches.has(APP)) return
  const cache = await caches.open(APP)
  try {
    await cache.addAll([PAGE, ...BUILT_FILES])
  } catch (thrown) {
    // Half an application would be worse than none.
    await caches.delete(APP)
    throw thrown
  }
}

/** Who has used the application without a network goes on to be able to. */
async function prepare(): Promise<void> {
  const names = await caches.keys()
  if (names.some((name) => name.startsWith(APP_PREFIX))) await keepApp()
}

async function clear(): Promise<void> {
  await Promise.all(outdated(await caches.keys(), APP).map((name) => caches.delete(name)))
}

async function appPage(request: Request): Promise<Response> {
  const cache = (await caches.has(APP)) ? await caches.open(APP) : undefined
  return (await cache?.match(PAGE)) ?? fetch(request)
}

/** Files that are kept by no list, such as large fonts, are kept when they are first used. */
async function file(request: Request): Promise<Response> {
  const kept = await caches.match(request)
  if (kept) return kept
  const answer = await fetch(request)
  if (answer.ok && (await caches.has(APP))) await (await caches.open(APP)).put(request, answer.clone()).catch(() => undefined)
  return answer
}

async function booklet(address: string, ask: () => Promise<Response>): Promise<Response> {
  const cache = await caches.open(BOOKLETS)
  try {
    const answer = await ask()
    if (mayKeepBooklet(answer.status, answer.headers.get('cache-control'))) await keepBooklet(cache, address, answer.clone())
    else if (isTakenBack(answer.status)) await cache.delete(address)
    return answer
  } catch (thrown) {
    const kept = await cache.match(address)
    if (kept) return kept
    throw thrown
  }
}

async function keepBooklet(cache: Cache, address: string, answer: Response): Promise<void> {
  // Put in anew, it is the last to go. Where the network goes meanwhile, or the device is full, the one before stays.
  await cache.put(address, answer).catch(() => undefined)
  const kept = await cache.keys()
  await Promise.all(kept.slice(0, Math.max(0, kept.length - MOST_BOOKLETS)).map((request) => cache.delete(request)))
}

scope.addEventListener('install', (event) => event.waitUntil(prepare()))
scope.addEventListener('activate', (event) => event.waitUntil(clear()))
scope.addEventListener('message', (event) => {
  const order = event.data
  if (order === 'take over') event.waitUntil(scope.skipWaiting())
  else if (order === 'keep the application') event.waitUntil(keepApp())
  else event.waitUntil(booklet(order.booklet, () => fetch(order.booklet)))
})
scope.addEventListener('fetch', (event) => {
  const { request } = event
  const address = new URL(request.url)
  if (address.origin !== location.origin) return
  switch (keptOf({ method: request.method, address, isPage: request.mode === 'navigate' })) {
    case 'app':
      return event.respondWith(appPage(request))
    case 'file':
      return event.respondWith(file(request))
    case 'booklet':
      return event.respondWith(booklet(request.url, () => fetch(request)))
    case 'nothing':
  }
})
