import { describe, expect, it } from 'vitest'
import { oneSection, part, twoSections } from '../../../tests/support/models'
import { checkModel, Flattener, type ModelDocument } from '../model'
import {
  addNodes,
  addSection,
  coloursInScope,
  placePartAt,
  moveNodesTo,
  placeNodes,
  recolourModel,
  recolourParts,
  removeNodes,
  replaceShape,
} from './index'

const wall = oneSection(
  [part('a', 'brick-2x4', [0, 0, 0]), part('b', 'brick-2x4', [0, 0, 12], undefined, 'red'), part('c', 'tile-1x2', [0, 0, 24])],
  [{ add: ['a'] }, { add: ['b', 'c'], notes: [{ kind: 'try', text: 'Press', parts: ['b', 'c'] }] }],
)
const nested = twoSections(
  [part('base', 'plate-4x4', [0, 0, 0])],
  [{ id: 'one', section: 'inner', at: [0, 0, 4], except: { x: { colour: 'red' }, y: null } }],
  [part('x', 'brick-1x1', [0, 0, 0]), part('y', 'brick-1x1', [10, 0, 0])],
)
const sound = (model: ModelDocument): ModelDocument => {
  expect(checkModel(model)).toEqual(model)
  return model
}

describe('what is put in', () => {
  it('gets an id of its own and a step at the end', () => {
    const { model, ids } = addNodes(wall, 'main', { parts: [part('new', 'brick-2x4', [40, 0, 0]), part('new', 'brick-2x4', [80, 0, 0])] })
    expect(ids).toEqual(['brick-2x4', 'brick-2x4-2'])
    expect(sound(model).sections[0]!.steps!.at(-1)).toEqual({ add: ids })
    expect(addNodes(model, 'main', { parts: [part('new', 'brick-2x4', [0, 40, 0])] }).ids).toEqual(['brick-2x4-3'])
  })

  it('may be a copy, but never of what holds the section', () => {
    const { model, ids } = addNodes(nested, 'main', { copies: [{ id: 'new', section: 'inner', at: [0, 20, 4] }] })
    expect(ids).toEqual(['inner'])
    expect(sound(model).sections[0]!.copies).toHaveLength(2)
    expect(() => addNodes(nested, 'inner', { copies: [{ id: 'new', section: 'main', at: [0, 0, 0] }] })).toThrow('cannot stand in it')
    expect(() => addNodes(nested, 'inner', { copies: [{ id: 'new', section: 'inner', at: [0, 0, 0] }] })).toThrow('cannot stand in it')
  })

  it('changes nothing where it is nothing', () => {
    expect(addNodes(wall, 'main', {}).model).toBe(wall)
  })
})

describe('what is taken out', () => {
  it('leaves its steps, notes and exceptions', () => {
    const left = sound(removeNodes(wall, 'main', new Set(['a', 'b'])))
    expect(left.sections[0]!.steps).toEqual([{ add: ['c'], notes: [{ kind: 'try', text: 'Press', parts: ['c'] }] }])
    expect(sound(removeNodes(nested, 'inner', new Set(['x']))).sections[0]!.copies![0]!.except).toEqual({ y: null })
    expect(removeNodes(nested, 'inner', new Set(['x', 'y'])).sections[0]!.copies![0]).not.toHaveProperty('except')
    expect(removeNodes(wall, 'main', new Set(['nobody']))).toBe(wall)
  })

  it('takes what hangs on it along, and lets go what hung by it', () => {
    const hinge: ModelDocument = {
      ...oneSection([part('post', 'brick-1x1', [0, 0, 0])]),
      sections: [
        {
          id: 'main',
          name: 'Main',
          parts: [part('post', 'brick-1x1', [0, 0, 0])],
          copies: [{ id: 'arm', section: 'arm', joint: { on: { part: 'post', kind: 'clip' }, by: { part: 'rod', kind: 'bar' } } }],
        },
        { id: 'arm', name: 'Arm', parts: [part('rod', 'brick-1x1', [0, 0, 0]), part('end', 'brick-1x1', [10, 0, 0])] },
      ],
    }
    expect(removeNodes(hinge, 'main', new Set(['post'])).sections[0]!.copies).toBeUndefined()
    expect(removeNodes(hinge, 'arm', new Set(['rod'])).sections[0]!.copies).toEqual([{ id: 'arm', section: 'arm', at: [0, 0, 0] }])
  })
})

describe('what is changed', () => {
  it('is placed, recoloured, exchanged; nothing else moves', () => {
    const moved = placeNodes(wall, 'main', { parts: [part('b', 'brick-2x4', [10, 0, 12], undefined, 'red')] })
    expect(moved.sections[0]!.parts!.map(({ at }) => at)).toEqual([
      [0, 0, 0],
      [10, 0, 12],
      [0, 0, 24],
    ])
    expect(recolourParts(wall, 'main', new Set(['a']), 'teal').sections[0]!.parts!.map(({ colour }) => colour)).toEqual([
      'teal',
      'red',
      'slate',
    ])
    expect(recolourParts(wall, 'main', new Set(['b']), 'red')).toBe(wall)
    expect(
      recolourModel(
        wall,
        new Map([
          ['slate', 'sand'],
          ['red', 'slate'],
        ]),
      ).sections[0]!.parts!.map(({ colour }) => colour),
    ).toEqual(['sand', 'slate', 'sand'])
    expect(recolourModel(wall, new Map([['slate', 'sand']]), { section: 'other' })).toBe(wall)
  })

  it('is counted by colour where it is asked for, and stands exactly where numbers say', () => {
    expect(coloursInScope(wall)).toEqual([
      { colour: 'slate', count: 2 },
      { colour: 'red', count: 1 },
    ])
    expect(coloursInScope(wall, { section: 'main', ids: new Set(['b']) })).toEqual([{ colour: 'red', count: 1 }])
    expect(placePartAt(wall, 'main', 'a', { at: [5, 0, 4], turn: '+y-x' }).sections[0]!.parts![0]).toMatchObject({
      at: [5, 0, 4],
      turn: '+y-x',
    })
    expect(() => placePartAt(wall, 'main', 'a', { at: [0.5, 0, 0] })).toThrow('whole u')
  })

  it('keeps the middle of its underside, in every turn, on the grid', () => {
    const small = replaceShape(wall, 'main', new Set(['a']), 'brick-2x2')
    expect(small.sections[0]!.parts![0]).toMatchObject({ shape: 'brick-2x2', at: [10, 0, 0] })
    const turned = oneSection([part('a', 'brick-2x4', [0, 0, 0], '+y-x')])
    const next = replaceShape(turned, 'main', new Set(['a']), 'plate-2x4')
    expect(next.sections[0]!.parts![0]).toEqual({ ...part('a', 'plate-2x4', [0, 0, 0], '+y-x') })
    expect(() => replaceShape(wall, 'main', new Set(['a']), 'nonsense')).toThrow('There is no shape')
    expect(new Flattener(sound(small)).all('main')).toHaveLength(3)
  })
})

describe('between sections', () => {
  it('parts go where they are wanted, with free ids', () => {
    const next = sound(moveNodesTo(nested, 'main', new Set(['base']), 'inner'))
    expect(next.sections[0]!.parts).toEqual([])
    expect(next.sections[1]!.parts!.at(-1)).toMatchObject({ id: 'plate-4x4', shape: 'plate-4x4' })
    expect(moveNodesTo(nested, 'main', new Set(['base']), 'main')).toBe(nested)
  })

  it('they stay where they are in space, turned and mirrored copies included', () => {
    const places = (model: ModelDocument): string[] =>
      new Flattener(model)
        .all('main')
        .map(({ shape, pose }) => JSON.stringify([shape.id, pose.matrix, pose.at]))
        .sort()
    const wedge = part('w', 'wedge-plate-2x4-left', [40, 30, 8])
    for (const copy of [{ turn: '+y-x' }, { mirror: 'x' as const }, {}]) {
      const model = twoSections(
        [part('base', 'plate-4x4', [0, 0, 0]), wedge],
        [{ id: 'c', section: 'inner', at: [60, 10, 4], ...copy }],
        [part('x', 'brick-1x2', [0, 0, 0])],
      )
      const into = sound(moveNodesTo(model, 'main', new Set(['w']), 'inner'))
      expect(places(into)).toEqual(places(model))
      expect(places(sound(moveNodesTo(into, 'inner', new Set(['x']), 'main')))).toEqual(places(model))
    }
    const free = twoSections(
      [wedge],
      [{ id: 'c', section: 'inner', at: [0, 0, 0], rotate: [0, 0, 30] }],
      [part('x', 'brick-1x2', [0, 0, 0])],
    )
    expect(() => moveNodesTo(free, 'main', new Set(['w']), 'inner')).toThrow('free angle')
  })

  it('a new section has a name and an id of its own', () => {
    const { model, id } = addSection(nested, 'Inner')
    expect(id).toBe('inner-2')
    expect(sound(model).sections.at(-1)).toEqual({ id: 'inner-2', name: 'Inner', parts: [] })
    expect(addSection(nested, '  ').model.sections.at(-1)!.name).toBe('Section')
    expect(addSection(nested, 'Крыша').id).toBe('section')
  })
})
