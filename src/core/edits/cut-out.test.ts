import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { connectedHeap } from '../../../tests/support/heaps'
import { oneSection, part, twoSections } from '../../../tests/support/models'
import { checkModel, Flattener, pieceCount } from '../model'
import { planModel } from '../plan'
import { cutOut } from './cut-out'

const tower = ['a', 'b', 'c', 'd'].map((id, i) => part(id, 'plate-2x2', [0, 0, i * 4]))

describe('a section cut out of another', () => {
  it('leaves every part where it stood', () => {
    fc.assert(
      fc.property(connectedHeap(12), fc.infiniteStream(fc.boolean()), (model, choices) => {
        const ids = model.sections[0]!.parts!.map(({ id }) => id)
        const cut = ids.filter(() => choices.next().value)
        if (cut.length === 0) return
        const after = checkModel(cutOut(model, 'main', cut, 'Unit'))
        const places = (document: typeof model): string[] =>
          new Flattener(document)
            .all('main')
            .map(({ shape, pose }) => `${shape.id} ${pose.at.join()} ${pose.matrix.join()}`)
            .sort()
        expect(places(after)).toEqual(places(model))
        expect(after.sections[1]!.parts!.map(({ id }) => id)).toEqual(cut)
      }),
      { numRuns: 100 },
    )
  })

  it('stands in given steps where the last of its parts was added, with the texts of that step', () => {
    const model = oneSection(tower, [{ add: ['a'] }, { add: ['b'], note: 'Careful.' }, { add: ['c', 'd'] }])
    const [left, unit] = cutOut(model, 'main', ['b', 'c'], 'Middle').sections
    expect(left!.steps).toEqual([{ add: ['a'] }, { add: ['d'], join: ['main-unit-1'] }])
    expect(unit).toMatchObject({ id: 'main-unit-1', name: 'Middle', parts: [{ id: 'b' }, { id: 'c' }] })
    expect(unit).not.toHaveProperty('steps')
  })

  it('keeps a step that held nothing but a text', () => {
    const model = oneSection(tower, [{ add: ['a', 'b'] }, { note: 'Turn the page.' }, { add: ['c', 'd'] }])
    const [left] = cutOut(model, 'main', ['c', 'd'], 'Top').sections
    expect(left!.steps).toEqual([{ add: ['a', 'b'] }, { note: 'Turn the page.' }, { join: ['main-unit-1'] }])
  })

  it('takes copies and marked places with the parts they belong to', () => {
    const model = twoSections(tower, [{ id: 'hat', section: 'inner', at: [0, 0, 16] }], [part('tip', 'plate-2x2', [0, 0, 0])])
    const marked = { ...model, sections: model.sections.map((s, i) => (i === 0 ? { ...s, places: [{ part: 'a' }, { part: 'd' }] } : s)) }
    const [left, unit] = cutOut(marked as typeof model, 'main', ['d', 'hat'], 'Head').sections
    expect(unit!.copies).toEqual([{ id: 'hat', section: 'inner', at: [0, 0, 16] }])
    expect(unit!.places).toEqual([{ part: 'd' }])
    expect(left!.places).toEqual([{ part: 'a' }])
    expect(left!.copies).toEqual([{ id: 'main-unit-1', section: 'main-unit-1', at: [0, 0, 0] }])
  })

  it('gets an id of its own each time, and the counts stay', () => {
    const once = cutOut(oneSection(tower), 'main', ['a'], 'One')
    const twice = cutOut(once, 'main', ['b'], 'Two')
    expect(twice.sections.map(({ id }) => id)).toEqual(['main', 'main-unit-2', 'main-unit-1'])
    const count = (document: typeof once): number => planModel(document).plan.inventory.reduce((sum, { count: n }) => sum + n, 0)
    expect(count(twice)).toBe(tower.reduce((sum, each) => sum + pieceCount(each), 0))
  })
})
