import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { checkModel, documentOfVersion, type ModelDocument } from '../model'
import { addOption, addVariant, changeOption, recolourVariant, removeOption, removeVariant, setPresence } from './versions'

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

it('a colour of a version becomes another, and its own again; what is recoloured in one section stays', () => {
  const kept = addVariant(oneSection([part('a', 'brick-2x4', [0, 0, 0])]), 'Night', {})
  const inSection = { from: 'ash', to: 'plum', section: 'm' }
  const night = { ...kept, variants: kept.variants!.map((variant) => ({ ...variant, recolour: [inSection] })) }
  const entries = (model: typeof night): unknown => model.variants[0]!.recolour
  const black = recolourVariant(night, 'night', 'ash', 'black') as typeof night
  expect(entries(black)).toEqual([inSection, { from: 'ash', to: 'black' }])
  expect(entries(recolourVariant(black, 'night', 'ash', 'navy') as typeof night)).toEqual([inSection, { from: 'ash', to: 'navy' }])
  expect(entries(recolourVariant(black, 'night', 'ash', 'ash') as typeof night)).toEqual([inSection])
})
