import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { checkModel, documentOfVersion, type ModelDocument } from '../model'
import { addOption, addVariant, changeOption, removeOption, removeVariant, setPresence } from './versions'

const PLAIN = oneSection([part('a', 'brick-2x2', [0, 0, 0]), part('cap', 'tile-2x2', [0, 0, 12])])
const section = PLAIN.sections[0]!.id
const idsOf = (model: ModelDocument, variant?: string): string[] =>
  documentOfVersion(model, variant === undefined ? {} : { variant }).sections[0]!.parts!.map(({ id }) => id)

describe('versions', () => {
  const capped = setPresence(addOption(PLAIN, 'End caps'), section, new Set(['cap']), { option: 'end-caps' })

  it('are made of options that pieces belong to', () => {
    expect(checkModel(capped)).toEqual(capped)
    expect(idsOf(capped)).toEqual(['a'])
    expect(idsOf(changeOption(capped, 'end-caps', { on: true }))).toEqual(['a', 'cap'])
    const night = addVariant(capped, 'Night version', { with: ['end-caps'] })
    expect(checkModel(night)).toEqual(night)
    expect(idsOf(night, 'night-version')).toEqual(['a', 'cap'])
    expect(removeVariant(night, 'night-version').variants).toEqual([])
  })

  it('forget an option everywhere, and what belonged to it is always there', () => {
    const night = addVariant(
      {
        ...addOption(capped, 'Row'),
        options: [
          { id: 'end-caps', name: 'End caps', rulesOut: ['row'] },
          { id: 'row', name: 'Row', needs: ['end-caps'] },
        ],
      },
      'Night',
      {
        with: ['end-caps'],
      },
    )
    const gone = removeOption(night, 'end-caps')
    expect(checkModel(gone)).toEqual(gone)
    expect(idsOf(gone)).toEqual(['a', 'cap'])
    expect([gone.options, gone.variants![0]!.with]).toEqual([[{ id: 'row', name: 'Row', needs: [] }], []])
  })

  it('have names, and ids of their own', () => {
    expect(() => addOption(PLAIN, ' ')).toThrow(expect.objectContaining({ code: 'no-name' }) as Error)
    expect(addOption(addOption(PLAIN, 'Cap!'), 'cap').options!.map(({ id }) => id)).toEqual(['cap', 'cap-2'])
    expect(addOption(PLAIN, '屋根').options![0]!.id).toBe('屋根')
  })
})
