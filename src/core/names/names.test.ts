import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { BASE_CATALOGUE, catalogueIn } from '../catalogue'
import { ADVICE_IN_ENGLISH } from '../language'
import { loadLanguage, wordsIn } from '../language'
import { aliasText, readAliases, readQuickLine, searchShapes, shapesThatLook, shelvesBySize, writeAliases, type Alias } from './index'

const first = (text: string): string | undefined => searchShapes(BASE_CATALOGUE, text, 1)[0]?.id
const ids = (text: string, most: number): string[] => searchShapes(BASE_CATALOGUE, text, most).map(({ id }) => id)

describe('search', () => {
  it.each([
    ['2 by 4 plate', 'plate-2x4'],
    ['plate 4x2', 'plate-2x4'],
    ['Plate 2×4', 'plate-2x4'],
    ['two by four brick', 'brick-2x4'],
    ['brik 2x4', 'brick-2x4'],
    ['plates 1x6', 'plate-1x6'],
    ['grill', 'grille-1x1'],
    ['axel 5', 'axle-5'],
    ['cogwheel 24', 'gear-24'],
    ['ladder', 'ladder'],
    ['tile-2x3', 'tile-2x3'],
  ])('“%s” finds %s first', (text, id) => {
    expect(first(text)).toBe(id)
  })

  it.each([
    ['1x1 clip', 'plate-1x1-clip', 8],
    ['round one by one', 'round-plate-1x1', 4],
    ['thing with studs on the side', 'brick-1x1-side1', 12],
    ['small ramp 1x1', 'slope-low-1x1', 4],
    ['hose', 'tube', 3],
    ['hat', 'figure-hat-cap', 12],
    ['sideways bracket 1x2', 'bracket-1x2-1x2-up', 4],
  ])('“%s” finds %s among the first', (text, id, most) => {
    expect(ids(text, most)).toContain(id)
  })

  it('finds nothing for nothing, and never fails', () => {
    expect(searchShapes(BASE_CATALOGUE, '  the of ')).toEqual([])
    fc.assert(
      fc.property(fc.string(), (text) => {
        expect(searchShapes(BASE_CATALOGUE, text, 5).length).toBeLessThanOrEqual(5)
      }),
    )
  })

  it('finds every shape by its own title', () => {
    const lost = [...BASE_CATALOGUE.shapes.values()].filter((shape) => !searchShapes(BASE_CATALOGUE, shape.title, 8).includes(shape))
    expect(lost.map(({ id }) => id)).toEqual([])
  })
})

describe('the quick line', () => {
  it('reads counts, pieces in any order and colours', () => {
    expect(readQuickLine('4 plate 1x2 sand, 2 black tile 2x2; round brick 1x1 see-through sky', BASE_CATALOGUE)).toEqual({
      pieces: [
        { count: 4, shape: 'plate-1x2', colour: 'sand' },
        { count: 2, shape: 'tile-2x2', colour: 'black' },
        { count: 1, shape: 'round-brick-1x1', colour: 'clear-sky' },
      ],
      unclear: [],
      told: [],
    })
  })

  it.each([
    ['2 1x2 slopes grey', 2, 'slope-2x1', 'ash'],
    ['2 x 1x2 slopes grey', 2, 'slope-2x1', 'ash'],
    ['brick 2x4 red x3', 3, 'brick-2x4', 'red'],
    ['brick 2x4 red 3 pieces', 3, 'brick-2x4', 'red'],
    ['four red bricks 2x2', 4, 'brick-2x2', 'red'],
    ['two dozen red 1x1 bricks', 24, 'brick-1x1', 'red'],
    ['half a dozen plates 1x2', 6, 'plate-1x2', 'ash'],
    ['a pair of wedge plates 2x3 left black', 2, 'wedge-plate-2x3-left', 'black'],
    ['1 plate 2x4 light grey', 1, 'plate-2x4', 'ash'],
    ['2 x 4 plate dark grey', 1, 'plate-2x4', 'slate'],
    ['plate 2 x 4', 1, 'plate-2x4', 'ash'],
    ['3× tile 1x2 dark red', 3, 'tile-1x2', 'wine'],
    ['Brick 2x4 transparent blue', 1, 'brick-2x4', 'clear-blue'],
  ])('reads “%s”', (line, count, shape, colour) => {
    const read = readQuickLine(line, BASE_CATALOGUE)
    expect(read.pieces).toEqual([{ count, shape, colour }])
    expect(read.unclear).toEqual([])
  })

  it.each(['-3 plate 1x1', '0 plate 1x1', '99999999 plate 1x1', 'zero plates 1x1', 'plate 1x1 x0', '2 plate 1x1 x3'])(
    'asks what “%s” means, and takes nothing',
    (line) => {
      const { pieces, unclear } = readQuickLine(line, BASE_CATALOGUE)
      expect(pieces).toEqual([])
      expect(unclear).toHaveLength(1)
      expect(ADVICE_IN_ENGLISH.say(unclear[0]!.why!)).toMatch(/^(A count goes from 1 to 9999|Two counts stand here: write one)\.$/)
    },
  )

  it('tells what it took for something else', () => {
    expect(readQuickLine('1 plate 2x4 light grey', BASE_CATALOGUE).told).toEqual([{ text: 'light grey', as: 'Ash' }])
    expect(readQuickLine('2 block 2x4 red', BASE_CATALOGUE).told).toEqual([{ text: 'block 2x4', as: 'Brick 2 × 4' }])
    expect(readQuickLine('2 brick 2x4 red', BASE_CATALOGUE).told).toEqual([])
  })

  it.each(['red brick', '2x2', '10', '3 wheels'])('asks which of several “%s” means', (line) => {
    const { pieces, unclear } = readQuickLine(line, BASE_CATALOGUE)
    expect(pieces).toEqual([])
    expect(unclear).toHaveLength(1)
    expect(ADVICE_IN_ENGLISH.say(unclear[0]!.why!)).toBe('It could be one of several: say which.')
    expect(unclear[0]!.nearest.length).toBeGreaterThan(1)
  })

  it('reads every piece by its own title', () => {
    const lost = [...BASE_CATALOGUE.shapes.values()].filter(({ id, title }) => {
      const { pieces, unclear } = readQuickLine(title.replace(/,/g, ' '), BASE_CATALOGUE)
      return pieces[0]?.shape !== id && !unclear.some(({ nearest }) => nearest.includes(id))
    })
    expect(lost.map(({ title }) => title)).toEqual([])
  })

  it('never fails, and never takes a count beyond its bounds', () => {
    const words = fc.constantFrom(
      '2',
      '-1',
      '0',
      '1x2',
      'x',
      '3',
      'x3',
      'four',
      'plate',
      'bricks',
      'red',
      'light',
      'grey',
      'of',
      '99999',
      'clear',
    )
    fc.assert(
      fc.property(fc.array(words, { maxLength: 7 }), (line) => {
        const { pieces } = readQuickLine(line.join(' '), BASE_CATALOGUE)
        for (const { count, shape, colour } of pieces) {
          expect(count).toBeGreaterThanOrEqual(1)
          expect(count).toBeLessThanOrEqual(9999)
          expect(BASE_CATALOGUE.shapes.has(shape) && BASE_CATALOGUE.colours.has(colour)).toBe(true)
        }
      }),
      { numRuns: 400 },
    )
  })

  it('says what it did not understand, and the nearest', () => {
    const { pieces, unclear } = readQuickLine('2 tile 2x2 ink-black qqqq, zzzzzz', BASE_CATALOGUE)
    expect(pieces).toEqual([{ count: 2, shape: 'tile-2x2', colour: 'ash' }])
    expect(unclear.map(({ text }) => text)).toEqual(['ink-black', 'qqqq', 'zzzzzz'])
    expect(unclear[0]!.nearest).toContain('black')
    expect(unclear[2]!.nearest).toEqual([])
  })
})

describe('what is it called', () => {
  const found = (sight: Parameters<typeof shapesThatLook>[1]): string[] => shapesThatLook(BASE_CATALOGUE, sight).map(({ id }) => id)

  it('narrows by footprint, height, studs and what it joins', () => {
    expect(found({ footprint: [2, 1], height: 1, studs: 'top' })).toContain('plate-1x2')
    expect(found({ footprint: [1, 2], height: 1, studs: 'none' })).toContain('tile-1x2')
    expect(found({ footprint: [1, 2], height: 1, studs: 'part-of-top' })).toContain('jumper-1x2')
    expect(found({ footprint: [1, 1], studs: 'side' })).toContain('brick-1x1-side4')
    expect(found({ joins: 'a bar', footprint: [1, 1] })).toContain('plate-1x1-clip')
    expect(found({ joins: 'a bar' }).length).toBeLessThan(found({}).length)
    expect(found({}).length).toBe(BASE_CATALOGUE.shapes.size)
  })
})

describe('aliases', () => {
  it('come back as they were written', () => {
    const text = fc.string({ maxLength: 12 }).map((value) => value.trim())
    const alias = fc.record({
      kind: fc.constant<Alias['kind']>('shape'),
      id: fc.constantFrom(...BASE_CATALOGUE.shapes.keys()),
      name: text,
      number: text,
    })
    fc.assert(
      fc.property(fc.uniqueArray(alias, { selector: ({ id }) => id }), (aliases) => {
        expect(readAliases(writeAliases(aliases), BASE_CATALOGUE)).toEqual(aliases)
      }),
    )
  })

  it('are refused whole where a row is wrong', () => {
    expect(() => readAliases('kind,id,name\n', BASE_CATALOGUE)).toThrow('number')
    expect(() => readAliases('kind,id,name,number\nshape,plate-1x3x,a,b', BASE_CATALOGUE)).toThrow('plate-1x3x')
    expect(() => readAliases('kind,id,name,number\nshape,plate-1x3,a,b\nshape,plate-1x3,c,d', BASE_CATALOGUE)).toThrow('twice')
    expect(aliasText([{ kind: 'shape', id: 'bar-3', name: 'Stick', number: '7' }], 'shape', 'bar-3')).toBe('Stick (7)')
  })
})

describe('names in another language', () => {
  it('find and read pieces as the English ones do, which are understood there too', async () => {
    await loadLanguage('de')
    const german = catalogueIn(BASE_CATALOGUE, wordsIn('de'))
    expect(searchShapes(german, 'Platte 2x4')[0]?.id).toBe('plate-2x4')
    expect(searchShapes(german, 'Schräge')[0]?.family).toMatch(/slope/)
    for (const line of ['4 Platte 2x4 rot', '4 plate 2x4 red'])
      expect(readQuickLine(line, german).pieces).toEqual([{ count: 4, shape: 'plate-2x4', colour: 'red' }])
  })
})

describe('shapes laid out by size', () => {
  const shelves = shelvesBySize([...BASE_CATALOGUE.shapes.values()])
  it('hold every shape once, heights from the lowest, footprints from the smallest', () => {
    expect(shelves.flatMap(({ shapes }) => shapes)).toHaveLength(BASE_CATALOGUE.shapes.size)
    for (const { shapes } of shelves) {
      const areas = shapes.map(({ box }) => box[0] * box[1])
      expect([...areas].sort((a, b) => a - b)).toEqual(areas)
    }
    const highest = shelves.map(({ shapes }) => Math.max(...shapes.map(({ box }) => box[2])))
    expect([...highest].sort((a, b) => a - b)).toEqual(highest)
  })
  it('leave out heights without shapes', () => {
    expect(shelvesBySize([BASE_CATALOGUE.shapes.get('plate-2x4')!]).map(({ height }) => height)).toEqual(['plate'])
  })
})
