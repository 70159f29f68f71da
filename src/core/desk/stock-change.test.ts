import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { NO_BOOKS, piecesIn, stockDifference, withStock, withStockChanged, type DeskPiece } from './index'

const pieces = fc.uniqueArray(
  fc.record({
    shape: fc.constantFrom('brick-1x1', 'plate-1x2', 'tile-1x2'),
    colour: fc.constantFrom('red', 'blue'),
    count: fc.integer({ min: 1, max: 30 }),
  }),
  { maxLength: 6, selector: ({ shape, colour }) => `${shape} ${colour}` },
)
const negative = (list: readonly DeskPiece[]): DeskPiece[] => list.map((piece) => ({ ...piece, count: -piece.count }))

describe('changes of the stock', () => {
  it('put in and take out, never more than is there, and remember what really changed', () => {
    fc.assert(
      fc.property(pieces, pieces, pieces, (first, put, taken) => {
        const before = withStock(NO_BOOKS, first, 'first', 1)
        const after = withStockChanged(withStockChanged(before, put, 'put in', 2), negative(taken), 'taken out', 3)
        expect(after.stock.every(({ count }) => count > 0)).toBe(true)
        const byHand = new Map<string, number>()
        const add = (list: readonly DeskPiece[]): void => {
          for (const { shape, colour, count } of list)
            byHand.set(`${shape} ${colour}`, Math.max(0, (byHand.get(`${shape} ${colour}`) ?? 0) + count))
        }
        add(first)
        add(put)
        add(negative(taken))
        expect(piecesIn(after.stock)).toBe([...byHand.values()].reduce((sum, count) => sum + count, 0))
        // All that is remembered adds up to what is there.
        expect(after.log.reduce((sum, change) => sum + piecesIn(change.pieces), 0)).toBe(piecesIn(after.stock))
      }),
    )
  })

  it('are none where nothing changes, and forget the oldest', () => {
    const stock = [{ shape: 'brick-1x1', colour: 'red', count: 2 }]
    const books = withStock(NO_BOOKS, stock, 'first', 1)
    expect(withStock(books, [...stock], 'again', 2).log).toHaveLength(1)
    expect(stockDifference(stock, [])).toEqual([{ shape: 'brick-1x1', colour: 'red', count: -2 }])
    let many = books
    for (let i = 0; i < 400; i++) many = withStockChanged(many, stock, String(i), i)
    expect(many.log).toHaveLength(300)
    expect(many.log[0]!.what).toBe('399')
  })
})
