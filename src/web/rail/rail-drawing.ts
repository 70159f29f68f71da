import type { Bend, Lane, RailLayout, RailPoint, Tie } from '@core/booklet'

/** Width of a tie and height of a lane, px. */
export const COLUMN = 28
export const ROW = 44
/** Paper above the first lane, px. */
export const TOP = 24

export const x = (column: number): number => column * COLUMN + COLUMN / 2
export const y = (line: number): number => TOP + line * ROW

/** A lane that bends into another. */
export function bendPath({ from, to }: Bend): string {
  const [x1, y1, x2, y2] = [x(from.column), y(from.line), x(to.column), y(to.line)]
  const turn = Math.min(18, (x2 - x1) / 2)
  return `M${x1} ${y1} H${x2 - 2 * turn} C${x2 - turn / 2} ${y1} ${x2 - turn * 1.2} ${y2} ${x2} ${y2}`
}

/** A unit that stands on another lane has its tie on that: up to it the line reaches. */
export const lanePath = ({ ties, line, isInset }: Lane): string =>
  ties.length === 0 ? '' : `M${x(ties[0]!.column) - 10} ${y(line)} H${x(ties[ties.length - 1]!.column) + (isInset ? COLUMN : 4)}`

export interface LaneInSight {
  readonly lane: Lane
  readonly ties: readonly Tie[]
}

/** What is scrolled to, px. */
export interface VisibleRange {
  readonly left: number
  readonly top: number
  readonly width: number
  readonly height: number
}

/** Columns and rows drawn beyond what is in sight, so that scrolling shows no holes. */
const MORE_COLUMNS = 8
const MORE_ROWS = 4

/** The lanes, ties and bends in sight. */
export function windowOf(layout: RailLayout, sight: VisibleRange): { lanes: LaneInSight[]; bends: Bend[] } {
  const [firstColumn, lastColumn] = [sight.left / COLUMN - MORE_COLUMNS, (sight.left + sight.width) / COLUMN + MORE_COLUMNS]
  const [firstRow, lastRow] = [(sight.top - TOP) / ROW - MORE_ROWS, (sight.top + sight.height - TOP) / ROW + MORE_ROWS]
  const lanes = layout.lanes
    .filter(({ line }) => line >= firstRow && line <= lastRow)
    .map((lane) => ({ lane, ties: lane.ties.slice(placeOf(lane.ties, firstColumn), placeOf(lane.ties, lastColumn + 1)) }))
  const bends = layout.bends.filter(
    ({ from, to }) =>
      Math.max(from.line, to.line) >= firstRow &&
      Math.min(from.line, to.line) <= lastRow &&
      to.column >= firstColumn &&
      from.column <= lastColumn,
  )
  return { lanes, bends }
}

/** The same lanes, and always the chosen tie, since it holds the focus: all others stay the same objects. */
export function withChosen(lanes: readonly LaneInSight[], layout: RailLayout, row: number, step: number): readonly LaneInSight[] {
  const lane = layout.lanes[row]
  const chosen = lane?.ties[step]
  if (!lane || !chosen) return lanes
  const known = lanes.find((each) => each.lane === lane)
  if (known?.ties.includes(chosen)) return lanes
  const more = { lane, ties: [...(known?.ties ?? []), chosen] }
  return [...lanes.filter((each) => each !== known), more]
}

/** Whether a tie is wholly in sight, beside a margin of so many px on the left that is covered. */
export function isInSight(sight: VisibleRange, { column, line }: RailPoint, covered: number): boolean {
  const [middle, height] = [x(column), y(line)]
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
