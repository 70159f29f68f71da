import { BRICK_HEIGHT, PLATE_HEIGHT, STUD_PITCH, WALL_THICKNESS } from '../space'

/** What a gap can be filled with, and how much of it each takes, u. */
export const FILLERS = {
  /** A brick, or anything as high, with its studs along the gap. */
  brick: BRICK_HEIGHT,
  /** A plate or tile with its studs along the gap. */
  plate: PLATE_HEIGHT,
  /** A stud's width of anything that stands across the gap. */
  stud: STUD_PITCH,
  /** Half of that: what stands on a jumper. */
  'half stud': STUD_PITCH / 2,
  /** The wall of a bracket. */
  'bracket wall': WALL_THICKNESS,
} as const
export type Filler = keyof typeof FILLERS
const ORDER = Object.keys(FILLERS) as Filler[]

/** How many of one filler a stack may hold: nobody glues walls to walls. */
const MOST: Readonly<Record<Filler, number>> = { brick: 100, plate: 100, stud: 100, 'half stud': 1, 'bracket wall': 2 }

export interface Stack {
  readonly counts: Readonly<Record<Filler, number>>
  /** How much of the gap stays open, u; less than nothing where the stack stands out of it. */
  readonly rest: number
  readonly pieces: number
}

/** A stack may stand out of its gap by less than the thinnest filler; a larger lip is another gap. */
const MOST_LIP = WALL_THICKNESS
/** The widest gap that is asked for, u: 160 studs. */
export const WIDEST = 1600

/**
 * Stacks that fill a gap, best first: exact ones, then those that miss by least; of equals the one with fewer pieces, then
 * with fewer sorts, then with more plates, which everybody has. A half stud counts as no piece: a jumper is in the stack already.
 *
 * @param gap u
 * @param allowed what may be used
 */
export function fillGap(gap: number, allowed: readonly Filler[] = ORDER, most = 12): Stack[] {
  if (!(gap > 0) || gap > WIDEST || allowed.length === 0) return []
  const found: Stack[] = []
  const counts: Record<Filler, number> = { brick: 0, plate: 0, stud: 0, 'half stud': 0, 'bracket wall': 0 }
  const fill = (i: number, left: number): void => {
    if (i === allowed.length) {
      const pieces = ORDER.reduce((sum, filler) => sum + (filler === 'half stud' ? 0 : counts[filler]), 0)
      if (pieces > 0) found.push({ counts: { ...counts }, rest: left, pieces })
      return
    }
    const filler = allowed[i]!
    const size = FILLERS[filler]
    const isLast = i === allowed.length - 1
    // Of the last, only what comes nearest from below and from above.
    const top = Math.min(MOST[filler], Math.floor((left + MOST_LIP - 1e-9) / size))
    const low = isLast ? Math.max(0, Math.min(top, Math.floor(left / size))) : 0
    for (let count = low; count <= top; count++) {
      counts[filler] = count
      fill(i + 1, left - count * size)
    }
    counts[filler] = 0
  }
  fill(0, gap)
  const sorts = (stack: Stack): number => ORDER.filter((filler) => stack.counts[filler] > 0).length
  found.sort(
    (a, b) =>
      Math.abs(a.rest) - Math.abs(b.rest) ||
      a.pieces - b.pieces ||
      sorts(a) - sorts(b) ||
      b.counts.plate - a.counts.plate ||
      b.rest - a.rest,
  )
  return found.slice(0, most)
}
