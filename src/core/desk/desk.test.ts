import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { BASE_CATALOGUE } from '../catalogue'
import { Fault } from '../fault'
import { colourBook, notMade, NO_BOOKS } from './made'
import { cover } from './cover'
import { EXAMPLE_KITS, EXAMPLE_OFFERS, EXAMPLE_STOCK } from './examples'
import { needOf } from './need'
import { readKits, readOffers } from './books'
import { readStock, writeStock } from './stock'
import { sheetOf, sheetTable, sheetWords } from './sheet'

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text)
const stockOf = (text: string) => readStock(bytes(text), BASE_CATALOGUE)
const faultOf = (act: () => unknown): Fault => {
  try {
    act()
  } catch (thrown) {
    if (thrown instanceof Fault) return thrown
  }
  throw new Error('nothing was refused')
}

const TABLE = oneSection([
  part('a', 'brick-2x2', [0, 0, 0]),
  part('b', 'brick-2x2', [0, 0, 12]),
  { ...part('c', 'brick-2x2', [0, 0, 24]), showsColour: false },
])

describe('what is needed', () => {
  it('is what the plan counts, as often as there are models, in any colour where the colour does not matter', () => {
    const [piece] = needOf(TABLE)
    expect(needOf(TABLE, 3).map(({ colour, count }) => [colour, count])).toEqual([
      ['any', 3],
      [piece!.colour === 'any' ? needOf(TABLE)[1]!.colour : piece!.colour, 6],
    ])
  })

  it('is laid out line by line: what is there, what is to buy, where it is used', () => {
    const need = needOf(TABLE)
    const colour = need.find((piece) => piece.colour !== 'any')!.colour
    const coverage = cover(
      need,
      [{ shape: 'brick-2x2', colour, count: 1 }],
      [{ kit: { id: 'box', name: 'Box', pieces: [{ shape: 'brick-2x2', colour: 'plum', count: 1 }] }, count: 1 }],
    )
    const lines = sheetOf(TABLE, need, coverage)
    expect(lines.map(({ piece, fromStock, fromKits, toBuy }) => [piece.colour, fromStock, fromKits, toBuy])).toEqual([
      ['any', 0, 1, 0],
      [colour, 1, 0, 1],
    ])
    expect(lines.every(({ sections }) => sections.length === 1)).toBe(true)
    expect(sheetWords(lines)).toBe('3 pieces of 2 kinds: 1 in stock, 1 in your kits, 1 to buy.')
    expect(sheetTable(lines, BASE_CATALOGUE).split('\n')[1]).toContain('Any colour')
  })
})

describe('books', () => {
  it('are read as the examples write them', () => {
    expect(stockOf(EXAMPLE_STOCK).pieces).toHaveLength(3)
    expect(stockOf(writeStock(stockOf(EXAMPLE_STOCK).pieces)).pieces).toEqual(stockOf(EXAMPLE_STOCK).pieces)
    expect(readKits(EXAMPLE_KITS, BASE_CATALOGUE)[0]!.pieces).toHaveLength(2)
    expect(readOffers(EXAMPLE_OFFERS, BASE_CATALOGUE).suppliers[0]!.offers).toHaveLength(3)
  })

  it('are refused whole, with the place: a stock with every cell that is wrong', () => {
    const fault = faultOf(() => stockOf('shape,colour,count,length mm\nbrick-9x9,red,2,\nbrick-1x1,red,-2,\nbrick-1x1,red,2,40'))
    expect(fault.code).toBe('csv-row')
    expect(fault.problems.map(({ place }) => place)).toEqual(['row 2, column shape', 'row 3, column count', 'row 4, column length mm'])
    expect(faultOf(() => stockOf('shape,count\nbrick-1x1,2'))).toMatchObject({ code: 'csv-header' })
  })

  it('say where a kit or an offer is wrong', () => {
    const offers = (change: object): string => JSON.stringify({ ...(JSON.parse(EXAMPLE_OFFERS) as object), ...change })
    const supplier = (change: object): string =>
      offers({
        suppliers: [{ id: 'a', name: 'A', shipping: 0, offers: [{ shape: 'brick-1x1', colour: 'red', price: 1, ...change }], kits: [] }],
      })
    const read = (text: string) => faultOf(() => readOffers(text, BASE_CATALOGUE))
    expect(read(supplier({ price: 0.001 }))).toMatchObject({ code: 'bad-value', place: 'suppliers[0].offers[0].price' })
    expect(read(supplier({ shape: 'brick-1x11' }))).toMatchObject({ code: 'unknown-shape', place: 'suppliers[0].offers[0].shape' })
    expect(read(supplier({ colour: 'any' })).code).toBe('bad-value')
    expect(read(supplier({ weight: 2 })).code).toBe('unknown-key')
    expect(read(offers({ currency: undefined })).code).toBe('missing-key')
    expect(read('{').code).toBe('not-json')
    const doubled = JSON.parse(EXAMPLE_KITS) as { kits: object[] }
    expect(faultOf(() => readKits(JSON.stringify({ ...doubled, kits: [...doubled.kits, ...doubled.kits] }), BASE_CATALOGUE)).code).toBe(
      'double-id',
    )
  })

  it('know in which colours a shape is made, and say nothing of shapes they do not have', () => {
    const book = colourBook({
      ...NO_BOOKS,
      stock: [{ shape: 'brick-1x1', colour: 'red', count: 1 }],
      offers: readOffers(EXAMPLE_OFFERS, BASE_CATALOGUE),
    })
    const asked = [
      { shape: 'brick-1x1', colour: 'red' },
      { shape: 'brick-1x1', colour: 'plum' },
      { shape: 'plate-1x2', colour: 'ash' },
      { shape: 'leaf', colour: 'plum' },
    ]
    expect(notMade(asked, book)).toEqual([{ shape: 'brick-1x1', colour: 'plum' }])
  })
})
