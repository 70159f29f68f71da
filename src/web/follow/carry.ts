import type { Page } from '@core/booklet'
import { pageKey, tickKey, type FollowProgress } from './progress'

/**
 * How far a builder has come, as the end of an address: "#place=2.17.gIAB": the version of the booklet, the page, and a bit for
 * each piece that may be ticked, in the order of the pages. So it goes to another device as a link or a code, without an account.
 */
const NAME = 'place'

/** @returns the end of an address, with its `#` */
export function placeAddress(pages: readonly Page[], version: number, { page, ticked }: Pick<FollowProgress, 'page' | 'ticked'>): string {
  const isTicked = new Set(ticked)
  const keys = tickKeys(pages)
  const last = keys.reduce((at, key, i) => (isTicked.has(key) ? i : at), -1)
  const bytes = new Uint8Array(Math.ceil((last + 1) / 8))
  for (let i = 0; i <= last; i++) if (isTicked.has(keys[i]!)) bytes[i >> 3]! |= 1 << (i & 7)
  return `#${NAME}=${version}.${page}.${toText(bytes)}`
}

/** @returns undefined where the address tells none; ticks of another version are left out, since its pieces may differ */
export function carriedProgress(pages: readonly Page[], version: number, hash: string): FollowProgress | undefined {
  const found = new RegExp(`^#${NAME}=(\\d{1,6})\\.(\\d{1,6})\\.([\\w-]*)$`).exec(hash)
  if (!found) return undefined
  const page = Math.min(Number(found[2]), pages.length - 1)
  const bytes = Number(found[1]) === version ? fromText(found[3]!) : new Uint8Array()
  const ticked = tickKeys(pages).filter((_, i) => ((bytes[i >> 3] ?? 0) >> (i & 7)) & 1)
  return { page, at: pageKey(pages[page]!), ticked }
}

const tickKeys = (pages: readonly Page[]): string[] =>
  pages.flatMap((page) => {
    const pieces = page.kind === 'tray' ? page.pieces : 'callout' in page ? page.callout : []
    return pieces.map((piece) => tickKey(piece, page))
  })

const toText = (bytes: Uint8Array): string =>
  btoa(String.fromCharCode(...bytes))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replaceAll('=', '')

function fromText(text: string): Uint8Array {
  try {
    return Uint8Array.from(atob(text.replaceAll('-', '+').replaceAll('_', '/')), (letter) => letter.charCodeAt(0))
  } catch {
    return new Uint8Array()
  }
}
