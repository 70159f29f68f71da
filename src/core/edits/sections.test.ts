import { describe, expect, it } from 'vitest'
import { part, twoSections } from '../../../tests/support/models'
import { describeModel, moveSection, renameSection } from './index'

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
    expect(moveSection(model, 'main', -1)).toBe(model)
  })

  it('the model keeps a name', () => {
    expect(describeModel(model, { name: '', designer: 'A. Brick' })).toMatchObject({ name: 'Test', designer: 'A. Brick' })
    expect(describeModel(model, { name: 'Test' })).toBe(model)
  })
})
