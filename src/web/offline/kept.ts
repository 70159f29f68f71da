/** What is kept of an address, and how it is answered. */
export type Kept =
  /** A page of the application: from the version that is kept, so that all its files fit together. */
  | 'app'
  /** A file that never changes. */
  | 'file'
  /** A published booklet: newest first, the kept one where there is no network. */
  | 'booklet'
  /** Everything else is the network's. */
  | 'nothing'

/** @param address of something that is asked for here */
export function keptOf({ method, address, isPage }: { readonly method: string; readonly address: URL; readonly isPage: boolean }): Kept {
  if (method !== 'GET') return 'nothing'
  const { pathname } = address
  if (/^\/f\/[^/]+$/.test(pathname)) return isPage ? 'booklet' : 'nothing'
  // The words of another language, for the booklets that are kept.
  if (/^\/follow\/words\/[a-z]+\.json$/.test(pathname)) return 'booklet'
  if (/^\/(api|f|healthz|readyz|follow)(\/|$)/.test(pathname)) return 'nothing'
  if (pathname.startsWith('/assets/')) return 'file'
  if (isPage) return 'app'
  return /^\/(mark\.svg|icon-\d+\.png|manifest\.webmanifest)$/.test(pathname) ? 'file' : 'nothing'
}

/** A booklet is kept only where everybody may read it at any time: neither behind a password nor free for a while. */
export const mayKeepBooklet = (status: number, cacheControl: string | null): boolean => status === 200 && cacheControl === 'no-cache'

/** After these answers a kept booklet goes: it was withdrawn, closed or locked. */
export const isTakenBack = (status: number): boolean => [401, 403, 404, 410].includes(status)

/** Of the caches of versions, those that go: a page of the version before may still be open. @param names in the order in which they were made */
export function outdated(names: readonly string[], now: string): string[] {
  const others = names.filter((name) => name.startsWith(APP_PREFIX) && name !== now)
  return others.slice(0, -1)
}

export const APP_PREFIX = 'app '
export const BOOKLETS = 'booklets'
/** Booklets that are kept; the one that was opened longest ago goes. */
export const MOST_BOOKLETS = 12

/** What pages say to the service worker. */
export type WorkerOrder = 'keep the application' | 'take over' | { readonly booklet: string }
