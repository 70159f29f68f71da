import { describe, expect, it } from 'vitest'
import type { Lane, RailLayout } from '@core/booklet'
import { COLUMN, isInSight, ROW, TOP, windowOf } from './rail-drawing'

const lane = (row: number, ties: number): Lane => ({
  section: `s${row}`,
  letter: 'A',
  name: `Section ${row}`,
  times: 1,
  row,
  ties: Array.from({ length: ties }, (_, step) => ({ section: `s${row}`, step, label: '', column: step + row, pieces: 1, joins: 0 })),
})
const layout: RailLayout = {
  lanes: Array.from({ length: 200 }, (_, row) => lane(row, 500)),
  bends: [
    { from: { column: 0, row: 0 }, to: { column: 400, row: 199 } },
    { from: { column: 480, row: 0 }, to: { column: 490, row: 1 } },
  ],
  columns: 700,
}
const sight = { left: 100 * COLUMN, top: TOP + 50 * ROW, width: 20 * COLUMN, height: 6 * ROW }

describe('the rail in sight', () => {
  it('has few of a hundred thousand ties: those in sight, with a margin, and the chosen one', () => {
    const { lanes } = windowOf(layout, sight, 150, 7)
    const ties = lanes.flatMap((each) => each.ties)
    expect(ties.length).toBeLessThan(2000)
    const rows = lanes.map((each) => each.lane.row)
    for (let row = 50; row <= 56; row++) expect(rows).toContain(row)
    const columns = lanes.find((each) => each.lane.row === 52)!.ties.map((tie) => tie.column)
    for (let column = 100; column <= 120; column++) expect(columns).toContain(column)
    expect(lanes.find((each) => each.lane.row === 150)!.ties.map((tie) => tie.step)).toEqual([7])
  })

  it('keeps the bends that pass through it', () => {
    expect(windowOf(layout, sight, 50, 0).bends).toEqual([layout.bends[0]])
  })

  it('shows the chosen tie once where it is in sight', () => {
    const { lanes } = windowOf(layout, sight, 52, 60)
    expect(lanes.find((each) => each.lane.row === 52)!.ties.filter((tie) => tie.step === 60)).toHaveLength(1)
  })

  it('tells which ties are wholly in sight, and not under the names on the left', () => {
    const covered = 3 * COLUMN
    expect(isInSight(sight, 99, 52, covered)).toBe(false)
    expect(isInSight(sight, 100, 52, covered)).toBe(true)
    expect(isInSight(sight, 116, 52, covered)).toBe(true)
    expect(isInSight(sight, 117, 52, covered)).toBe(false)
    // The line of a lane lies in its middle: half of the first row is above the edge.
    expect(isInSight(sight, 110, 50, covered)).toBe(false)
    expect(isInSight(sight, 110, 51, covered)).toBe(true)
    expect(isInSight(sight, 110, 55, covered)).toBe(true)
    expect(isInSight(sight, 110, 56, covered)).toBe(false)
  })
})
