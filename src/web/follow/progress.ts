import type { Bundle, Page } from '@core/booklet'
import { pieceKey, type PieceCount } from '@core/count'

/** How far a builder has come: kept on the device, by what the booklet holds. */
export interface FollowProgress {
  /** Index of the page that was open. */
  page: number
  /** Ticked pieces: "page/shape/colour". */
  ticked: string[]
  /** Of sections that are built several times: which copy is built now, from 1. */
  copies?: Readonly<Record<string, number>>
  /** The same page by what it is about, since it may have another index in the next version. */
  at?: string
}

/** A short name for the content, so that a changed booklet starts anew (FNV-1a, Fowler, Noll, Vo 1991). */
export function contentKey(bundle: Bundle): string {
  let hash = 0x811c9dc5
  const text = JSON.stringify([bundle.model.name, bundle.plan])
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193)
  return `jump-rail-progress-${(hash >>> 0).toString(16)}-${text.length}`
}

/** Where the place of a booklet, or of one of its versions, is kept. @param published id of the booklet where a server has it */
export function progressKey(bundle: Bundle, published: string | undefined): string {
  const key = published === undefined ? contentKey(bundle) : `jump-rail-progress-${published}`
  const version = bundle.shows?.id ?? ''
  return version === '' ? key : `${key}-${version}`
}

/** Storage may be refused (private windows, files from a disk): then progress lasts as long as the page. */
export function loadProgress(key: string): FollowProgress {
  try {
    const stored = JSON.parse(localStorage.getItem(key) ?? 'null') as Partial<FollowProgress> | null
    const page = Number(stored?.page)
    const ticked = Array.isArray(stored?.ticked) ? stored.ticked.filter((key) => typeof key === 'string') : []
    const copies = countsIn(stored?.copies)
    // Whatever stands there: a place is a whole number from 0.
    return {
      page: Number.isSafeInteger(page) && page > 0 ? page : 0,
      ticked,
      ...(typeof stored?.at === 'string' ? { at: stored.at } : {}),
      ...(Object.keys(copies).length > 0 ? { copies } : {}),
    }
  } catch {
    return { page: 0, ticked: [] }
  }
}

/** Whatever stands there: whole numbers from 1, by section. */
function countsIn(value: unknown): Record<string, number> {
  const entries = typeof value === 'object' && value !== null ? Object.entries(value) : []
  return Object.fromEntries(
    entries.filter((entry): entry is [string, number] => Number.isSafeInteger(entry[1]) && (entry[1] as number) > 0),
  )
}

/** What a page is about: the same in the next version of a booklet. */
export function pageKey(page: Page): string {
  if (page.kind === 'member') return `member/${page.member}`
  if ('number' in page) return `${page.section}/${page.number}`
  return 'section' in page ? page.section : page.kind
}

/** A tick of a piece on a page; work makes another piece, with a tick of its own. */
export const tickKey = (piece: PieceCount, on: Page): string => `${pageKey(on)}/${pieceKey(piece).replace(/\n/g, '/')}`

/** The page to open: about the same, or of the same index. */
export function placeIn(pages: readonly Page[], { page, at }: FollowProgress): number {
  const same = pages.findIndex((each) => pageKey(each) === at)
  return same >= 0 ? same : Math.min(page, pages.length - 1)
}

export function saveProgress(key: string, progress: FollowProgress): boolean {
  try {
    localStorage.setItem(key, JSON.stringify(progress))
    return true
  } catch {
    return false
  }
}

/** Ticks with some pieces of a page ticked, or not ticked any more. */
export function withTicks(ticks: ReadonlySet<string>, on: Page, pieces: readonly PieceCount[], isOn: boolean): Set<string> {
  const next = new Set(ticks)
  for (const piece of pieces) {
    if (isOn) next.add(tickKey(piece, on))
    else next.delete(tickKey(piece, on))
  }
  return next
}

/** Ticks without those of the steps of a section, which is built once more. */
export function withoutTicks(ticks: ReadonlySet<string>, pages: readonly Page[], section: string): Set<string> {
  const own = new Set(
    pages.flatMap((page) => ('callout' in page && page.section === section ? page.callout.map((piece) => tickKey(piece, page)) : [])),
  )
  return new Set([...ticks].filter((key) => !own.has(key)))
}
