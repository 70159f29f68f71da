import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { FigureRecipe } from '../model'
import { withChosen, withOption, withOptionTold, withoutOption } from './figures'

const EMPTY: FigureRecipe = { slots: {} } as FigureRecipe
const option = (shape: string) => ({ shape, colour: 'red' })
const filled = ['figure-torso', 'figure-torso-wide', 'figure-torso-slim'].reduce(
  (recipe, shape) => withOption(recipe, 'torso', option(shape)),
  EMPTY,
)
const shapesOf = (recipe: FigureRecipe) => recipe.slots.torso?.options.map(({ shape }) => shape)
const publishedOf = ({ slots: { torso } }: FigureRecipe) => torso?.options[torso.chosen ?? 0]?.shape

describe('edits of a recipe', () => {
  it('collect pieces for a slot, the first published until another is chosen', () => {
    expect(shapesOf(filled)).toEqual(['figure-torso', 'figure-torso-wide', 'figure-torso-slim'])
    expect(publishedOf(filled)).toBe('figure-torso')
    expect(publishedOf(withChosen(filled, 'torso', 2))).toBe('figure-torso-slim')
    expect(EMPTY.slots).toEqual({})
  })

  it('keep what is published when another piece goes; when it goes itself, its neighbour follows', () => {
    fc.assert(
      fc.property(fc.nat(2), fc.nat(2), (chosen, gone) => {
        const before = withChosen(filled, 'torso', chosen)
        const after = withoutOption(before, 'torso', gone)
        expect(shapesOf(after)).toEqual(shapesOf(before)!.filter((_, i) => i !== gone))
        if (gone !== chosen) expect(publishedOf(after)).toBe(publishedOf(before))
        else expect(publishedOf(after)).toBe(shapesOf(after)![Math.min(chosen, 1)])
      }),
    )
  })

  it('drop a slot with its last piece, and leave alone what is not there', () => {
    const one = withOption(EMPTY, 'hat' as 'torso', option('hat-flat'))
    expect(withoutOption(one, 'hat' as 'torso', 0).slots).toEqual({})
    expect(withChosen(EMPTY, 'torso', 1)).toBe(EMPTY)
    expect(withoutOption(EMPTY, 'torso', 0)).toBe(EMPTY)
    expect(withOptionTold(EMPTY, 'torso', 0, { colour: 'blue' })).toBe(EMPTY)
  })

  it('tell more of one piece and of no other', () => {
    const told = withOptionTold(filled, 'torso', 1, { colour: 'blue' })
    expect(told.slots.torso!.options.map(({ colour }) => colour)).toEqual(['red', 'blue', 'red'])
    expect(filled.slots.torso!.options[1]!.colour).toBe('red')
  })
})
