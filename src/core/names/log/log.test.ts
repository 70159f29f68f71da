import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { BASE_CATALOGUE } from '../../catalogue'
import { readLog, type ToldPiece } from '../index'

const word = ({ count, shape, colour, isColourless }: ToldPiece): string => `${count} ${shape} ${isColourless ? '?' : colour}`
const read = (text: string) => readLog(text, BASE_CATALOGUE)
/** The pieces of each act, in one line. */
const acts = (text: string): string[] =>
  read(text).sections.flatMap((section) => section.acts.map(({ pieces }) => pieces.map(word).join(', ')))
const names = (text: string): string[] => read(text).sections.map(({ name, times, mirrored }) => `${name} ${times}+${mirrored}`)

describe('pieces in a log', () => {
  it.each([
    ['Put two 1x2 plates in slate on top', ['2 plate-1x2 slate']],
    ['Add a red 2x4 brick and three white 1x1 tiles', ['1 brick-2x4 red, 3 tile-1x1 white']],
    ['Place a brick 2x4 red x3', ['3 brick-2x4 red']],
    ['Stick a black 1x2 tile on the side', ['1 tile-1x2 black']],
    ['Clip a pair of blue 1x2 jumpers to the front', ['2 jumper-1x2 blue']],
    ['Add a 2x4 brick in red. Add another one', ['1 brick-2x4 red', '1 brick-2x4 red']],
    ['Add a 2x4 brick in red. Two more of those', ['1 brick-2x4 red', '2 brick-2x4 red']],
    ['Add four 2x2 tiles in red. Then the same in blue', ['4 tile-2x2 red', '4 tile-2x2 blue']],
    ['Put two 1x2 plates in slate, four in red', ['2 plate-1x2 slate, 4 plate-1x2 red']],
    ['Put a 1x2 plate and two 2x2 plates on it, all in tan', ['1 plate-1x2 ?, 2 plate-2x2 ?'.replaceAll('?', 'tan')]],
    ['Took off a 1x4 tile in wine, then pulled out two 1x1 cones in gold', ['1 tile-1x4 wine', '2 cone-1x1 gold']],
    ['Add a 2x3 brick on the corner in olive', ['1 brick-2x3 olive']],
    ['Add a 2x3 brick', ['1 brick-2x3 ?']],
  ])('%s', (text, expected) => {
    expect(acts(text)).toEqual(expected)
  })

  it.each([
    'Put a red 2x4 brick three studs from the edge',
    'Put a red 2x4 brick two plates up',
    'Put a red 2x4 brick on the two 4x4 plates',
    'Put a red 2x4 brick half a stud in from the left',
  ])('a place is no piece: %s', (text) => {
    expect(acts(text)).toEqual(['1 brick-2x4 red'])
  })

  it('what the list of a section tells says what “the 2x4” is, and its colour', () => {
    const text = 'For the legs you need two 1x2 plates in slate and a 2x4 brick in tan.\nNow put the 2x4 on top.\nPress the plates on.'
    expect(acts(text)).toEqual(['1 brick-2x4 tan', '2 plate-1x2 slate'])
    expect(read(text).sections[0]!.told.map(word)).toEqual(['2 plate-1x2 slate', '1 brick-2x4 tan'])
  })

  it('what is not understood is told with what it may have been, and is no piece', () => {
    const { unclear, sections } = read('Put a 2x4 on top.\nAdd three widgets.')
    expect(unclear).toEqual([
      { line: 1, words: 'a 2x4', nearest: expect.arrayContaining(['brick-2x4', 'plate-2x4']) as unknown },
      { line: 2, words: 'three widgets', nearest: [] },
    ])
    expect(sections.flatMap((section) => section.acts.flatMap(({ pieces }) => pieces))).toEqual([])
  })

  it('a colour that nobody says is noted', () => {
    expect(read('Add a 2x3 brick').colourless).toEqual([{ line: 1, shape: 'brick-2x3' }])
  })
})

describe('sections in a log', () => {
  const piece = '\nAdd a red 2x4 brick.\n'
  it.each([
    ['The roof:', 'roof'],
    ['Now the roof', 'roof'],
    ['Next, the left arm', 'left arm'],
    ['On to the tail.', 'tail'],
    ['For the legs you need two 1x2 plates in slate.', 'legs'],
    ['Pieces for the hull: six 1x4 bricks in ash', 'hull'],
    ['The hull needs six 1x4 bricks in ash.', 'hull'],
    ['The feet.', 'feet'],
  ])('%s', (line, name) => {
    expect(names(line + piece)).toEqual([`${name} 1+0`])
  })

  it.each([
    ['Build two of these.', '2+0'],
    ['Build a second one the same.', '2+0'],
    ['Make four of these.', '4+0'],
    ['Build two more of them the same.', '3+0'],
    ['Mirror it for the left.', '1+1'],
    ['Build two mirrored ones.', '1+2'],
    ['Repeat that three times.', '3+0'],
  ])('%s', (line, times) => {
    expect(names(`Legs:${piece}${line}`)).toEqual([`Legs ${times}`])
  })

  it('lines below a heading are acts where nothing else is done, and a list where something is', () => {
    const lines = 'Lamp x2:\n- 1 round brick 1x1 black\n- another one\n- a round tile 1x1 in clear amber\n'
    expect(acts(lines)).toEqual(['1 round-brick-1x1 black', '1 round-brick-1x1 black', '1 round-tile-1x1 clear-amber'])
    expect(read(`${lines}Press the round bricks together.`).sections[0]!.told).toHaveLength(3)
  })

  it('no text breaks the reader', () => {
    const some = fc.constantFrom(
      'put',
      'two',
      '2x4',
      'red',
      'the',
      'plates',
      ',',
      '.',
      ':',
      '\n',
      'for the legs you need',
      'mirror it',
      'another one',
      'x3',
      'in',
    )
    fc.assert(fc.property(fc.array(fc.oneof(some, fc.string()), { maxLength: 40 }), (words) => void read(words.join(' '))))
  })
})
