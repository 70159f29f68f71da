import { expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { BASE_CATALOGUE, colourDifference } from '../catalogue'
import type { ModelDocument } from '../model'
import { ALIKE, newlyAlike } from './alike-colours'

/** The two nearest colours of the catalogue, and one that is far from both. */
const colours = [...BASE_CATALOGUE.colours.values()]
const pairs = colours.flatMap((a, i) => colours.slice(i + 1).map((b) => ({ a, b, apart: colourDifference(a.hex, b.hex) })))
const { a, b, apart } = pairs.reduce((best, pair) => (pair.apart < best.apart ? pair : best))
const far = colours.find((c) => colourDifference(c.hex, a.hex) > 40 && colourDifference(c.hex, b.hex) > 40)!

const model = (shapes: readonly [string, string]): ModelDocument => ({
  ...oneSection([
    { ...part('x', shapes[0], [0, 0, 0]), colour: a.id },
    { ...part('y', shapes[1], [40, 0, 0]), colour: far.id },
  ]),
  variants: [{ id: 'other', name: 'Other', recolour: [{ from: far.id, to: b.id }] }],
})

it('colours that a version brings near each other in one shape are told, and only there', () => {
  expect(apart).toBeLessThan(ALIKE)
  const same = model(['brick-2x2', 'brick-2x2'])
  const [one, other] = [a.id, b.id].sort()
  expect(newlyAlike(same, {}, { variant: 'other' }, BASE_CATALOGUE)).toEqual([{ one, other, difference: Number(apart.toFixed(1)) }])
  expect(newlyAlike(same, { variant: 'other' }, {}, BASE_CATALOGUE)).toEqual([])
  expect(newlyAlike(same, { variant: 'other' }, { variant: 'other' }, BASE_CATALOGUE)).toEqual([])
  expect(newlyAlike(model(['brick-2x2', 'brick-2x4']), {}, { variant: 'other' }, BASE_CATALOGUE)).toEqual([])
})
