import type { Catalogue } from '../catalogue'
import type { Part } from '../model'
import { STUD_PITCH } from '../space'
import type { FillArea } from './area'

/** From its foot to its upper edge, u. */
export const LOW_SLOPE_HEIGHT = 8

/** Turned half round, its nose is behind. */
const HALF_TURN = '-x-y'

/** The nose of what lies in a row points to the front in every second one, else to the back. */
const isNoseInFront = (row: number): boolean => row % 2 === 0

/** Covers the cells of an area with low slopes, each row with as few as can be. */
export function slopesOn(area: FillArea | undefined, colour: string, { shapes }: Catalogue): Part[] {
  if (!area) return []
  const widths = [...shapes.keys()]
    .flatMap((id) => /^slope-low-1x(\d+)$/.exec(id)?.[1] ?? [])
    .map(Number)
    .sort((a, b) => b - a)
  const parts: Part[] = []
  for (let row = 0; row < area.rows; row++) {
    for (let column = 0; column < area.columns;) {
      const free = runFrom(area, column, row)
      // Pieces of every width up to the longest exist, so the longest that fits is never a mistake.
      const width = widths.find((each) => each <= free)
      if (width !== undefined) {
        const at = [area.at[0] + column * STUD_PITCH, area.at[1] + row * STUD_PITCH, area.at[2]] as const
        const turn = isNoseInFront(row) ? {} : { turn: HALF_TURN }
        parts.push({ id: `slope-${parts.length + 1}`, shape: `slope-low-1x${width}`, colour, at, ...turn })
      }
      column += width ?? 1
    }
  }
  return parts
}

/** How many cells of a row belong to the area one after another, from one on. */
function runFrom({ cells, columns }: FillArea, column: number, row: number): number {
  let end = column
  while (end < columns && cells[row * columns + end] === 1) end++
  return end - column
}

/** In the column that has most of them: how often two noses meet. */
export function mostNoses(area: FillArea | undefined): number {
  if (!area) return 0
  const { cells, columns, rows } = area
  let most = 0
  for (let column = 0; column < columns; column++) {
    let count = 0
    for (let row = 0; row + 1 < rows; row++) {
      const isBoth = cells[row * columns + column] === 1 && cells[(row + 1) * columns + column] === 1
      if (isBoth && !isNoseInFront(row)) count++
    }
    most = Math.max(most, count)
  }
  return most
}
