import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import type { ModelDocument } from '../model'
import { reportModel } from '../pipeline'
import { LAYINGS, layingOf, pathWords, suggestNotes } from './index'

const suggested = (model: ModelDocument, section: string, step: number) => {
  const { report } = reportModel(model)
  return suggestNotes({ model, sections: report.sections, findings: report.findings }, { section, step })
}

/** A board with two like posts, the second mirrored. */
const PAIR: ModelDocument = {
  format: 'jump-rail-model',
  version: 1,
  name: 'Gate',
  root: 'gate',
  sections: [
    {
      id: 'gate',
      name: 'Gate',
      parts: [part('board', 'plate-2x8', [0, 0, 0])],
      copies: [
        { id: 'left', section: 'post', at: [0, 0, 4] },
        { id: 'right', section: 'post', at: [80, 0, 4], mirror: 'x' },
      ],
      steps: [{ add: ['board'] }, { join: ['left'] }, { join: ['right'] }],
    },
    { id: 'post', name: 'Post', parts: [part('foot', 'brick-2x2', [0, 0, 0]), part('top', 'brick-2x2', [0, 0, 12])] },
  ],
}

describe('suggested notes', () => {
  it('say that a copy is the mirror image of the one before, and not in the step of the first', () => {
    expect(suggested(PAIR, 'gate', 2)).toEqual([{ kind: 'note', text: 'Post: this one is the mirror image of the other.' }])
    expect(suggested(PAIR, 'gate', 1)).toEqual([])
  })

  it('say that there is a left and a right one of a piece', () => {
    const model = oneSection([part('a', 'plate-4x4', [0, 0, 0]), part('b', 'wedge-plate-2x4-left', [0, 0, 4])])
    const all = [0, 1].flatMap((step) => suggested(model, model.root, step))
    expect(all.map(({ kind }) => kind)).toContain('align')
  })

  it('tell what rests, and leave out what is said already', () => {
    const steps = [{ add: ['a', 'b'] }, { add: ['c'] }]
    const parts = [part('a', 'brick-2x2', [0, 0, 0]), part('b', 'brick-2x2', [40, 0, 0]), part('c', 'plate-2x6', [0, 0, 12])]
    const model = oneSection(parts, steps)
    const [first] = suggested(model, model.root, 0)
    expect(first).toMatchObject({ kind: 'hold' })
    expect(first!.parts!.length).toBeGreaterThan(0)
    const told = oneSection(parts, [{ ...steps[0]!, notes: [first!] }, steps[1]!])
    expect(suggested(told, told.root, 0)).toEqual([])
  })

  it('have nothing to say of steps that do not exist', () => {
    expect(suggested(PAIR, 'gate', 9)).toEqual([])
    expect(suggested(PAIR, 'nowhere', 0)).toEqual([])
  })
})

describe('what is clicked in a picture', () => {
  const { report } = reportModel(PAIR)
  const gate = report.sections.find(({ id }) => id === 'gate')!

  it('is told by its piece, the copy it belongs to, and the step it comes with', () => {
    const on = { model: PAIR, sections: report.sections }
    expect(pathWords(on, gate, 'board')).toEqual({ title: 'Plate 2 × 8, slate', step: 0 })
    expect(pathWords(on, gate, 'right/top')).toEqual({ title: 'Brick 2 × 2, slate, of Post', step: 2 })
    expect(pathWords(on, gate, 'gone')).toEqual({ title: 'gone' })
  })
})

describe('how the work lies', () => {
  it('is one of six ways, upright first', () => {
    expect(LAYINGS.map(({ words }) => words)).toEqual([
      'upright',
      'upside down',
      'on its front',
      'on its back',
      'on its left side',
      'on its right side',
    ])
    expect(LAYINGS[0]!.turn).toBe('+x+y')
    expect(new Set(LAYINGS.map(({ turn }) => turn)).size).toBe(6)
    for (const { turn, words } of LAYINGS) expect(layingOf(turn).words).toBe(words)
    expect(layingOf(undefined).words).toBe('upright')
    expect(layingOf('-y+x').words).toBe('upright')
  })
})
