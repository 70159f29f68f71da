import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { LEAST_SHARE, packRows, type SheetRow } from './row-packing'

interface TestRow extends SheetRow {
  readonly name: number
}

const ROOM = 700
const rows = fc
  .array(fc.tuple(fc.integer({ min: 10, max: 120 }), fc.integer({ min: 0, max: 300 }), fc.boolean()), { maxLength: 40 })
  .map((specs) =>
    specs.map(([fixed, picture, keepsWithNext], name): TestRow => ({ name, height: (share) => fixed + picture * share, keepsWithNext })),
  )
const total = (packed: readonly TestRow[], share: number): number => packed.reduce((sum, { height }) => sum + height(share), 0)

describe('rows on sheets', () => {
  it('keep their order, are all there, and never reach over the foot', () => {
    fc.assert(
      fc.property(rows, (given) => {
        const sheets = packRows(given, { height: ROOM })
        expect(sheets.flatMap((sheet) => sheet.rows.map(({ name }) => name))).toEqual(given.map(({ name }) => name))
        for (const { rows: own, share } of sheets) {
          expect(own.length).toBeGreaterThan(0)
          expect(share).toBeGreaterThanOrEqual(LEAST_SHARE)
          if (own.length > 1) expect(total(own, share)).toBeLessThanOrEqual(ROOM + 1e-6)
        }
      }),
    )
  })

  it('end a sheet only where the next row has no room, or would leave a head alone', () => {
    fc.assert(
      fc.property(rows, (given) => {
        const sheets = packRows(given, { height: ROOM })
        sheets.slice(0, -1).forEach(({ rows: own }, i) => {
          const next = sheets[i + 1]!.rows
          const isFull = total([...own, next[0]!], LEAST_SHARE) > ROOM
          const isHeadNext = next[0]!.keepsWithNext === true
          expect(isFull || isHeadNext).toBe(true)
        })
      }),
    )
  })

  it('have pictures as large as there is room for', () => {
    const row = (picture: number): SheetRow => ({ height: (share) => 40 + picture * share })
    expect(packRows([row(250), row(250)], { height: ROOM })).toMatchObject([{ share: 1 }])
    const [sheet] = packRows([row(210), row(210), row(210)], { height: ROOM })
    expect(sheet!.rows).toHaveLength(3)
    expect(sheet!.share).toBeCloseTo((ROOM - 120) / 630, 2)
  })
})
