import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { alikeFor, BASE_CATALOGUE } from '../catalogue'
import type { ModelDocument } from '../model'
import { reportModel } from '../pipeline'
import { waysOut, type Finding } from './index'

const found = (model: ModelDocument): Finding[] => reportModel(model).report.findings.filter(({ code }) => code === 'alike-colours')
const pair = (one: string, other: string, otherShape = 'brick-1x1'): ModelDocument =>
  oneSection([
    part('floor', 'plate-2x4', [0, 0, 0]),
    part('a', 'brick-1x1', [0, 0, 4], undefined, one),
    part('b', otherShape, [20, 0, 4], undefined, other),
  ])
const hex = (id: string): string => BASE_CATALOGUE.colours.get(id)!.hex

describe('colours that are hard to tell apart', () => {
  it('are told where one step has one shape in both', () => {
    const [one, ...more] = found(pair('rust', 'red'))
    expect(more).toEqual([])
    expect(one).toMatchObject({ severity: 'warning', parts: ['a', 'b'] })
    expect(one!.message).toContain('for eyes that see fewer colours')
    expect(found(pair('rust', 'navy'))).toEqual([])
    expect(found(pair('rust', 'red', 'brick-1x2'))).toEqual([])
    expect(found(pair('rust', 'rust'))).toEqual([])
  })

  it('a note says which goes where', () => {
    const model = pair('rust', 'red')
    const { report } = reportModel(model)
    const way = waysOut(model, found(model)[0]!, report.sections)[0]!
    expect(way.change(model).sections[0]!.steps!.some(({ note }) => note?.startsWith('Mind where'))).toBe(true)
  })

  it('depends on the eye: what nobody confuses, what some do, what all do', () => {
    expect(alikeFor(hex('white'), hex('black'))).toBe('none')
    expect(alikeFor(hex('red'), hex('forest'))).toBe('some')
    expect(alikeFor(hex('red'), hex('red'))).toBe('all')
    expect(alikeFor(hex('forest'), hex('red'))).toBe('some')
  })
})
