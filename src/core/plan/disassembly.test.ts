import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { TRAPS } from '../../../tests/support/traps'
import { checkModel, type ModelDocument } from '../model'
import { reportModel } from '../pipeline'
import { Disassembly, keepDisassembly, plannedRemovals } from './index'

const tower = oneSection([part('low', 'brick-2x2', [0, 0, 0]), part('mid', 'brick-2x2', [0, 0, 12]), part('top', 'brick-2x2', [0, 0, 24])])

function takeAll(model: ModelDocument, planned?: ReturnType<typeof plannedRemovals>): Disassembly {
  const apart = new Disassembly(model, model.root, planned)
  for (let ids = apart.suggest(); ids; ids = apart.suggest()) expect(apart.take(ids).kind).toBe('off')
  return apart
}

describe('taking apart by hand', () => {
  it('lets off what is free and says what is in the way of the rest', () => {
    const apart = new Disassembly(tower, 'main')
    const answer = apart.take(['mid'])
    expect(answer).toMatchObject({ kind: 'stuck' })
    expect(answer.kind === 'stuck' && answer.ways.find(({ travel }) => travel === 4)!.by).toEqual(['top'])
    expect(apart.left).toBe(3)
    expect(apart.take(['top'])).toMatchObject({ kind: 'off', taken: { ids: ['top'], travel: 4, loosened: [] } })
    expect(apart.take(['mid']).kind).toBe('off')
    expect(apart.isThere('mid')).toBe(false)
  })

  it('takes several off as one, and puts back what came off last', () => {
    const apart = new Disassembly(tower, 'main')
    expect(apart.take(['mid', 'top'])).toMatchObject({ kind: 'off', taken: { ids: ['mid', 'top'] } })
    expect(apart.putBack()!.ids).toEqual(['mid', 'top'])
    expect(apart.left).toBe(3)
    expect(apart.take(['mid']).kind).toBe('stuck')
    expect(apart.putBack()).toBeUndefined()
  })

  it('tells what would lie loose, and not what still stands', () => {
    // Under the lid hangs a lamp; the post stands on the table.
    const lamp = oneSection([
      part('post', 'brick-1x1', [0, 0, 0]),
      part('more', 'brick-1x1', [0, 0, 12]),
      part('lid', 'plate-1x4', [0, 0, 24]),
      part('lamp', 'brick-1x1', [30, 0, 12]),
    ])
    const apart = new Disassembly(lamp, 'main')
    expect(apart.take(['lid'])).toMatchObject({ kind: 'off', taken: { loosened: ['lamp'] } })
    const other = new Disassembly(lamp, 'main')
    expect(other.take(['lamp'])).toMatchObject({ kind: 'off', taken: { loosened: [] } })
  })

  it('begins with the first suggestion again after something was put back', () => {
    const apart = takeAll(tower)
    expect(apart.suggest()).toBeUndefined()
    apart.putBack()
    apart.putBack()
    expect(apart.suggest()).toEqual(['mid'])
  })

  it('suggests everything off every model that comes apart, and what it suggests comes off', () => {
    let whole = 0
    for (const { model, errors } of TRAPS) {
      const apart = takeAll(model)
      if (errors.length === 0) expect(apart.left).toBe(0)
      whole += apart.left === 0 ? 1 : 0
    }
    expect(whole).toBeGreaterThan(15)
  })
})

describe('the order of taking apart, turned round', () => {
  it('is the steps of the section, and hands can follow it', () => {
    const kept = keepDisassembly(tower, 'main', takeAll(tower))
    expect(kept.sections[0]!.steps).toEqual([{ add: ['low'] }, { add: ['mid'] }, { add: ['top'] }])
    expect(checkModel(kept)).toEqual(kept)
  })

  it('draws like pieces beside each other together, never what stands on each other', () => {
    const wall = oneSection([
      part('floor', 'plate-2x8', [0, 0, 0]),
      ...[0, 20, 40, 60].map((x, i) => part(`b${i}`, 'brick-2x2', [x, 0, 4])),
      part('cap', 'brick-2x2', [0, 0, 16]),
    ])
    const steps = keepDisassembly(wall, 'main', takeAll(wall)).sections[0]!.steps!
    expect(steps.some(({ add }) => add!.length > 1)).toBe(true)
    for (const { add } of steps) expect(add!.includes('b0') && add!.includes('cap')).toBe(false)
  })

  it('leaves what was not taken off to the program, and adds loose parts at the end', () => {
    const apart = new Disassembly(tower, 'main')
    apart.take(['top'])
    expect(keepDisassembly(tower, 'main', apart).sections[0]).toMatchObject({ planRest: true, steps: [{ add: ['top'], locked: true }] })
    const { at: _at, ...loose } = part('spare', 'tile-1x1', [0, 0, 0])
    const withLoose = oneSection([...tower.sections[0]!.parts!, { ...loose, count: 2 }])
    expect(keepDisassembly(withLoose, 'main', takeAll(withLoose)).sections[0]!.steps!.at(-1)).toEqual({ add: ['spare'] })
  })

  it('gives a plan without errors wherever the program finds one', () => {
    for (const { name, model, errors } of TRAPS.filter(
      (trap) => trap.errors.length === 0 && !trap.model.sections.some(({ steps }) => steps),
    )) {
      const { sections } = reportModel(model).report
      const planned = plannedRemovals(
        sections.find(({ id }) => id === model.root)!,
        sections,
      )
      const kept = keepDisassembly(model, model.root, takeAll(model, planned))
      const { findings } = reportModel(kept).report
      expect(
        findings.filter(({ severity }) => severity === 'error').map(({ code }) => code),
        name,
      ).toEqual(errors)
    }
  })
})
