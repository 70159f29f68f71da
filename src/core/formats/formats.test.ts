import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { connectedHeap } from '../../../tests/support/heaps'
import { oneSection, part } from '../../../tests/support/models'
import { BASE_CATALOGUE } from '../catalogue'
import { reportModel, viewsOf } from '../pipeline'
import { pictureAddress, putTogether, readModelText } from '../model'
import { encodePng } from '../picture'
import { checkBundle, partsTable, railJson, writePieceTable } from './index'
import { makeBundle } from '../booklet'

const readTable = (text: string) => partsTable.read(new TextEncoder().encode(text), 'Test', {}).model
const demo = (name: string): string => readFileSync(new URL(`../../../demo/models/${name}.rail.json`, import.meta.url), 'utf8')

describe('the model file', () => {
  it.each(['bird-table', 'ferry-house', 'granary'])('%s is read and written the same', (name) => {
    const text = demo(name)
    expect(railJson.write(readModelText(text))).toBe(text)
  })

  it('any model: a write followed by a read is the same', () => {
    fc.assert(
      fc.property(connectedHeap(6), fc.string({ minLength: 1, maxLength: 30 }), (model, name) => {
        const named = { ...model, name, notes: 'Zeile\n“2” </script> \u2028' }
        expect(readModelText(railJson.write(named))).toEqual(named)
      }),
      { numRuns: 50 },
    )
  })
})

describe('tables', () => {
  it('any model of parts alone: a write followed by a read is the same', () => {
    fc.assert(
      fc.property(connectedHeap(6), (model) => {
        const read = readTable(partsTable.write(model))
        const plain = model.sections[0]!.parts!.map((p) => ({ ...p }))
        expect(read.sections[0]!.parts).toEqual(plain)
      }),
      { numRuns: 50 },
    )
  })

  it('carries loose parts with their count, and awkward names', () => {
    const model = oneSection([part('a,"b"', 'plate-1x1', [0, 0, 0]), { id: '=1', shape: 'plate-1x2', colour: 'red', count: 4 }])
    const text = partsTable.write(model)
    expect(text.split('\n')[0]).toBe('section,id,shape,colour,x,y,z,turn,count')
    expect(readTable(text).sections[0]!.parts).toEqual(model.sections[0]!.parts)
  })

  it('has the header of the contract', () => {
    expect(partsTable.write(oneSection([part('a', 'plate-1x1', [1, 2, 3], '+y-x')]))).toBe(
      'section,id,shape,colour,x,y,z,turn\nmain,a,plate-1x1,slate,1,2,3,+y-x\n',
    )
  })

  it.each([
    ['another header', 'a,b\n1,2\n', 'csv-header', 'row 1'],
    ['half a place', 'section,id,shape,colour,x,y,z,turn\ns,a,plate-1x1,red,1,,3,\n', 'csv-row', 'row 2, column y'],
    ['a fraction', 'section,id,shape,colour,x,y,z,turn\ns,a,plate-1x1,red,1,2.5,3,\n', 'csv-row', 'row 2, column y'],
    ['nothing', 'section,id,shape,colour,x,y,z,turn\n', 'csv-row', 'row 2'],
    ['an unknown shape', 'section,id,shape,colour,x,y,z,turn\ns,a,plate-9x9,red,1,2,3,\n', 'csv-row', 'row 2, column shape'],
  ])('refuses %s', (_what, text, code, place) => {
    expect(() => readTable(text)).toThrow(expect.objectContaining({ code, place }) as Error)
  })

  it('says what it loses', () => {
    expect(partsTable.losses(readModelText(demo('ferry-house')))).toEqual([{ key: 'loss.copies', n: 9 }])
    expect(partsTable.losses(readModelText(demo('bird-table')))).toEqual([])
  })
})

describe('bundles', () => {
  const model = readModelText(demo('bird-table'))
  const { report, looks } = reportModel(model)
  const bundle = makeBundle(model, report, viewsOf(looks))

  it('keep nothing in their first picture but what is drawn', async () => {
    const png = await encodePng({ width: 2, height: 2, data: new Uint8Array(12) })
    const place = putTogether([{ type: 'tEXt', data: new TextEncoder().encode('Place\u00001 North Street') }]).subarray(8)
    // Behind the head, which takes 33 bytes.
    const told = Uint8Array.from([...png.subarray(0, 33), ...place, ...png.subarray(33)])
    expect(checkBundle({ ...bundle, cover: pictureAddress(told) }).cover).toBe(pictureAddress(png))
  })

  it('take what the program makes', () => {
    expect(checkBundle(JSON.parse(JSON.stringify(bundle)))).toEqual(bundle)
  })

  it.each([
    ['no bundle', {}, 'not-a-bundle'],
    ['a broken model', { ...bundle, model: { ...model, root: 'x' } }, 'missing-root'],
    [
      'a plan of another model',
      { ...bundle, plan: { ...bundle.plan, sections: bundle.plan.sections.map((s) => ({ ...s, id: 'other' })) } },
      'bundle-mismatch',
    ],
    ['a view that is none', { ...bundle, views: [[9]] }, 'not-a-bundle'],
    ['a first picture from elsewhere', { ...bundle, cover: 'https://example.org/a.png' }, 'bad-picture'],
    ['a first picture that keeps the page waiting', { ...bundle, cover: `data:image/png;base64,${'A'.repeat(200_000)}` }, 'not-a-bundle'],
  ])('refuse %s', (_what, value, code) => {
    expect(() => checkBundle(value)).toThrow(expect.objectContaining({ code }) as Error)
  })
})

describe('the inventory as a table', () => {
  const pieces = [
    { shape: 'plate-1x2', colour: 'red', count: 4 },
    { shape: 'tube', colour: 'navy', count: 1, length: 48, work: [{ kind: 'cut' as const, note: 'from the roll' }] },
  ]

  it('has a row a piece', () => {
    expect(writePieceTable(pieces, BASE_CATALOGUE).split('\n')).toEqual([
      'count,shape,piece,colour,colour name,length mm,work',
      '4,plate-1x2,Plate 1 × 2,red,Red,,',
      '1,tube,Tube,navy,Navy,48,cut (from the roll)',
      '',
    ])
  })

  it('bears the own names and numbers where they are given', () => {
    const aliases = [
      { kind: 'shape' as const, id: 'plate-1x2', name: 'Twosie', number: '77' },
      { kind: 'colour' as const, id: 'red', name: 'Brick red', number: '' },
    ]
    const [head, first, second] = writePieceTable(pieces, BASE_CATALOGUE, aliases).split('\n')
    expect(head).toMatch(/,own name,own number,own colour,own colour number$/)
    expect(first).toMatch(/,Twosie,77,Brick red,$/)
    expect(second).toMatch(/,,,,$/)
  })
})

describe('own names in a bundle', () => {
  const model = readModelText(demo('bird-table'))
  const { report, looks } = reportModel(model)
  const bundle = makeBundle(model, report, viewsOf(looks))

  it('are kept where the designer gives them, and refused where they are no names', () => {
    const names = [{ kind: 'shape' as const, id: 'tile-1x2', name: 'Stepper', number: '12' }]
    const named = { ...bundle, names }
    expect(checkBundle(JSON.parse(JSON.stringify(named)))).toEqual(named)
    expect(() => checkBundle({ ...bundle, names: [{ kind: 'brick', id: 'x', name: 'y', number: '' }] })).toThrow('not a booklet')
  })
})
