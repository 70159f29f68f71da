import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { checkModel, type ModelDocument, type Part } from '../model'
import { reportModel } from '../pipeline'
import { needOf } from './need'
import { piecesIn, type DeskPiece } from './piece'
import { findSubstitutes, type Substitute } from './substitutes'
import { takeSubstitute } from './take-substitute'

const red = (each: Part): Part => ({ ...each, colour: 'red' })
const bridge = oneSection(
  [
    part('left', 'brick-2x2', [0, 0, 0]),
    part('right', 'brick-2x2', [60, 0, 0]),
    part('deck', 'plate-2x8', [0, 0, 12]),
    part('tie', 'plate-2x4', [20, 0, 16]),
  ].map(red),
)
const countOf = (model: ModelDocument, shape: string, colour = 'red'): number =>
  piecesIn(needOf(model).filter((each) => each.shape === shape && each.colour === colour))
const found = (model: ModelDocument, missing: DeskPiece, spare: DeskPiece): Substitute =>
  findSubstitutes(model, [missing], { spare: [spare], offers: undefined, how: 'exact' })[0]!
const piece = (shape: string, count: number, colour = 'red'): DeskPiece => ({ shape, colour, count })
const errors = (model: ModelDocument): string[] =>
  reportModel(model)
    .report.findings.filter(({ severity }) => severity === 'error')
    .map(({ code }) => code)

describe('a substitute taken into the model', () => {
  it('puts shorter pieces in a row, also into the step that brought the long one, and it is built as before', () => {
    const steps = [{ add: ['left', 'right'] }, { add: ['deck'] }, { add: ['tie'] }]
    const given = { ...bridge, sections: [{ ...bridge.sections[0]!, steps }] }
    const taken = checkModel(takeSubstitute(given, found(given, piece('plate-2x8', 1), piece('plate-2x4', 2))))
    expect([countOf(taken, 'plate-2x8'), countOf(taken, 'plate-2x4')]).toEqual([0, 3])
    expect(taken.sections[0]!.steps![1]).toEqual({ add: ['deck', 'deck · 2'] })
    expect(taken.sections[0]!.parts!.find(({ id }) => id === 'deck · 2')!.at).toEqual([40, 0, 12])
    expect(errors(taken)).toEqual([])
  })

  it('replaces no more than are missing', () => {
    const one = takeSubstitute(bridge, found(bridge, piece('brick-2x2', 1), piece('plate-2x2', 6)))
    expect([countOf(one, 'brick-2x2'), countOf(one, 'plate-2x2')]).toEqual([1, 3])
    expect(errors(one)).toEqual([])
    const both = takeSubstitute(bridge, found(bridge, piece('brick-2x2', 2), piece('plate-2x2', 6)))
    expect([countOf(both, 'brick-2x2'), countOf(both, 'plate-2x2')]).toEqual([0, 6])
  })

  it('puts a brick where three plates lay, and no step brings what is gone', () => {
    const pile = oneSection([0, 4, 8, 12].map((z, i) => red(part(`p${i}`, 'plate-2x2', [0, 0, z]))))
    const steps = ['p0', 'p1', 'p2', 'p3'].map((id) => ({ add: [id] }))
    const given = {
      ...pile,
      sections: [
        {
          ...pile.sections[0]!,
          steps,
          places: [
            { name: 'Top', part: 'p3' },
            { name: 'In', part: 'p1' },
          ],
        },
      ],
    }
    const taken = checkModel(takeSubstitute(given, found(given, piece('plate-2x2', 4), piece('brick-2x2', 1))))
    expect(taken.sections[0]).toMatchObject({
      parts: [{ id: 'p0', shape: 'brick-2x2', at: [0, 0, 0] }, { id: 'p3' }],
      steps: [{ add: ['p0'] }, { add: ['p3'] }],
      places: [{ name: 'Top', part: 'p3' }],
    })
    expect(errors(taken)).toEqual([])
  })

  it('counts the copies of a section, and leaves a model alone that does not have the piece', () => {
    const [section] = bridge.sections
    const twice: ModelDocument = {
      ...bridge,
      root: 'all',
      sections: [
        section!,
        { id: 'all', name: 'All', copies: [0, 1].map((i) => ({ id: `k${i}`, section: section!.id, at: [0, i * 60, 0] as const })) },
      ],
    }
    const taken = takeSubstitute(twice, {
      for: piece('brick-2x2', 2),
      use: [piece('brick-2x2', 2, 'plum')],
      kind: 'near',
      consequence: '',
      told: { key: 'substitute.oneBrick' },
    })
    expect([countOf(taken, 'brick-2x2'), countOf(taken, 'brick-2x2', 'plum')]).toEqual([2, 2])
    const none = takeSubstitute(bridge, {
      for: piece('tile-1x1', 1),
      use: [piece('plate-1x1', 1)],
      kind: 'near',
      consequence: '',
      told: { key: 'substitute.oneBrick' },
    })
    expect(none).toBe(bridge)
  })
})
