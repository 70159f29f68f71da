import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { useRailPlace } from './rail-place'

describe('the place on the rail', () => {
  beforeEach(() => setActivePinia(createPinia()))

  it('stands in the address, steps counted from 1, and is read from there', () => {
    const places = useRailPlace()
    expect(places.queryOf('m')).toEqual({})
    places.keep('m', { section: 'square', step: 6 })
    expect(places.queryOf('m')).toEqual({ section: 'square', step: '7' })
    expect(places.placeFrom(places.queryOf('m'))).toEqual({ section: 'square', step: 6 })
  })

  it('is one for each model', () => {
    const places = useRailPlace()
    places.keep('m', { section: 'a', step: 1 })
    places.keep('n', { section: 'b', step: 2 })
    expect([places.of('m'), places.of('n'), places.of('o')]).toEqual([{ section: 'a', step: 1 }, { section: 'b', step: 2 }, undefined])
  })

  it.each([
    [{ section: 'a' }, { section: 'a', step: 0 }],
    [
      { section: 'a', step: '-3' },
      { section: 'a', step: 0 },
    ],
    [
      { section: 'a', step: '1.5' },
      { section: 'a', step: 0 },
    ],
    [
      { section: 'a', step: 'seven' },
      { section: 'a', step: 0 },
    ],
    [{ step: '4' }, undefined],
    [{ section: ['a', 'b'], step: '4' }, undefined],
  ])('makes the best of %o', (query, place) => expect(useRailPlace().placeFrom(query)).toEqual(place))
})
