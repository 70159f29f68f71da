import type { Page } from '@core/booklet'
import { pageKey, tickKey, type FollowProgress } from './progress'

/**
 * How far a builder has come, as the end of an address: "#place=2.17.gIAB.night": the version of the booklet, the page, a bit for
 * each piece that may be ticked, in the order of the pages, and which version of the model is built, where there are several. So it
 * goes to another device as a link or a code, without an account.
 */
const NAME = 'place'
const ADDRESS = new RegExp(`^#${NAME}=(\\d{1,6})\\.(\\d{1,6})\\.([\\w-]*)(?:\\.([^.]*))?$`)

/** What is followed: the version of the booklet, and which of the versions in it. */
interface Followed {
  readonly version: number
  /** Undefined where there is one alone. */
  readonly shows?: string | undefined
}

/** @returns the end of an address, with its `#` */
export function placeAddress(
  pages: readonly Page[],
  { version, shows }: Followed,
  { page, ticked }: Pick<FollowProgress, 'page' | 'ticked'>,
): string {
  const isTicked = new Set(ticked)
  const keys = tickKeys(pages)
  const last = keys.reduce((at, key, i) => (isTicked.has(key) ? i : at), -1)
  const bytes = new Uint8Array(Math.ceil((last + 1) / 8))
  for (let i = 0; i <= last; i++) if (isTicked.has(keys[i]!)) bytes[i >> 3]! |= 1 << (i & 7)
  const which = shows === undefined ? '' : `.${encodeURIComponent(shows).replaceAll('.', '%2E')}`
  return `#${NAME}=${version}.${page}.${toText(bytes)}${which}`
}

/** @returns undefined where the address tells none; ticks of another version are left out, since its pieces may differ */
export function carriedProgress(pages: readonly Page[], version: number, hash: string): FollowProgress | undefined {
  const found = ADDRESS.exec(hash)
  if (!found) return undefined
  const page = Math.min(Number(found[2]), pages.length - 1)
  const bytes = Number(found[1]) === version ? fromText(found[3]!) : new Uint8Array()
  const ticked = tickKeys(pages).filter((_, i) => ((bytes[i >> 3] ?? 0) >> (i & 7)) & 1)
  return { page, at: pageKey(pages[page]!), ticked }
}

/** Which of several versions an address is about; undefined where it does not say. */
export function carriedVersion(hash: string): string | undefined {
  const found = ADDRESS.exec(hash)?.[4]
  try {
    return found === undefined ? undefined : decodeURIComponent(found)
  } catch {
    return undefined
  }
}

const tickKeys = (pages: readonly Page[]): string[] =>
  pages.flatMap((page) => {
    const pieces = page.kind === 'tray' || page.kind === 'member' ? page.pieces : 'callout' in page ? page.callout : []
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
