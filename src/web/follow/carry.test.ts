import fc from 'fast-check'
import { expect, it } from 'vitest'
import { makeBundle, makePages } from '@core/booklet'
import { reportModel, viewsOf } from '@core/pipeline'
import { closedRoom, oneSection } from '../../../tests/support/models'
import { carriedProgress, carriedVersion, placeAddress } from './carry'
import { tickKey } from './progress'

const model = oneSection(closedRoom())
const { report, looks } = reportModel(model)
const pages = makePages(makeBundle(model, report, viewsOf(looks)))
const keys = pages.flatMap((page) => ('callout' in page ? page.callout.map((piece) => tickKey(piece, page)) : []))

it('a place goes into an address and comes out of it, with every tick', () => {
  expect(keys.length).toBeGreaterThan(3)
  fc.assert(
    fc.property(fc.nat(pages.length - 1), fc.subarray(keys), (page, ticked) => {
      const address = placeAddress(pages, { version: 3 }, { page, ticked })
      expect(encodeURI(address)).toBe(address)
      expect(carriedProgress(pages, 3, address)).toMatchObject({ page, ticked })
    }),
  )
})

it('of another version only the page comes along, and nonsense is none', () => {
  const address = placeAddress(pages, { version: 3 }, { page: 2, ticked: keys })
  expect(carriedProgress(pages, 4, address)).toMatchObject({ page: 2, ticked: [] })
  expect(carriedProgress(pages, 3, '#place=3.999999.')).toMatchObject({ page: pages.length - 1 })
  for (const hash of ['', '#', '#place=', '#place=3', '#place=3.-1.', '#place=x.1.', '#other=3.1.'])
    expect(carriedProgress(pages, 3, hash)).toBeUndefined()
})

it('which of several versions is built comes along, whatever its id', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme' }), (shows) => {
      const address = placeAddress(pages, { version: 3, shows }, { page: 2, ticked: keys })
      expect(carriedVersion(address)).toBe(shows)
      expect(carriedProgress(pages, 3, address)).toMatchObject({ page: 2, ticked: keys })
    }),
  )
  expect(carriedVersion(placeAddress(pages, { version: 3 }, { page: 2, ticked: keys }))).toBeUndefined()
  expect(carriedVersion('#place=3.1.a.%')).toBeUndefined()
})
