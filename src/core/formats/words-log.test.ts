import { describe, expect, it } from 'vitest'
import { sectionUses } from '../model'
import { readWordsLog } from './words-log'

const TEXT = `For the legs you need two 1x2 plates in slate and a 2x4 brick in tan.
Now put the 2x4 down.
Put the two plates on top, three studs from the edge.
Build a second one the same.
Mirror it for the left.
Now the roof
Lay four 2x4 slopes in rust all around.
Add a 1x2 tile.`

describe('a log as a model', () => {
  const { model, report, remarks } = readWordsLog(TEXT, 'Hut', {})

  it('has a section where the text opens one, a step for each act, and copies', () => {
    expect(model.sections.map(({ id, parts = [], steps = [] }) => [id, parts.length, steps.length])).toEqual([
      ['whole', 0, 2],
      ['legs', 2, 2],
      ['roof-2', 2, 2],
    ])
    expect(model.sections[1]!.steps![1]).toEqual({ add: ['plate-1x2'], note: 'Put the two plates on top, three studs from the edge' })
    expect(model.sections[0]!.copies!.map(({ section, at, mirror }) => [section, at, mirror])).toEqual([
      ['legs', [0, 0, 0], undefined],
      ['legs', [0, 0, 0], undefined],
      ['legs', [0, 0, 0], 'x'],
      ['roof-2', [0, 0, 0], undefined],
    ])
    expect([...sectionUses(model).values()].every(({ times, mirrored }) => times + mirrored > 0)).toBe(true)
  })

  it('is reported in numbers', () => {
    expect(report).toMatchObject({ steps: 4, pieces: 8, unclear: [], trays: [{ section: 'legs', told: 3, used: 3 }] })
    const [remark, ...others] = remarks
    expect(remark).toMatchObject({ place: 'line 8', said: 'tile-1x2', made: 'Its colour was not told: ash was taken.' })
    expect([remark!.needsPerson, others]).toEqual([false, []])
  })

  it('of taking apart is turned round', () => {
    const { model: apart } = readWordsLog('Took off a red 2x4 brick.\nTook off a blue 2x2 tile.', 'X', { isReversed: true })
    expect(apart.sections[0]!.steps!.map(({ add }) => add)).toEqual([['tile-2x2'], ['brick-2x4']])
  })

  it('whose list and steps differ needs a person', () => {
    const differing = readWordsLog('For the legs you need four 1x2 plates in slate.\nPut two 1x2 plates down.', 'X', {})
    expect(differing.report).toMatchObject({ trays: [{ told: 4, used: 2 }] })
    expect(differing.remarks.filter(({ needsPerson }) => needsPerson)).toHaveLength(1)
  })

  it('without a piece is refused', () => {
    expect(() => readWordsLog('A fine day.', 'X', {})).toThrow(expect.objectContaining({ code: 'no-pieces' }) as Error)
  })
})
