import { describe, expect, it } from 'vitest'
import type { Lane, RailLayout } from '@core/booklet'
import { COLUMN, isInSight, ROW, TOP, windowOf, withChosen } from './rail-drawing'

const lane = (row: number, ties: number): Lane => ({
  section: `s${row}`,
  letter: 'A',
  name: `Section ${row}`,
  times: 1,
  row,
  line: row,
  isInset: false,
  ties: Array.from({ length: ties }, (_, step) => ({ section: `s${row}`, step, label: '', column: step + row, pieces: 1, joins: 0 })),
})
const layout: RailLayout = {
  lanes: Array.from({ length: 200 }, (_, row) => lane(row, 500)),
  bends: [
    { from: { column: 0, line: 0 }, to: { column: 400, line: 199 } },
    { from: { column: 480, line: 0 }, to: { column: 490, line: 1 } },
  ],
  columns: 700,
  lines: 200,
}
const sight = { left: 100 * COLUMN, top: TOP + 50 * ROW, width: 20 * COLUMN, height: 6 * ROW }

describe('the rail in sight', () => {
  it('has few of a hundred thousand ties: those in sight, with a margin', () => {
    const { lanes } = windowOf(layout, sight)
    const ties = lanes.flatMap((each) => each.ties)
    expect(ties.length).toBeLessThan(1000)
    const rows = lanes.map((each) => each.lane.row)
    for (let row = 50; row <= 56; row++) expect(rows).toContain(row)
    const columns = lanes.find((each) => each.lane.row === 52)!.ties.map((tie) => tie.column)
    for (let column = 100; column <= 120; column++) expect(columns).toContain(column)
  })

  it('has the chosen tie too, wherever it is, and the other lanes stay the same objects', () => {
    const { lanes } = windowOf(layout, sight)
    const far = withChosen(lanes, layout, 150, 7)
    expect(far.find((each) => each.lane.row === 150)!.ties.map((tie) => tie.step)).toEqual([7])
    expect(far.slice(0, -1)).toEqual(lanes)
    const beside = withChosen(lanes, layout, 52, 400)
    expect(beside.find((each) => each.lane.row === 52)!.ties.map((tie) => tie.step)).toContain(400)
    for (const each of lanes) if (each.lane.row !== 52) expect(beside).toContain(each)
  })

  it('keeps the bends that pass through it', () => {
    expect(windowOf(layout, sight).bends).toEqual([layout.bends[0]])
  })

  it('is the same where the chosen tie is in sight, and where there is none', () => {
    const { lanes } = windowOf(layout, sight)
    expect(withChosen(lanes, layout, 52, 60)).toBe(lanes)
    expect(withChosen(lanes, layout, 52, 9999)).toBe(lanes)
    expect(withChosen(lanes, layout, 9999, 0)).toBe(lanes)
  })

  it('tells which ties are wholly in sight, and not under the names on the left', () => {
    const covered = 3 * COLUMN
    expect(isInSight(sight, { column: 99, line: 52 }, covered)).toBe(false)
    expect(isInSight(sight, { column: 100, line: 52 }, covered)).toBe(true)
    expect(isInSight(sight, { column: 116, line: 52 }, covered)).toBe(true)
    expect(isInSight(sight, { column: 117, line: 52 }, covered)).toBe(false)
    // The line of a lane lies in its middle: half of the first row is above the edge.
    expect(isInSight(sight, { column: 110, line: 50 }, covered)).toBe(false)
    expect(isInSight(sight, { column: 110, line: 51 }, covered)).toBe(true)
    expect(isInSight(sight, { column: 110, line: 55 }, covered)).toBe(true)
    expect(isInSight(sight, { column: 110, line: 56 }, covered)).toBe(false)
  })
})
