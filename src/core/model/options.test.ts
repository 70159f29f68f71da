import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { checkModel } from './read'
import { documentOfVersion, type VersionChoice } from './options'
import { recolouredFrom } from './recolour-sections'
import type { ModelDocument, Part, Section } from './types'

const FAULT = (code: string, place: string): Error => expect.objectContaining({ code, place }) as Error

const box: Part[] = [
  { ...part('a', 'brick-2x2', [0, 0, 0]) },
  { ...part('cap', 'tile-2x2', [0, 0, 12]), option: 'caps' },
  { ...part('open', 'plate-2x2', [0, 0, 12]), unless: 'caps' },
  { ...part('both', 'tile-1x1', [40, 0, 0]), option: 'row', unless: 'caps' },
]
const MODEL: ModelDocument = {
  ...oneSection(box, [{ add: ['a'] }, { add: ['cap'] }, { add: ['open', 'both'] }]),
  options: [
    { id: 'caps', name: 'End caps', rulesOut: ['row'] },
    { id: 'row', name: 'Close row', on: true },
  ],
  variants: [{ id: 'night', name: 'Night', with: ['caps'], without: ['row'] }],
}
const idsOf = (choice?: VersionChoice, model = MODEL): string[] =>
  documentOfVersion(model, choice).sections.flatMap(({ parts = [] }) => parts.map(({ id }) => id))

describe('options', () => {
  it('are in as the command line says, else the variant, else they themselves', () => {
    expect(checkModel(MODEL)).toEqual(MODEL)
    expect(idsOf()).toEqual(['a', 'open', 'both'])
    expect(idsOf({ with: ['caps'] })).toEqual(['a', 'cap'])
    expect(idsOf({ without: ['row'] })).toEqual(['a', 'open'])
    expect(idsOf({ variant: 'night' })).toEqual(['a', 'cap'])
    expect(idsOf({ variant: 'night', without: ['caps'], with: ['row'] })).toEqual(['a', 'open', 'both'])
  })

  it('take what is not there out of given steps, and steps of which nothing is left', () => {
    expect(documentOfVersion(MODEL, { with: ['caps'] }).sections[0]!.steps).toEqual([{ add: ['a'] }, { add: ['cap'] }])
    expect(documentOfVersion(MODEL).sections[0]!.steps).toEqual([{ add: ['a'] }, { add: ['open', 'both'] }])
  })

  it('take sections out that only what is gone has used', () => {
    const lamp: Section = { id: 'lamp', name: 'Lamp', parts: [part('l', 'plate-1x1', [0, 0, 0])] }
    const [main] = MODEL.sections
    const model: ModelDocument = {
      ...MODEL,
      sections: [{ ...main!, copies: [{ id: 'c', section: 'lamp', at: [0, 0, 24], option: 'caps' }] }, lamp],
    }
    expect(documentOfVersion(model).sections.map(({ id }) => id)).toEqual([main!.id])
    expect(documentOfVersion(model, { with: ['caps'] }).sections.map(({ id }) => id)).toEqual([main!.id, 'lamp'])
  })

  it('that are not known, or both in and out, are refused', () => {
    expect(() => idsOf({ with: ['cups'] })).toThrow(FAULT('unknown-option', 'with[0]'))
    expect(() => idsOf({ with: ['caps'], without: ['caps'] })).toThrow(FAULT('bad-value', 'without'))
    expect(() => idsOf({ variant: 'day' })).toThrow(FAULT('unknown-variant', 'variant'))
    expect(() => checkModel({ ...MODEL, options: [] })).toThrow(FAULT('unknown-option', 'variants[0].with[0]'))
    expect(() => checkModel({ ...MODEL, options: MODEL.options!.slice(0, 1), variants: [] })).toThrow(
      FAULT('unknown-option', 'options[0].rulesOut[0]'),
    )
    expect(() => checkModel({ ...MODEL, variants: [{ id: 'x', name: 'X', with: ['row'], without: ['row'] }] })).toThrow(
      FAULT('bad-value', 'variants[0].without'),
    )
    expect(() => checkModel({ ...oneSection([{ ...part('a', 'brick-2x2', [0, 0, 0]), unless: 'caps' }]) })).toThrow(
      FAULT('unknown-option', 'sections[0].parts[0].unless'),
    )
  })
})

describe('recolouring', () => {
  const section = (id: string, colour: string, copies: readonly (readonly [string, string])[] = []): Section => ({
    id,
    name: id,
    parts: [{ id: 'p', shape: 'brick-1x1', colour, at: [0, 0, 0] }],
    copies: copies.map(([copy, of], i) => ({ id: copy, section: of, at: [20 * (i + 1), 0, 0] })),
  })
  const model = (recolour: NonNullable<NonNullable<ModelDocument['variants']>[number]['recolour']>): ModelDocument => ({
    ...oneSection([]),
    root: 'beast',
    sections: [
      section('beast', 'orange', [
        ['l', 'wing'],
        ['c', 'claw'],
      ]),
      section('wing', 'orange', [['k', 'claw']]),
      section('claw', 'white'),
    ],
    variants: [{ id: 'night', name: 'Night', recolour }],
  })
  const coloursOf = (document: ModelDocument) =>
    document.sections.map(({ id, parts, copies }) => [id, parts![0]!.colour, ...copies!.map((copy) => copy.section)])
  const night = (recolour: Parameters<typeof model>[0]) => documentOfVersion(model(recolour), { variant: 'night' })

  it('changes a whole model at once, the first entry that fits', () => {
    expect(
      coloursOf(
        night([
          { from: 'orange', to: 'white' },
          { from: 'white', to: 'black' },
          { from: 'orange', to: 'red' },
        ]),
      ),
    ).toEqual([
      ['beast', 'white', 'wing', 'claw'],
      ['wing', 'white', 'claw'],
      ['claw', 'black'],
    ])
  })

  it('takes in what a section uses; what is used outside as well keeps its colours there', () => {
    const document = night([{ from: 'white', to: 'black', section: 'wing' }])
    expect(coloursOf(document)).toEqual([
      ['beast', 'orange', 'wing', 'claw'],
      ['wing', 'orange', 'claw~2'],
      ['claw', 'white'],
      ['claw~2', 'black'],
    ])
    expect(document.sections.map(recolouredFrom)).toEqual([undefined, undefined, undefined, 'claw'])
    expect(checkModel(document)).toEqual(document)
  })

  it('makes no second kind where nothing of it changes', () => {
    expect(coloursOf(night([{ from: 'orange', to: 'black', section: 'wing' }]))).toEqual([
      ['beast', 'orange', 'wing', 'claw'],
      ['wing', 'black', 'claw'],
      ['claw', 'white'],
    ])
  })

  it('changes exceptions of copies too', () => {
    const base = model([{ from: 'red', to: 'black' }])
    const [beast, ...rest] = base.sections
    const excepted = {
      ...base,
      sections: [{ ...beast!, copies: [{ ...beast!.copies![0]!, except: { 'k/p': { colour: 'red' } } }, beast!.copies![1]!] }, ...rest],
    }
    expect(documentOfVersion(checkModel(excepted), { variant: 'night' }).sections[0]!.copies![0]!.except).toEqual({
      'k/p': { colour: 'black' },
    })
  })
})
