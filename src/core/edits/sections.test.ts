import { describe, expect, it } from 'vitest'
import { part, twoSections } from '../../../tests/support/models'
import { buildingOrder, type ModelDocument } from '../model'
import { describeModel, joinBeside, moveSection, renameSection, takeOutSection } from './index'

const model = twoSections(
  [part('a', 'plate-1x1', [0, 0, 0])],
  [{ id: 'c', section: 'inner', at: [0, 0, 4] }],
  [part('b', 'plate-1x1', [0, 0, 0])],
)

describe('sections by hand', () => {
  it('are renamed, but never to nothing', () => {
    expect(renameSection(model, 'inner', ' Lamp ').sections[1]!.name).toBe('Lamp')
    expect(renameSection(model, 'inner', '  ')).toBe(model)
    expect(renameSection(model, 'inner', 'Inner')).toBe(model)
    expect(renameSection(model, 'inner', 'x'.repeat(300)).sections[1]!.name).toHaveLength(200)
  })

  it('change places, as far as the list goes', () => {
    expect(moveSection(model, 'inner', -1).sections.map(({ id }) => id)).toEqual(['inner', 'main'])
    expect(moveSection(model, 'inner', 1)).toBe(model)
    // Of sections that need nothing of each other the one that stands first is built first, whatever order they are joined in.
    const wide: ModelDocument = {
      ...model,
      sections: [
        { id: 'main', name: 'Main', copies: ['b', 'a'].map((section, i) => ({ id: section, section, at: [i * 10, 0, 0] as const })) },
        { id: 'a', name: 'A', parts: [part('p', 'plate-1x1', [0, 0, 0])] },
        { id: 'b', name: 'B', parts: [part('p', 'plate-1x1', [0, 0, 0])] },
      ],
    }
    expect(buildingOrder(wide)).toEqual(['a', 'b', 'main'])
    expect(buildingOrder(moveSection(wide, 'b', -1))).toEqual(['b', 'a', 'main'])
    expect(moveSection(model, 'main', -1)).toBe(model)
  })

  it('the model keeps a name', () => {
    expect(describeModel(model, { name: '', designer: 'A. Brick' })).toMatchObject({ name: 'Test', designer: 'A. Brick' })
    expect(describeModel(model, { name: 'Test' })).toBe(model)
  })
})

describe('a section that nothing joins', () => {
  const loose = {
    ...model,
    sections: [...model.sections, { id: 'spare', name: 'Spare', parts: [part('s', 'brick-2x2', [0, 0, 40])] }],
  }

  it('is joined beside the whole, on the same table', () => {
    const joined = joinBeside(loose, 'spare')
    expect(joined.sections[0]!.copies!.at(-1)).toEqual({ id: 'spare', section: 'spare', at: [30, 0, -40] })
    expect(joinBeside(joined, 'spare').sections[0]!.copies!.at(-1)!.id).toBe('spare-2')
  })

  it('is not put into what it holds itself', () => {
    const round = {
      ...loose,
      sections: [...loose.sections, { id: 'outer', name: 'Outer', copies: [{ id: 'm', section: 'main', at: [0, 0, 0] as const }] }],
    }
    expect(joinBeside(round, 'outer')).toBe(round)
  })

  it('can be taken out, and what is used cannot', () => {
    expect(takeOutSection(loose, 'spare')).toEqual(model)
    expect(takeOutSection(loose, 'inner')).toBe(loose)
    expect(takeOutSection(loose, 'main')).toBe(loose)
  })
})
