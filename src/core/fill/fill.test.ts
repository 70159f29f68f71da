import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { BASE_CATALOGUE } from '../catalogue'
import { checkModel, Flattener, type Part } from '../model'
import { PlaceJudge } from '../placing'
import { reportModel } from '../pipeline'
import { sectionNodes } from '../scene'
import {
  areaInside,
  areaOnTop,
  areaOf,
  blocksOf,
  cellCount,
  coverArea,
  coverPiece,
  fillArea,
  filledParts,
  letterCells,
  makeSign,
  seamsBelow,
  type Cover,
  type FillArea,
} from './index'

const rectangle = (columns: number, rows: number): FillArea => ({
  columns,
  rows,
  cells: new Uint8Array(columns * rows).fill(1),
  at: [0, 0, 0],
})
const PIECES = [
  { width: 4, depth: 2 },
  { width: 2, depth: 2 },
  { width: 3, depth: 1 },
  { width: 2, depth: 1 },
  { width: 1, depth: 1 },
]

/** Every cell covered once, none outside: the cells each place covers, all together. */
function coveredCells(area: FillArea, cover: Cover, pieces: readonly { width: number; depth: number }[]): number[] {
  return cover.places.flatMap(({ piece, column, row, isTurned }) => {
    const { width, depth } = pieces[piece]!
    const [columns, rows] = isTurned ? [depth, width] : [width, depth]
    expect(column + columns).toBeLessThanOrEqual(area.columns)
    expect(row + rows).toBeLessThanOrEqual(area.rows)
    return Array.from({ length: columns * rows }, (_, i) => (row + Math.floor(i / columns)) * area.columns + column + (i % columns))
  })
}

/** The fewest pieces, by trying everything breadth first; for a handful of cells. */
function fewestByForce(area: FillArea, pieces: readonly { width: number; depth: number }[]): number {
  let states = new Set([area.cells.join('')])
  const none = '0'.repeat(area.cells.length)
  for (let count = 0; ; count++) {
    if (states.has(none)) return count
    const next = new Set<string>()
    for (const state of states) {
      const cell = state.indexOf('1')
      const [column, row] = [cell % area.columns, Math.floor(cell / area.columns)]
      for (const { width, depth } of pieces) {
        for (const [columns, rows] of [
          [width, depth],
          [depth, width],
        ] as const) {
          if (column + columns > area.columns || row + rows > area.rows) continue
          const cells = Array.from(
            { length: columns * rows },
            (_, i) => (row + Math.floor(i / columns)) * area.columns + column + (i % columns),
          )
          if (cells.some((each) => state[each] === '0')) continue
          const letters = [...state]
          for (const each of cells) letters[each] = '0'
          next.add(letters.join(''))
        }
      }
    }
    states = next
  }
}

const someArea = fc
  .tuple(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 1, max: 4 }))
  .chain(([columns, rows]) =>
    fc
      .array(fc.boolean(), { minLength: columns * rows, maxLength: columns * rows })
      .map((flags): FillArea => ({ columns, rows, at: [0, 0, 0], cells: Uint8Array.from(flags, (flag) => (flag ? 1 : 0)) })),
  )

describe('covering an area', () => {
  it('takes the fewest pieces there can be, and covers every cell once', () => {
    fc.assert(
      fc.property(someArea, (area) => {
        const cover = coverArea(area, PIECES)
        const cells = coveredCells(area, cover, PIECES)
        expect(new Set(cells).size).toBe(cells.length)
        expect(cells.every((cell) => area.cells[cell] === 1)).toBe(true)
        expect(cells).toHaveLength(cellCount(area))
        expect(cover).toMatchObject({ left: 0, isProven: true })
        expect(cover.places).toHaveLength(fewestByForce(area, PIECES))
      }),
      { numRuns: 150 },
    )
  })

  it('leaves as little bare as the pieces let, and never takes more than there are', () => {
    expect(coverArea(rectangle(3, 3), [{ width: 2, depth: 2 }])).toMatchObject({ left: 5 })
    const few = coverArea(rectangle(8, 4), [
      { width: 4, depth: 2, most: 3 },
      { width: 1, depth: 1 },
    ])
    expect(few.places.filter(({ piece }) => piece === 0)).toHaveLength(3)
    expect(few).toMatchObject({ left: 0 })
    expect(coverArea(rectangle(60, 60), [{ width: 8, depth: 8, most: 1 }]).left).toBe(3536)
  })

  it('keeps its seams off those below where that costs no piece', () => {
    const seams = { right: new Uint8Array(16), behind: new Uint8Array(16) }
    for (let row = 0; row < 2; row++) seams.right[row * 8 + 3] = 1
    const over = (cover: Cover): boolean => cover.places.some(({ column, isTurned }) => !isTurned && column === 4)
    expect(
      over(
        coverArea(rectangle(8, 2), [
          { width: 4, depth: 2 },
          { width: 2, depth: 2 },
        ]),
      ),
    ).toBe(true)
    const bridged = coverArea(
      rectangle(8, 2),
      [
        { width: 4, depth: 2 },
        { width: 2, depth: 2 },
        { width: 6, depth: 2 },
      ],
      { seams },
    )
    expect(bridged.places).toHaveLength(2)
    expect(over(bridged)).toBe(false)
  })

  it('tells of each better cover, and what is still possible', () => {
    const told: number[] = []
    const cover = coverArea(rectangle(10, 7), PIECES, { onBetter: ({ places }) => told.push(places.length), budget: 20_000 })
    expect(told.at(-1)).toBe(cover.places.length)
    expect([...told].sort((a, b) => b - a)).toEqual(told)
    expect(cover.bound).toBeLessThanOrEqual(cover.places.length)
  })
})

describe('patterns', () => {
  it('lay courses, set off by half, with the rest at the edges', () => {
    const pieces = [
      { width: 4, depth: 1 },
      { width: 2, depth: 1 },
      { width: 1, depth: 1 },
    ]
    const grid = fillArea(rectangle(10, 2), pieces, 'grid')
    expect(grid.places.filter(({ piece }) => piece === 0).map(({ column, row }) => [column, row])).toEqual([
      [0, 0],
      [4, 0],
      [0, 1],
      [4, 1],
    ])
    const bond = fillArea(rectangle(10, 2), pieces, 'bond')
    expect(bond.places.filter(({ piece, row }) => piece === 0 && row === 1).map(({ column }) => column)).toEqual([2, 6])
    for (const filled of [grid, bond]) expect(new Set(coveredCells(rectangle(10, 2), filled, pieces)).size).toBe(20)
  })

  it('lay bands in turns of colours', () => {
    const pieces = [
      { width: 4, depth: 2 },
      { width: 1, depth: 1 },
    ]
    const filled = fillArea(rectangle(4, 6), pieces, 'stripes')
    expect(filled.bands).toEqual([0, 1, 2])
    const parts = filledParts(
      rectangle(4, 6),
      filled,
      [
        { shape: 'plate-2x4', colour: 'red' },
        { shape: 'plate-1x1', colour: 'red' },
      ],
      ['sand', 'moss'],
    )
    expect(parts.map(({ colour }) => colour)).toEqual(['sand', 'moss', 'sand'])
  })
})

describe('areas', () => {
  const model = (parts: readonly Part[]) => oneSection(parts)
  const askOf = (parts: readonly Part[]) => {
    const whole = model(parts)
    const judge = new PlaceJudge(sectionNodes(whole, new Flattener(whole), 'main'))
    return { placed: new Flattener(whole).all('main'), hasRoom: judge.hasRoom }
  }

  it('are the free studs on top, at the height of most', () => {
    const { placed, hasRoom } = askOf([part('floor', 'plate-4x4', [0, 0, 0]), part('post', 'brick-1x1', [0, 0, 4])])
    expect(areaOnTop(placed, 4, hasRoom)).toMatchObject({
      columns: 4,
      rows: 4,
      at: [0, 0, 4],
      cells: Uint8Array.from([0, ...Array<number>(15).fill(1)]),
    })
    expect(areaOnTop(placed.slice(1), 4, hasRoom)).toMatchObject({ at: [0, 0, 16], columns: 1 })
    expect(areaOnTop([], 4, hasRoom)).toBeUndefined()
  })

  it('are what an outline encloses, nothing where it is open', () => {
    const frame = [
      part('a', 'brick-1x6', [0, 0, 0]),
      part('b', 'brick-1x6', [0, 50, 0]),
      part('c', 'brick-1x4', [0, 10, 0], '+y-x'),
      part('d', 'brick-1x4', [50, 10, 0], '+y-x'),
    ]
    const closed = askOf(frame)
    expect(areaInside(closed.placed, 4, closed.hasRoom)).toMatchObject({ columns: 4, rows: 4, at: [10, 10, 0] })
    const open = askOf(frame.slice(0, 3))
    expect(areaInside(open.placed, 4, open.hasRoom)).toBeUndefined()
  })

  it('are filled with what fits: parts that hold, nothing in the way', () => {
    const floor = [part('floor', 'plate-8x8', [0, 0, 0]), part('post', 'brick-2x2', [30, 30, 4])]
    const { placed, hasRoom } = askOf(floor)
    const area = areaOnTop(placed, 4, hasRoom)!
    const pieces = blocksOf('tile').map(({ id }) => ({ shape: id, colour: 'sand' }))
    const filled = fillArea(
      area,
      pieces.map((each) => coverPiece(each, BASE_CATALOGUE)!),
      'fewest',
      { seams: seamsBelow(area, placed), budget: 30_000 },
    )
    const whole = checkModel(model([...floor, ...filledParts(area, filled, pieces)]))
    expect(filled.left).toBe(0)
    expect(reportModel(whole).report.findings.filter(({ severity }) => severity === 'error')).toEqual([])
  })

  it('take plain blocks only', () => {
    expect(blocksOf('plate').map(({ id }) => id)).toContain('plate-2x4')
    expect(coverPiece({ shape: 'slope-2x2', colour: 'red' }, BASE_CATALOGUE)).toBeUndefined()
    expect(areaOf([])).toBeUndefined()
  })
})

describe('letters', () => {
  it('are as high as they are wanted, one cell apart', () => {
    expect(letterCells('I', 7)).toEqual({ columns: 1, rows: 7, cells: new Uint8Array(7).fill(1) })
    expect(letterCells('ill', 7).columns).toBe(1 + 1 + 4 + 1 + 4)
    expect(letterCells('é', 9)).toEqual(letterCells('E', 9))
    expect(letterCells('H', 14).rows).toBe(14)
  })

  it('are refused where they have no form, or none are there', () => {
    expect(() => letterCells('  ', 7)).toThrow('nothing to write')
    expect(() => letterCells('Ж', 7)).toThrow('has no form')
    expect(() => letterCells('A', 4)).toThrow('5 to 60')
    expect(() => letterCells('A'.repeat(61), 7)).toThrow('too long')
  })

  it('become a sign that holds together and can be built', () => {
    for (const isFlush of [true, false]) {
      const sign = makeSign(letterCells('LAMP', 7), { colour: 'red', ground: 'white', face: 'tile', isFlush, margin: 1 })
      const whole = checkModel(oneSection(sign.parts))
      const { findings } = reportModel(whole).report
      expect(findings.filter(({ severity }) => severity === 'error')).toEqual([])
      expect(sign.size.depth).toBeCloseTo(isFlush ? 9.6 : 11.2)
      const red = sign.parts.filter(({ colour }) => colour === 'red')
      const studs = red.reduce(
        (sum, { shape }) => sum + (BASE_CATALOGUE.shapes.get(shape)!.box[0] * BASE_CATALOGUE.shapes.get(shape)!.box[1]) / 100,
        0,
      )
      expect(studs).toBe(letterCells('LAMP', 7).cells.reduce((sum, cell) => sum + cell, 0))
    }
  })

  it('is made of low slopes, nose to nose in every second row, with the slack that adds up', () => {
    const picture = letterCells('IL', 9)
    const sign = makeSign(picture, { colour: 'red', ground: 'white', face: 'slope', isFlush: true, margin: 1 })
    const { findings } = reportModel(checkModel(oneSection(sign.parts))).report
    expect(findings.filter(({ severity }) => severity === 'error')).toEqual([])
    const slopes = sign.parts.filter(({ shape }) => shape.startsWith('slope-low'))
    const studs = slopes.reduce((sum, { shape }) => sum + BASE_CATALOGUE.shapes.get(shape)!.box[0] / 10, 0)
    expect(studs).toBe(picture.cells.reduce((sum, cell) => sum + cell, 0))
    const rows = new Map(slopes.map(({ at, turn }) => [at![1], turn ?? '']))
    for (const [y, turn] of rows) if (rows.has(y + 10)) expect(rows.get(y + 10)).not.toBe(turn)
    // Nine rows from the second on: four times two noses meet.
    expect(sign.slack).toBeCloseTo(4 * 0.15)
    expect(sign.size.depth).toBeCloseTo((8 + 8) * 0.8)
    expect(makeSign(picture, { colour: 'red', ground: 'white', face: 'tile', isFlush: true, margin: 1 }).slack).toBe(0)
  })
})
