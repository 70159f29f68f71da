import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Fault } from '../../fault'
import { mendCell, tableHeader } from './mend'
import { partsTable } from './parts-table'
import type { ReadOptions } from '../format'

const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text)
const read = (text: string, options: ReadOptions = {}) => partsTable.read(bytesOf(text), 'Test', options)
const partsOf = (text: string) => read(text).model.sections.flatMap(({ parts }) => parts ?? [])
function refusal(text: string): Fault {
  try {
    read(text)
  } catch (thrown) {
    return thrown as Fault
  }
  throw new Error('the table was taken')
}

describe('tables as people write them', () => {
  const plain = 'section,id,shape,colour,x,y,z,turn\nmain,a,brick-2x4,red,10,20,12,+y-x\n'
  const expected = [{ id: 'a', shape: 'brick-2x4', colour: 'red', at: [10, 20, 12], turn: '+y-x' }]

  it.each([
    ['semicolons', plain.replace(/,/g, ';')],
    ['tabs', plain.replace(/,/g, '\t')],
    ['a byte-order mark', `\ufeff${plain}`],
    ['lines of another system', plain.replace(/\n/g, '\r\n')],
    ['trailing separators', plain.replace(/\n/g, ',,,\n')],
    ['empty rows', plain.replace(/\n/g, '\n,,,\n\n')],
    ['a line that names the separator', `sep=;\n${plain.replace(/,/g, ';')}`],
    ['another order and case', 'TURN,Z,Y,X,Colour,SHAPE,Id,Section\n+y-x,12,20,10,red,brick-2x4,a,main\n'],
    ['other words for columns', 'section;id;Piece;Color;x;y;z;Rotation\nmain;a;brick-2x4;red;10;20;12;90\n'],
    ['units in brackets', 'section;id;part;color;x (studs);Y_(Studs);z-(plates);angle\nmain;a;brick-2x4;red;1;2;3;90°\n'],
    ['units after a blank', 'section;id;part;color;x mm;y cm;z bricks;angle\nmain;a;brick-2x4;red;8;1,6;1;90,0\n'],
    ['words for pieces and colours', 'section,id,shape,colour,x,y,z,turn\nmain,a,Brick 2 × 4,Red,10,20,12,+Y-X\n'],
  ])('%s', (_what, text) => {
    expect(partsOf(text)).toEqual(expected)
  })

  it('in UTF-16 with a mark, of either order', () => {
    const little = new Uint8Array([0xff, 0xfe, ...[...plain].flatMap((letter) => [letter.charCodeAt(0), 0])])
    const big = new Uint8Array([0xfe, 0xff, ...[...plain].flatMap((letter) => [0, letter.charCodeAt(0)])])
    for (const bytes of [little, big]) expect(partsTable.read(bytes, 'T', {}).model.sections[0]!.parts).toEqual(expected)
  })

  it('what is left out has a value of its own, and is told', () => {
    const { model, report, remarks } = read('shape,colour,count,price,weight\nplate-1x2,Light Grey,4,2,1\nplate-1x2,ash,,2,1\n')
    expect(model.sections).toEqual([
      {
        id: 'main',
        name: 'main',
        parts: [
          { id: 'row-2', shape: 'plate-1x2', colour: 'ash', count: 4 },
          { id: 'row-3', shape: 'plate-1x2', colour: 'ash' },
        ],
      },
    ])
    expect(report).toMatchObject({
      leftOut: ['price', 'weight'],
      loose: 5,
      words: [{ row: 2, column: 'colour', said: 'Light Grey', as: 'ash' }],
    })
    expect(remarks.every(({ needsPerson }) => !needsPerson)).toBe(true)
  })

  it('a column by another word is not known where its own name is there', () => {
    const { model, report } = read('part,shape,colour\nleft wall,brick-1x2,red\n')
    expect(model.sections[0]!.parts![0]!.shape).toBe('brick-1x2')
    expect(report).toMatchObject({ leftOut: ['part'] })
  })

  it('own names stand for pieces and colours', () => {
    const names = [
      { kind: 'shape' as const, id: 'slope-2x2', name: 'Roofer', number: '77' },
      { kind: 'colour' as const, id: 'wine', name: 'House red', number: '' },
    ]
    const { model } = read('shape,colour\nroofer,house red\n77,House Red\n', { names })
    expect(model.sections[0]!.parts!.map(({ shape, colour }) => `${shape} ${colour}`)).toEqual(['slope-2x2 wine', 'slope-2x2 wine'])
  })

  it('a decimal comma counts where commas do not part cells, and a rounding is no fraction', () => {
    expect(partsOf('shape;colour;x (studs);y;z\nplate-1x1;red;0,5;-3,0000001;1.2e1\n')[0]!.at).toEqual([5, -3, 12])
  })
})

describe('what is wrong with a table', () => {
  it('is told all at once, by row and column, with what would do', () => {
    const { problems, code } = refusal(
      'shape,colour,x,y,z,turn\nbrick-2x4,bluish,0,0,0,\n\nplate 9x9,red,4,,0,45\nbrick-1x1,red,1.5,0,x,\n',
    )
    expect(code).toBe('csv-row')
    expect(problems.map(({ row, column, said }) => [row, column, said])).toEqual([
      [2, 'colour', 'bluish'],
      [4, 'shape', 'plate 9x9'],
      [4, 'turn', '45'],
      [4, 'y', ''],
      [5, 'x', '1.5'],
      [5, 'z', 'x'],
    ])
    expect(problems.every(({ wayOut }) => wayOut !== undefined && wayOut !== '')).toBe(true)
  })

  it.each([
    ['a word that fits several', 'shape,colour\nbrick,red\n', 'brick-1x1'],
    ['a colour by what its word means', 'shape,colour\nbrick-1x1,gry\n', 'ash'],
    ['a fraction of a u', 'shape,colour,x (plates),y,z\nbrick-1x1,red,0.3,0,0\n', '0.25 or 0.5'],
    ['a second id', 'id,shape,colour\na,brick-1x1,red\na,brick-1x1,red\n', 'its own'],
    ['a placed part that counts twice', 'shape,colour,x,y,z,count\nbrick-1x1,red,0,0,0,2\n', 'a row for each'],
    ['a row that is too long', 'shape,colour\nbrick-1x1,red,7\n', 'quotation marks'],
    ['a negative count', 'shape,colour,count\nbrick-1x1,red,-2\n', 'such as 4'],
  ])('%s', (_what, text, wayOut) => {
    expect(
      refusal(text)
        .problems.map((problem) => problem.wayOut)
        .join(),
    ).toContain(wayOut)
  })

  it.each([
    ['no shape', 'colour,x\nred,1\n'],
    ['a column twice', 'shape,colour,x,X\nbrick-1x1,red,1,2\n'],
    ['two words for one column', 'piece,part,colour\nbrick-1x1,brick-1x1,red\n'],
    ['a unit that is not known', 'shape,colour,x (furlongs)\nbrick-1x1,red,1\n'],
    ['nothing', '\n\n'],
  ])('its header: %s', (_what, text) => {
    expect(refusal(text)).toMatchObject({ code: 'csv-header', place: 'row 1' })
  })

  it('coordinates that look like studs are told so, taken or refused', () => {
    const wall = [0, 4, 8, 12].map((x) => `brick-2x4,red,${x},0,0`).join('\n')
    expect(read(`shape,colour,x,y,z\n${wall}\n`).report).toMatchObject({ looksLikeStuds: true })
    expect(refusal(`shape,colour,x,y,z\n${wall}\nplate-1x1,red,0.5,0,1\n`).wayOut).toContain('look like studs')
    expect(read(`shape,colour,x (studs),y (studs),z\n${wall}\n`).report).toMatchObject({ looksLikeStuds: false })
    expect(read(`shape,colour,x,y,z\nbrick-2x4,red,0,0,0\nbrick-2x4,red,40,0,0\n`).report).toMatchObject({ looksLikeStuds: false })
  })

  it('no text breaks the reader otherwise', () => {
    const cell = fc.oneof(
      fc.constantFrom('shape', 'colour', 'x', 'y (mm)', 'red', 'brick-2x4', '1', '"', ';', ',', '\t', '\n'),
      fc.string(),
    )
    fc.assert(
      fc.property(fc.array(cell, { maxLength: 30 }), (cells) => {
        try {
          read(cells.join(''))
        } catch (thrown) {
          expect((thrown as Fault).name).toBe('Fault')
        }
      }),
    )
  })
})

describe('a table that is mended', () => {
  const text = 'sep=;\nPiece;Color;x;y;z\n\nbrick 2x4;"deep; blue";0\n'
  const textOf = (bytes: Uint8Array): string => new TextDecoder().decode(bytes)

  it('has one cell written anew, by row and column as they are told, and all else as it was', () => {
    expect(tableHeader(bytesOf(text))).toEqual({ number: 1, cells: ['Piece', 'Color', 'x', 'y', 'z'] })
    expect(tableHeader(bytesOf('\n\nwhat,hue\n')).number).toBe(3)
    expect(textOf(mendCell(bytesOf(text), 3, 'Color', 'navy'))).toBe('sep=;\nPiece;Color;x;y;z\n\nbrick 2x4;navy;0\n')
    expect(textOf(mendCell(bytesOf(text), 3, 'z', '12'))).toBe('sep=;\nPiece;Color;x;y;z\n\nbrick 2x4;"deep; blue";0;;12\n')
    expect(textOf(mendCell(bytesOf(text), 1, 0, 'shape'))).toContain('shape;Color')
  })

  it('stays as it is where there is no such cell', () => {
    expect(textOf(mendCell(bytesOf('a,b\n1,2\n'), 9, 'a', 'x'))).toBe('a,b\n1,2\n')
    expect(textOf(mendCell(bytesOf('a,b\n1,2\n'), 2, 'c', 'x'))).toBe('a,b\n1,2\n')
  })
})
