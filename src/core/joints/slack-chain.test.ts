import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { readModelText, type ModelDocument } from '../model'
import { slackChains } from './index'

const between = (model: ModelDocument, from: string, to: string, section = model.root) => slackChains(model, section, [from, to])

describe('a chain of joints between two parts', () => {
  const gate = oneSection([
    part('floor', 'plate-2x8', [0, 0, 0]),
    part('left', 'brick-2x2', [0, 0, 4]),
    part('right', 'brick-2x2', [60, 0, 4]),
    part('lintel', 'plate-2x8', [0, 0, 16]),
    part('ball', 'brick-1x1', [0, 0, 20]),
  ])

  it('goes the shortest way, and round the other where the two close a ring', () => {
    const ways = between(gate, 'floor', 'lintel')
    expect(ways.map(({ along }) => along.join(' ')).sort()).toEqual(['floor left lintel', 'floor right lintel'])
    for (const { links } of ways) expect(links).toEqual([{ kind: 'stud joint', count: 2 }])
  })

  it('goes one way only where nothing closes a ring', () => {
    expect(between(gate, 'lintel', 'ball')).toEqual([{ along: ['lintel', 'ball'], links: [{ kind: 'stud joint', count: 1 }] }])
  })

  it('is nothing where nothing leads there, or to what is not there', () => {
    const apart = oneSection([part('a', 'plate-2x2', [0, 0, 0]), part('b', 'plate-2x2', [40, 0, 0])])
    expect(between(apart, 'a', 'b')).toEqual([])
    expect(between(apart, 'a', 'a')).toEqual([])
    expect(between(apart, 'a', 'nobody')).toEqual([])
  })

  it('counts a joint for each step of the way, whatever it is', () => {
    const model = readModelText(readFileSync(new URL('../../../demo/models/wind-pump.rail.json', import.meta.url), 'utf8'))
    const all = model.sections.flatMap((section) => {
      const ids = (section.parts ?? []).map(({ id }) => id)
      return ids.slice(1).flatMap((id) => between(model, ids[0]!, id, section.id))
    })
    expect(all.length).toBeGreaterThan(5)
    for (const { along, links } of all) expect(links.reduce((sum, { count }) => sum + count, 0)).toBe(along.length - 1)
    // A pin in a hole, an axle in a cross: both are counted as pins.
    expect(all.some(({ links }) => links.some(({ kind }) => kind === 'peg'))).toBe(true)
  })

  it('counts the wall of a bracket where it goes round its corner, and only there', () => {
    const model = oneSection([
      part('base', 'plate-2x4', [0, 0, 0]),
      part('corner', 'bracket-1x2-1x2-up', [0, 0, 4]),
      part('sign', 'tile-1x2', [0, -6, 4], '+x+z'),
      part('top', 'plate-1x2', [0, 0, 8]),
    ])
    expect(between(model, 'base', 'sign').map(({ links }) => links)).toEqual([
      [
        { kind: 'stud joint', count: 2 },
        { kind: 'bracket', count: 1 },
      ],
    ])
    expect(between(model, 'base', 'top').map(({ links }) => links)).toEqual([[{ kind: 'stud joint', count: 2 }]])
  })
})
