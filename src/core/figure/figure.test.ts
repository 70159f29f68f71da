import { describe, expect, it } from 'vitest'
import { BASE_CATALOGUE } from '../catalogue'
import { reportModel } from '../pipeline'
import { checkModel, Flattener, type FigureOption, type FigureRecipe, type ModelDocument } from '../model'
import { replay } from '../replay'
import { partHull } from '../scene'
import { piecesForSlot, plainFigure, withFigure, type Slot } from './index'
import { withChosen, withOption, withOptionTold, withoutOption } from '../edits'

const EMPTY: ModelDocument = {
  format: 'jump-rail-model',
  version: 1,
  name: 'Figure',
  root: 'stand',
  sections: [{ id: 'stand', name: 'Stand', copies: [{ id: 'who', section: 'who', at: [0, 0, 0] }] }],
}
const modelOf = (recipe: FigureRecipe): ModelDocument => checkModel(structuredClone(withFigure(EMPTY, recipe, BASE_CATALOGUE)))
const withSlot = (slot: Slot, option: FigureOption, recipe = plainFigure('who', 'Somebody')): FigureRecipe => ({
  ...recipe,
  slots: { ...recipe.slots, [slot]: { chosen: 0, options: [option] } },
})
const errors = (model: ModelDocument) => reportModel(model).report.findings.filter((finding) => finding.severity === 'error')

describe('a figure', () => {
  it('is made into sections whose parts hold each other, and can be built', () => {
    const model = modelOf(plainFigure('who', 'Somebody'))
    expect(errors(model)).toEqual([])
    expect(replay(model, reportModel(model).report)).toEqual([])
    expect(reportModel(model).report.parts).toBe(8)
  })

  it.each([
    ['heldLeft', 'tool-paddle'],
    ['heldRight', 'tool-lantern'],
    ['heldRight', 'tool-hammer'],
    ['back', 'figure-backpack'],
    ['back', 'figure-cape'],
    ['headwear', 'figure-hat-brim'],
    ['headwear', 'figure-hair-long'],
  ] as const)('in slot %s holds %s', (slot, shape) => {
    expect(errors(modelOf(withSlot(slot, { shape, colour: 'red' })))).toEqual([])
  })

  it('poses its head and arms', () => {
    for (const angle of [-90, -30, 45, 120]) {
      const recipe = { ...plainFigure('who', 'Somebody'), pose: { armLeft: angle, armRight: -angle, head: angle } }
      expect(errors(modelOf(recipe)), String(angle)).toEqual([])
    }
  })

  it('sits and walks on hips with single legs, and turns its hands', () => {
    const walking = withSlot('legs', { shape: 'figure-hips', colour: 'navy' })
    const legs = withSlot(
      'legLeft',
      { shape: 'figure-leg-left', colour: 'navy' },
      withSlot('legRight', { shape: 'figure-leg-right', colour: 'navy' }, walking),
    )
    for (const pose of [{}, { legLeft: 30, legRight: 30 }, { legLeft: 90, legRight: -90 }, { handLeft: 45, armLeft: -30 }]) {
      const model = modelOf({ ...legs, pose })
      expect(errors(model), JSON.stringify(pose)).toEqual([])
      expect(replay(model, reportModel(model).report), JSON.stringify(pose)).toEqual([])
      expect(reportModel(model).report.parts).toBe(10)
    }
    // Whichever legs it has, it stands on its feet, and its head is as high.
    const heights = (recipe: FigureRecipe): number[] => {
      const parts = new Flattener(modelOf({ ...recipe, pose: {} })).all(recipe.section)
      const low = Math.min(...parts.map((placed) => partHull(placed).min[2]))
      return [low, parts.find(({ part: { id } }) => id === 'head')!.pose.at[2]]
    }
    expect(heights(legs)).toEqual(heights(plainFigure('who', 'Somebody')))
    // Legs in one piece have nothing for a single one to hang on.
    expect(() => modelOf(withSlot('legLeft', { shape: 'figure-leg-left', colour: 'navy' }))).toThrow('it has no ring')
  })

  it('holds what its turned hand holds', () => {
    const holding = withSlot('heldLeft', { shape: 'tool-paddle', colour: 'brown' })
    expect(errors(modelOf({ ...holding, pose: { armLeft: -30, handLeft: 40 } }))).toEqual([])
  })

  it('is refused without a torso, and with a piece that cannot hang there', () => {
    const { torso: _torso, ...slots } = plainFigure('who', 'Somebody').slots
    expect(() => modelOf({ ...plainFigure('who', 'Somebody'), slots })).toThrow('torso')
    expect(() => modelOf(withSlot('head', { shape: 'plate-1x1', colour: 'red' }))).toThrow('it has no ring')
  })

  it('keeps what is done to a piece, and is refused with a decal that the model has not', () => {
    const work = [{ kind: 'print' as const, note: 'A waistcoat' }]
    const made = modelOf(withSlot('torso', { shape: 'figure-torso', colour: 'moss', work }))
    expect(made.sections.flatMap(({ parts = [] }) => parts.filter((part) => part.id === 'torso'))).toMatchObject([{ work }])
    const unknown = withSlot('torso', { shape: 'figure-torso', colour: 'moss', work: [{ kind: 'decal', decal: 'gone', face: 'front' }] })
    expect(() => modelOf(unknown)).toThrow('There is no decal “gone”')
  })

  it('is made anew without leaving anything behind, and keeps its alternatives in the file', () => {
    const first = plainFigure('who', 'Somebody')
    const second: FigureRecipe = {
      ...first,
      slots: {
        ...first.slots,
        headwear: {
          chosen: 1,
          options: [
            { shape: 'figure-hair-short', colour: 'brown', closeness: 5, donor: 'the blue ferry', price: 0.4 },
            { shape: 'figure-hat-cap', colour: 'navy', closeness: 3, note: 'Looks older.' },
          ],
        },
      },
    }
    const again = checkModel(structuredClone(withFigure(modelOf(first), second, BASE_CATALOGUE)))
    expect(again.sections.map(({ id }) => id)).toEqual(['stand', 'who', 'who-head', 'who-arm-left', 'who-arm-right'])
    expect(again.figures).toEqual([second])
    expect(again.sections.flatMap(({ parts = [] }) => parts).map(({ shape }) => shape)).toContain('figure-hat-cap')
  })
})

describe('edits of a recipe', () => {
  const plain = plainFigure('who', 'Somebody')
  const cap = { shape: 'figure-hat-cap', colour: 'navy' }

  it('add, publish, describe and take out, and leave the old recipe as it was', () => {
    const two = withOption(plain, 'headwear', cap)
    expect(two.slots.headwear).toMatchObject({ chosen: 0, options: [{ shape: 'figure-hair-short' }, cap] })
    const worn = withChosen(two, 'headwear', 1)
    expect(withOptionTold(worn, 'headwear', 1, { closeness: 4 }).slots.headwear!.options[1]).toEqual({ ...cap, closeness: 4 })
    expect(withoutOption(worn, 'headwear', 0).slots.headwear).toEqual({ chosen: 0, options: [cap] })
    expect(withoutOption(worn, 'headwear', 1).slots.headwear).toMatchObject({ chosen: 0, options: [{ shape: 'figure-hair-short' }] })
    expect(withoutOption(plain, 'headwear', 0).slots).not.toHaveProperty('headwear')
    expect(plain).toEqual(plainFigure('who', 'Somebody'))
  })
})

describe('the pieces of a slot', () => {
  const ids = (slot: Parameters<typeof piecesForSlot>[0]): string[] => piecesForSlot(slot, BASE_CATALOGUE).map(({ id }) => id)

  it('are those that hang there, for that side', () => {
    expect(ids('armLeft')).toEqual(['figure-arm-left'])
    expect(ids('armRight')).toEqual(['figure-arm-right'])
    expect(ids('legLeft')).toEqual(['figure-leg-left'])
    expect(ids('torso')).toEqual(['figure-torso'])
    expect(ids('legs')).toEqual(['figure-legs', 'figure-hips'])
    expect(ids('head')).toEqual(['figure-head'])
    expect(ids('handLeft')).toEqual(['figure-hand'])
    expect(ids('back')).toEqual(['figure-cape', 'figure-backpack'])
    expect(ids('headwear')).toContain('figure-hair-bun')
    expect(ids('headwear')).not.toContain('figure-head')
    expect(
      ids('heldLeft')
        .slice(0, 3)
        .every((id) => id.startsWith('tool-')),
    ).toBe(true)
  })

  it('each make a figure that stands without errors', () => {
    for (const slot of ['torso', 'head', 'headwear', 'armLeft', 'armRight', 'back'] as const) {
      for (const shape of ids(slot).slice(0, 6)) {
        expect(errors(modelOf(withSlot(slot, { shape, colour: 'teal' }))), `${slot} ${shape}`).toEqual([])
      }
    }
  })
})
