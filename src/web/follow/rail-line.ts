import type { Page } from '@core/booklet'

/** A section on the line of the whole booklet, px. */
interface LineSection {
  readonly letter: string
  readonly x: number
  readonly width: number
  readonly isHere: boolean
}

/** A step on the lane of the section that is open, px from the left. */
interface LineTie {
  readonly page: number
  readonly x: number
  /** Pieces are gathered, parts added, or a section joined. */
  readonly kind: 'tray' | 'step' | 'jump'
  readonly isHere: boolean
}

/** The line under a booklet: all its sections, and the lane of the one that is open. */
interface RailLine {
  readonly sections: readonly LineSection[]
  readonly ties: readonly LineTie[]
  /** Where one stands in the whole, px. */
  readonly here: number
}

/** Room that a letter needs, px. */
const LETTER = 14
/** Ties never stand closer, px; of a longer lane those around the open one are shown. */
const CLOSEST = 7
const WIDEST = 34

const sectionOf = (page: Page): string | undefined => ('section' in page ? page.section : undefined)

/** @param width of the line, px */
export function railLine(pages: readonly Page[], index: number, width: number): RailLine {
  const scale = width / pages.length
  const here = pages[index] && sectionOf(pages[index])
  const sections: (LineSection & { readonly id: string })[] = []
  pages.forEach((page, i) => {
    const id = sectionOf(page)
    const last = sections.at(-1)
    if (id === undefined || !('letter' in page)) return
    if (last?.id === id) sections[sections.length - 1] = { ...last, width: (i + 1) * scale - last.x }
    else sections.push({ id, letter: page.letter, x: i * scale, width: scale, isHere: id === here })
  })
  return {
    sections: sections.map(({ id: _id, ...section }) => ({ ...section, letter: section.width < LETTER ? '' : section.letter })),
    ties: here === undefined ? [] : laneTies(pages, index, here, width),
    here: (index + 0.5) * scale,
  }
}

function laneTies(pages: readonly Page[], index: number, section: string, width: number): LineTie[] {
  const steps = pages.flatMap((page, at) => (sectionOf(page) === section ? [{ page, at }] : []))
  const most = Math.max(1, Math.floor(width / CLOSEST))
  const from = Math.max(0, Math.min(steps.length - most, steps.findIndex(({ at }) => at === index) - (most >> 1)))
  const shown = steps.slice(from, from + most)
  const apart = Math.min(WIDEST, width / shown.length)
  const left = (width - apart * shown.length) / 2
  return shown.map(({ page, at }, i) => ({
    page: at,
    x: left + (i + 0.5) * apart,
    kind: page.kind as LineTie['kind'],
    isHere: at === index,
  }))
}

/** The page that a place on the lane means: the nearest tie; undefined where there is none. */
export function tieAt(ties: readonly LineTie[], x: number): number | undefined {
  if (ties.length === 0) return undefined
  return ties.reduce((best, tie) => (Math.abs(tie.x - x) < Math.abs(best.x - x) ? tie : best)).page
}

/** The page that a place on the line of the whole means. @param x px of @param width */
export const pageAt = (pages: readonly Page[], x: number, width: number): number =>
  Math.max(0, Math.min(pages.length - 1, Math.floor((x / width) * pages.length)))
