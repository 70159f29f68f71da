import type { Bend, Lane, RailLayout, Tie } from '@core/booklet'

/** Width of a tie and height of a lane, px. */
export const COLUMN = 28
export const ROW = 44
/** Paper above the first lane, px. */
export const TOP = 24

export const x = (column: number): number => column * COLUMN + COLUMN / 2
export const y = (row: number): number => TOP + row * ROW

/** A lane that bends into another. */
export function bendPath({ from, to }: Bend): string {
  const [x1, y1, x2, y2] = [x(from.column), y(from.row), x(to.column), y(to.row)]
  const turn = Math.min(18, (x2 - x1) / 2)
  return `M${x1} ${y1} H${x2 - 2 * turn} C${x2 - turn / 2} ${y1} ${x2 - turn * 1.2} ${y2} ${x2} ${y2}`
}

export const lanePath = ({ ties, row }: Lane): string =>
  ties.length === 0 ? '' : `M${x(ties[0]!.column) - 10} ${y(row)} H${x(ties[ties.length - 1]!.column) + 4}`

export interface LaneInSight {
  readonly lane: Lane
  readonly ties: readonly Tie[]
}

/** What is scrolled to, px. */
export interface Sight {
  readonly left: number
  readonly top: number
  readonly width: number
  readonly height: number
}

/** Columns and rows drawn beyond what is in sight, so that scrolling shows no holes. */
const MARGIN = 12

/** The lanes, ties and bends in sight, and always the chosen tie, since it holds the focus. */
export function windowOf(layout: RailLayout, sight: Sight, row: number, step: number): { lanes: LaneInSight[]; bends: Bend[] } {
  const [firstColumn, lastColumn] = [sight.left / COLUMN - MARGIN, (sight.left + sight.width) / COLUMN + MARGIN]
  const [firstRow, lastRow] = [(sight.top - TOP) / ROW - MARGIN, (sight.top + sight.height - TOP) / ROW + MARGIN]
  const isIn = (lane: Lane): boolean => lane.row >= firstRow && lane.row <= lastRow
  const lanes = layout.lanes
    .filter((lane) => isIn(lane) || lane.row === row)
    .map((lane): LaneInSight => {
      const [from, to] = isIn(lane) ? [placeOf(lane.ties, firstColumn), placeOf(lane.ties, lastColumn + 1)] : [0, 0]
      const ties = lane.ties.slice(from, to)
      const chosen = lane.row === row ? lane.ties[step] : undefined
      return { lane, ties: chosen && (step < from || step >= to) ? [...ties, chosen] : ties }
    })
  const bends = layout.bends.filter(
    ({ from, to }) =>
      Math.max(from.row, to.row) >= firstRow &&
      Math.min(from.row, to.row) <= lastRow &&
      to.column >= firstColumn &&
      from.column <= lastColumn,
  )
  return { lanes, bends }
}

/** Whether a tie is wholly in sight, beside a margin of so many px on the left that is covered. */
export function isInSight(sight: Sight, column: number, row: number, covered: number): boolean {
  const [middle, height] = [x(column), y(row)]
  return (
    middle - COLUMN / 2 >= sight.left &&
    middle + COLUMN / 2 <= sight.left + sight.width - covered &&
    height - ROW / 2 >= sight.top &&
    height + ROW / 2 <= sight.top + sight.height
  )
}

/** Number of the first tie at or after a column; ties stand in rising columns. */
function placeOf(ties: readonly Tie[], column: number): number {
  let [low, high] = [0, ties.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if (ties[middle]!.column < column) low = middle + 1
    else high = middle
  }
  return low
}
