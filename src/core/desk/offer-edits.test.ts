import { describe, expect, it } from 'vitest'
import { BASE_CATALOGUE } from '../catalogue'
import { readOffers, type OfferBook } from './books'
import { addSupplier, changeSupplier, removeOffer, removeSupplier, setPrice } from './offer-edits'
import { readPrices } from './price-table'

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text)
const read = (text: string, known: OfferBook | null = null) =>
  readPrices(bytes(text), { catalogue: BASE_CATALOGUE, aliases: [], known, date: '2026-11-02' })
/** What a file of offers would be refused for stands in no book. */
const asFile = (book: OfferBook): OfferBook =>
  readOffers(JSON.stringify({ format: 'jump-rail-offers', version: 1, ...book }), BASE_CATALOGUE)

describe('a table of prices', () => {
  it('makes suppliers of its names, in words and with a decimal comma too', () => {
    const { offers, prices, words } = read(
      'Supplier;Piece;Colour;Price;Available;Lot\nThe drawer;Brick 2x4;red;0,25;30;5\nAttic;plate-1x2;slate;0,1;;\n',
    )
    expect(prices).toBe(2)
    expect(words).toEqual([{ row: 2, said: 'Brick 2x4', as: 'brick-2x4' }])
    expect(offers).toEqual({
      currency: 'EUR',
      date: '2026-11-02',
      suppliers: [
        {
          id: 'the-drawer',
          name: 'The drawer',
          shipping: 0,
          kits: [],
          offers: [{ shape: 'brick-2x4', colour: 'red', price: 0.25, available: 30, lot: 5 }],
        },
        { id: 'attic', name: 'Attic', shipping: 0, kits: [], offers: [{ shape: 'plate-1x2', colour: 'slate', price: 0.1 }] },
      ],
    })
    expect(asFile(offers)).toEqual(offers)
  })

  it('goes among the offers that are known: shipping stays, the same piece has the new price', () => {
    const before = changeSupplier(read('supplier,shape,colour,price\nAttic,brick-2x4,red,1\nAttic,brick-2x2,red,2').offers, 'attic', {
      shipping: 3,
    })
    const after = read('supplier,shape,colour,price\nATTIC,brick-2x4,red,1.5\nOther,brick-2x4,red,9', { ...before, currency: 'GBP' }).offers
    expect(after.currency).toBe('GBP')
    expect(after.suppliers.map(({ id, shipping }) => [id, shipping])).toEqual([
      ['attic', 3],
      ['other', 0],
    ])
    expect(after.suppliers[0]!.offers.map(({ shape, price }) => [shape, price])).toEqual([
      ['brick-2x2', 2],
      ['brick-2x4', 1.5],
    ])
  })

  it('is refused whole, with every cell that is wrong', () => {
    const wrong = 'supplier,shape,colour,price,lot\n,brick-2x4,red,1,\nA,brickle-9x9,red,0.123,x\n'
    expect(() => read(wrong)).toThrow(expect.objectContaining({ code: 'csv-row' }) as Error)
    try {
      read(wrong)
    } catch (thrown) {
      expect((thrown as { problems: { place: string }[] }).problems.map(({ place }) => place)).toEqual([
        'row 2, column supplier',
        'row 3, column shape',
        'row 3, column price',
        'row 3, column lot',
      ])
    }
    expect(() => read('shape,colour,price\nbrick-2x4,red,1')).toThrow(expect.objectContaining({ code: 'csv-header' }) as Error)
  })
})

describe('offers edited by hand', () => {
  const book = addSupplier(null, ' The long drawer ', '2026-11-02')
  const brick = { shape: 'brick-2x4', colour: 'red' }

  it('are a book that a file may hold, after every edit', () => {
    const priced = setPrice(book, 'the-long-drawer', brick, 0.25)
    const terms = changeSupplier(priced, 'the-long-drawer', { shipping: 4.5, freeFrom: 30, minimum: 2, days: 3 })
    expect(asFile(terms)).toEqual(terms)
    expect(terms.suppliers[0]).toMatchObject({
      name: 'The long drawer',
      shipping: 4.5,
      freeFrom: 30,
      days: 3,
      offers: [{ ...brick, price: 0.25 }],
    })
    const dearer = setPrice(terms, 'the-long-drawer', brick, 0.3)
    expect(dearer.suppliers[0]!.offers).toEqual([{ ...brick, price: 0.3 }])
    const free = changeSupplier(dearer, 'the-long-drawer', { freeFrom: undefined, days: undefined })
    expect(Object.keys(asFile(free).suppliers[0]!)).not.toContain('freeFrom')
    expect(removeOffer(free, 'the-long-drawer', dearer.suppliers[0]!.offers[0]!).suppliers[0]!.offers).toEqual([])
    expect(removeSupplier(free, 'the-long-drawer').suppliers).toEqual([])
  })

  it('refuse what is no money, and two of one name', () => {
    for (const price of [-1, Number.NaN, 0.001, Infinity])
      expect(() => setPrice(book, 'the-long-drawer', brick, price)).toThrow('two decimals')
    expect(() => changeSupplier(book, 'the-long-drawer', { days: 1.5 })).toThrow('whole number')
    expect(() => addSupplier(book, 'the LONG drawer', '2026-11-02')).toThrow('already')
    expect(addSupplier(addSupplier(book, 'Ä!', 'x'), 'ä', 'x').suppliers.map(({ id }) => id)).toEqual(['the-long-drawer', 'ä', 'ä-2'])
  })
})
