import type { WorkerOrder } from './kept'

/** Where the service worker lies; the development server has none. */
const WORKER = '/sw.js'
/** How often a page that stays open asks whether there is a newer version, ms. */
const ASK_AGAIN = 60 * 60 * 1000

const canKeep = (): boolean => import.meta.env.PROD && 'serviceWorker' in navigator && /^https?:$/.test(location.protocol)

const tell = (worker: ServiceWorker | null, order: WorkerOrder): void => worker?.postMessage(order)

/**
 * Keeps the application for where there is no network, once the page has come to rest.
 *
 * @param onNewer told when a newer version is ready, with what loads it; nothing happens by itself
 */
export async function keepApplication(onNewer: (load: () => void) => void): Promise<void> {
  if (!canKeep()) return
  const registration = await navigator.serviceWorker.register(WORKER, { type: 'module' })
  const offer = (): void => {
    // The first version of all replaces nothing.
    if (registration.waiting && navigator.serviceWorker.controller) onNewer(() => takeOver(registration))
  }
  registration.addEventListener('updatefound', () => registration.installing?.addEventListener('statechange', offer))
  offer()
  tell((await navigator.serviceWorker.ready).active, 'keep the application')
  setInterval(() => void registration.update().catch(() => undefined), ASK_AGAIN)
}

function takeOver({ waiting }: ServiceWorkerRegistration): void {
  navigator.serviceWorker.addEventListener('controllerchange', () => location.reload(), { once: true })
  tell(waiting, 'take over')
}

/** Keeps the published booklet that is open. */
export const keepThisBooklet = (): Promise<void> => keepAddress(location.pathname + location.search)

/** Keeps something that a booklet needs. @param path on this server */
export async function keepAddress(path: string): Promise<void> {
  if (!canKeep()) return
  await navigator.serviceWorker.register(WORKER, { type: 'module' })
  tell((await navigator.serviceWorker.ready).active, { booklet: location.origin + path })
}
