import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { flattened, standing, toldParts } from '../../../tests/support/flattened'
import { oneSection, part } from '../../../tests/support/models'
import { asBuilt, readModelText, type ModelDocument, type Part } from '../model'
import { planModel } from '../plan'
import { TURNS, turnText } from '../space'
import { acceptSuggestion, cutUp, findSuggestions, SAVING_KINDS, type Suggestion, type SuggestionKind } from './index'

const demo = (name: string): ModelDocument =>
  readModelText(readFileSync(new URL(`../../../demo/models/${name}.rail.json`, import.meta.url), 'utf8'))
const of = (kind: SuggestionKind, all: readonly Suggestion[]): Suggestion[] => all.filter((each) => each.kind === kind)

/** A post of five parts that has a front, at a place of a floor. */
const post = (name: string, [x, y]: readonly [number, number], colour = 'red'): Part[] => [
  part(`${name}-a`, 'brick-1x2', [x, y, 4]),
  part(`${name}-b`, 'brick-1x2', [x, y, 16], undefined, colour),
  part(`${name}-c`, 'plate-1x1', [x, y, 28]),
  part(`${name}-d`, 'tile-1x1', [x + 10, y, 28]),
  part(`${name}-e`, 'cone-1x1', [x, y, 32]),
]
const floor = part('floor', 'plate-16x16', [0, 0, 0])

describe('what is found', () => {
  it('what repeats, with its poses and what it saves', () => {
    const model = oneSection([floor, ...post('one', [0, 0]), ...post('two', [50, 30]), ...post('three', [100, 100])])
    const [best] = findSuggestions(model)
    expect(best).toMatchObject({ kind: 'repeat', section: 'main', savesParts: 10 })
    expect(best!.groups.map((group) => [...group].sort())).toEqual(
      ['one', 'two', 'three'].map((name) => 'abcde'.split('').map((end) => `${name}-${end}`)),
    )
    expect(best!.poses.map(({ at }) => at)).toEqual([
      [0, 0, 4],
      [50, 30, 4],
      [100, 100, 4],
    ])
    expect(best!.reason).toContain('3 times')
  })

  it('mirror images', () => {
    const block = (name: string, x: number, side: 'left' | 'right'): Part[] => [
      part(`${name}-a`, 'brick-2x3', [x, 0, 4]),
      part(`${name}-b`, `wedge-plate-2x3-${side}`, [x, 0, 16]),
      part(`${name}-c`, 'tile-1x1', [side === 'left' ? x : x + 20, 10, 20]),
      part(`${name}-d`, 'jumper-1x2', [side === 'left' ? x + 10 : x, 10, 20]),
    ]
    const model = oneSection([floor, ...block('l', 0, 'left'), ...block('r', 100, 'right')])
    expect(of('mirror', findSuggestions(model))[0]).toMatchObject({ savesParts: 4, poses: [{}, { mirror: 'x' }] })
  })

  it('what nearly repeats, with its differences', () => {
    const missing = post('two', [50, 30]).slice(0, 4)
    const model = oneSection([floor, ...post('one', [0, 0]), ...missing, ...post('three', [100, 100], 'blue')])
    const [near] = of('near', findSuggestions(model))
    expect(near!.differences).toEqual([{}, { 'one-e': null }, { 'one-b': { colour: 'blue' } }])
    expect(near!.savesParts).toBe(8)
  })

  it('what hangs on a joint that moves, and what few studs hold', () => {
    const arm: Part[] = [
      part('grip', 'plate-1x1-clip', [0, 0, 0]),
      ...[0, 1, 2, 3].map((i) => part(`base-${i}`, 'plate-2x4', [0, -10, -4 * (i + 1)])),
    ]
    expect(findSuggestions(oneSection(arm), { kinds: ['moving'] })).toEqual([])
    const tower = [0, 1, 2, 3, 4].map((i) => part(`t${i}`, 'brick-1x1', [70, 70, 4 + 12 * i]))
    const loose = of(
      'loosely-held',
      findSuggestions(
        oneSection([
          floor,
          part('slab', 'plate-8x8', [0, 0, 4]),
          part('slab2', 'plate-8x8', [0, 0, 8]),
          part('slab3', 'plate-8x8', [0, 0, 12]),
          ...tower.map((p) => ({ ...p, at: [100, 100, p.at![2]] as const })),
          part('x1', 'plate-2x2', [0, 80, 4]),
          part('x2', 'plate-2x2', [0, 80, 8]),
        ]),
      ),
    )
    expect(loose.map(({ groups }) => groups[0]!.length)).toContain(5)
  })

  it('groups are no smaller than is asked, and none is found in nothing', () => {
    const model = oneSection([floor, ...post('one', [0, 0]), ...post('two', [50, 30])])
    expect(findSuggestions(model, { least: 6 }).filter(({ kind }) => kind === 'repeat')).toEqual([])
    expect(findSuggestions(oneSection([]))).toEqual([])
  })
})

describe('a model that is cut up', () => {
  it.each(['ferry-house', 'bird-table', 'wind-pump'])('%s, flattened, has exactly the parts it had, and less to tell', (name) => {
    const flat = flattened(demo(name))
    const { model, taken } = cutUp(flat, SAVING_KINDS)
    expect(standing(model)).toEqual(standing(flat))
    expect(toldParts(model)).toBeLessThanOrEqual(toldParts(flat) - taken.reduce((sum, { savesParts }) => sum + savesParts, 0) * 0.99)
    expect(readModelText(JSON.stringify(model))).toEqual(JSON.parse(JSON.stringify(model)))
  })

  it('a heap of like things in any turn is told once', () => {
    const turns = fc.array(fc.tuple(fc.nat(23), fc.nat(40), fc.nat(40)), { minLength: 2, maxLength: 4 })
    fc.assert(
      fc.property(turns, (places) => {
        const inner = post('p', [0, 0])
        const model: ModelDocument = {
          ...oneSection([]),
          sections: [
            {
              id: 'main',
              name: 'Main',
              parts: [],
              copies: places.map(([turn, x, y], i) => ({
                id: `c${i}`,
                section: 'inner',
                at: [x * 10, y * 10, i * 200],
                turn: turnText(turn % TURNS.length),
              })),
            },
            { id: 'inner', name: 'Inner', parts: inner },
          ],
        }
        const flat = flattened(model)
        const cut = cutUp(flat, ['repeat']).model
        expect(standing(cut)).toEqual(standing(flat))
        expect(toldParts(cut)).toBe(inner.length)
      }),
      { numRuns: 20 },
    )
  })

  it('given steps join a copy where they added the last of its parts', () => {
    const model = oneSection(
      [floor, ...post('one', [0, 0]), ...post('two', [50, 30])],
      [
        { add: ['floor'] },
        { add: ['one-a', 'one-b', 'one-c'] },
        { add: ['one-d', 'one-e', 'two-a'] },
        { add: ['two-b', 'two-c', 'two-d', 'two-e'] },
      ],
    )
    const [best] = findSuggestions(model, { kinds: ['repeat'] })
    const cut = acceptSuggestion(model, best!, 'Post')
    expect(cut.sections[0]!.steps).toEqual([{ add: ['floor'] }, { join: ['main-part-1-1'] }, { join: ['main-part-1-2'] }])
    expect(cut.sections[1]).toMatchObject({ id: 'main-part-1', name: 'Post' })
  })

  it('copies that differ are planned as they are built', () => {
    const model = oneSection([floor, ...post('one', [0, 0]), ...post('two', [50, 30], 'blue')])
    const [near] = of('near', findSuggestions(model))
    const cut = acceptSuggestion(model, near!)
    expect(cut.sections[0]!.copies![1]!.except).toEqual({ 'one-b': { colour: 'blue' } })
    expect(standing(cut)).toEqual(standing(model))
    const built = asBuilt(cut)
    expect(standing(built)).toEqual(standing(model))
    expect(built.sections.map(({ id }) => id)).toEqual(['main', 'main-part-1', 'main-part-1-2'])
    expect(planModel(built).plan.sections.map(({ id, times }) => [id, times])).toContainEqual(['main-part-1-2', 1])
  })
})

describe('exceptions of a copy', () => {
  const model: ModelDocument = {
    ...oneSection([]),
    sections: [
      {
        id: 'main',
        name: 'Main',
        copies: [{ id: 'outer', section: 'middle', at: [0, 0, 0], except: { 'inner/a': { shape: 'tile-1x2' }, b: null } }],
      },
      {
        id: 'middle',
        name: 'Middle',
        parts: [part('b', 'brick-1x1', [30, 0, 0])],
        copies: [{ id: 'inner', section: 'leaf', at: [0, 0, 0] }],
      },
      { id: 'leaf', name: 'Leaf', parts: [part('a', 'plate-1x2', [0, 0, 0]), part('c', 'plate-1x2', [0, 0, 4])] },
    ],
  }

  it('reach through copies within', () => {
    expect(standing(model).map((line) => line.split(' ')[0])).toEqual(['plate-1x2', 'tile-1x2'])
    expect(standing(asBuilt(model))).toEqual(standing(model))
  })

  it.each<[string, Record<string, unknown>, string]>([
    ['a part that is not there', { nothing: null }, 'unknown-part'],
    ['a shape that is not known', { b: { shape: 'brick-9x9' } }, 'unknown-shape'],
    ['a colour that is not known', { b: { colour: 'puce' } }, 'unknown-colour'],
    ['something else', { b: 3 }, 'bad-value'],
  ])('name %s and are refused', (_what, except, code) => {
    const [main, ...rest] = model.sections
    const wrong = { ...model, sections: [{ ...main, copies: [{ ...main!.copies![0], except }] }, ...rest] }
    expect(() => readModelText(JSON.stringify(wrong))).toThrow(expect.objectContaining({ code }) as Error)
  })
})
