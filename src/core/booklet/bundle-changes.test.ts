import { expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import type { ModelDocument } from '../model'
import { reportModel, viewsOf } from '../pipeline'
import { makeBundle, type Bundle } from './bundle'
import { bundleChanges, NO_CHANGES } from './bundle-changes'
import { mendedSteps } from './mended-steps'

function bundleOf(model: ModelDocument): Bundle {
  const { report, looks } = reportModel(model)
  return makeBundle(model, report, viewsOf(looks))
}
const one = oneSection(
  [part('a', 'plate-2x2', [0, 0, 0]), part('b', 'plate-2x2', [0, 0, 8]), part('c', 'plate-2x2', [0, 0, 16])],
  [{ add: ['a'] }, { add: ['b'] }, { add: ['c'] }],
)
const [section] = one.sections

it('between a booklet and itself there are none', () => {
  expect(bundleChanges(bundleOf(one), bundleOf(one))).toEqual(NO_CHANGES)
  expect(mendedSteps(bundleOf(one), bundleOf(one))).toEqual([])
})

it('name steps, sections and pieces that are more or fewer, and the steps that read otherwise', () => {
  const next = {
    ...one,
    sections: [
      {
        ...section!,
        parts: [part('a', 'plate-2x2', [0, 0, 0]), { ...part('b', 'plate-2x2', [0, 0, 8]), colour: 'black' }],
        copies: [{ id: 'top', section: 'lid', at: [0, 0, 16] as const, turn: '+x+y' }],
        steps: [{ add: ['a'] }, { add: ['b', 'top'], note: 'Mind the lid.' }],
      },
      { id: 'lid', name: 'Lid', parts: [part('l', 'tile-2x2', [0, 0, 0])] },
    ],
  } as ModelDocument
  const [was, is] = [bundleOf(one), bundleOf(next)]
  const changes = bundleChanges(was, is)
  expect(changes.sections).toEqual({ added: ['lid'], removed: [] })
  expect(changes.steps).toEqual([
    { section: 'lid', was: 0, is: 1 },
    { section: section!.id, was: 3, is: 2 },
  ])
  const colour = part('a', 'plate-2x2', [0, 0, 0]).colour
  expect(new Set(changes.pieces.map((each) => JSON.stringify(each)))).toEqual(
    new Set(
      [
        { shape: 'plate-2x2', colour, was: 3, is: 1 },
        { shape: 'plate-2x2', colour: 'black', was: 0, is: 1 },
        { shape: 'tile-2x2', colour, was: 0, is: 1 },
      ].map((each) => JSON.stringify(each)),
    ),
  )
  const back = bundleChanges(is, was)
  expect(back.sections).toEqual({ added: [], removed: ['lid'] })
  expect(new Map(back.pieces.map(({ shape, colour: of, was: a, is: b }) => [shape + of, [b, a]]))).toEqual(
    new Map(changes.pieces.map(({ shape, colour: of, was: a, is: b }) => [shape + of, [a, b]])),
  )
  const mended = mendedSteps(was, is)
  expect(mended.map(({ section: id, number }) => [id, number])).toEqual(
    expect.arrayContaining([
      ['lid', 1],
      [section!.id, 2],
    ]),
  )
  expect(mended.some(({ section: id, number }) => id === section!.id && number === 1)).toBe(false)
})
