import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { FigureOption, FigureRecipe } from '../model'
import { figureCosts } from './index'

const option = fc.record(
  {
    shape: fc.constantFrom('a', 'b'),
    colour: fc.constant('red'),
    closeness: fc.integer({ min: 1, max: 5 }),
    price: fc.integer({ min: 0, max: 500 }).map((cents) => cents / 100),
  },
  { requiredKeys: ['shape', 'colour'] },
)
const recipes = fc
  .record({ torso: fc.array(option, { minLength: 1, maxLength: 4 }), head: fc.array(option, { minLength: 1, maxLength: 4 }) })
  .map(
    ({ torso, head }) =>
      ({ id: 'f', name: 'F', section: 'f', slots: { torso: { options: torso }, head: { options: head } } }) as unknown as FigureRecipe,
  )

describe('what a figure costs', () => {
  it('is least where the cheapest are taken, and nearest where the closest are', () => {
    fc.assert(
      fc.property(recipes, (recipe) => {
        const costs = figureCosts(recipe)
        const all = [recipe.slots.torso!, recipe.slots.head!].map(({ options }) => options)
        const hasPrice = all.flat().some(({ price }) => price !== undefined)
        expect(costs).toHaveLength(hasPrice ? 3 : 0)
        if (!hasPrice) return
        const [published, closest, cheapest] = costs as [(typeof costs)[0], (typeof costs)[0], (typeof costs)[0]]
        expect(cheapest.unpriced).toBeLessThanOrEqual(published.unpriced)
        if (cheapest.unpriced === published.unpriced) expect(cheapest.each).toBeLessThanOrEqual(published.each)
        all.forEach((options, i) => {
          const most = Math.max(...options.map(({ closeness = 0 }) => closeness))
          const pick = closest.picks.find(({ slot }) => slot === (i === 0 ? 'torso' : 'head'))!
          expect(pick.option.closeness ?? 0).toBe(most)
        })
      }),
    )
  })

  it('tells what has no price, and how close the pieces come in the mean', () => {
    const options: FigureOption[] = [
      { shape: 'a', colour: 'red', closeness: 5 },
      { shape: 'b', colour: 'red', closeness: 2, price: 1.25 },
    ]
    const recipe = { id: 'f', name: 'F', section: 'f', slots: { torso: { options }, head: { options: [options[1]!] } } } as FigureRecipe
    expect(figureCosts(recipe).map(({ way, each, closeness, unpriced }) => [way, each, closeness, unpriced])).toEqual([
      ['published', 1.25, 3.5, 1],
      ['closest', 1.25, 3.5, 1],
      ['cheapest', 2.5, 2, 0],
    ])
  })
})
