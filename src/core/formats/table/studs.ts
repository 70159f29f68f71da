import type { Shape } from '../../catalogue'
import { NO_TURN, posedBox, sizeOf, TURNS, turnFromText, type Vec } from '../../space'

/** A placed row: its shape, its place as it was written, and its turn. */
export interface WrittenPlace {
  readonly shape: Shape
  /** In the units of the table, before they are made into u. */
  readonly at: Vec
  readonly turn: string | undefined
}

/** Nobody builds this many studs along; coordinates in u of a model of some size go further. */
const MOST_STUDS = 64

/**
 * Whether coordinates without a unit look like studs: read as u, the parts would have to stand in each other, since there is more
 * of them than room; or they lie close by each other on places that whole and half studs do not make.
 */
export function looksLikeStuds(places: readonly WrittenPlace[]): boolean {
  if (places.length < 2) return false
  const low = [Infinity, Infinity, Infinity]
  const high = [-Infinity, -Infinity, -Infinity]
  let filled = 0
  let isSmall = true
  for (const { shape, at, turn } of places) {
    const size = sizeOf(
      posedBox({ matrix: TURNS[turn === undefined ? NO_TURN : turnFromText(turn)!]!, at: [0, 0, 0] }, { min: [0, 0, 0], max: shape.box }),
    )
    filled += size[0] * size[1] * size[2]
    for (const axis of [0, 1, 2] as const) {
      low[axis] = Math.min(low[axis]!, at[axis])
      high[axis] = Math.max(high[axis]!, at[axis] + size[axis])
      isSmall &&= Math.abs(at[axis]) <= MOST_STUDS && (at[axis] * 2) % 1 === 0
    }
  }
  if (!isSmall) return false
  const room = [0, 1, 2].reduce((product, axis) => product * (high[axis]! - low[axis]!), 1)
  return filled > room * 1.001 || hasStudSteps(places)
}

/** Steps of a stud between places: next to each other by one, which is neither a stud nor half of one in u. */
function hasStudSteps(places: readonly WrittenPlace[]): boolean {
  const steps = ([0, 1] as const).map((axis) => {
    const sorted = [...new Set(places.map(({ at }) => at[axis]))].sort((a, b) => a - b)
    return sorted.slice(1).map((value, i) => value - sorted[i]!)
  })
  const all = steps.flat()
  return all.length > 2 && all.every((step) => step < 5) && all.includes(1)
}
