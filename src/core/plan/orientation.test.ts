import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { turnWords } from '../booklet'
import { reportModel } from '../pipeline'
import type { ModelDocument } from '../model'
import { drawnSection, RailPainter } from '../picture'
import { catalogueOf, Flattener } from '../model'
import { replay } from '../replay'

/** A table whose board carries lanterns below, more than one step can hold, each of another kind than its neighbours. */
function hungTable(lanterns: number, legCount = 4): ModelDocument {
  const colours = ['red', 'navy', 'olive', 'sand', 'plum']
  const legs = [0, 70].flatMap((x) => [0, 70].map((y) => [x, y] as const)).slice(0, legCount)
  const hung = Array.from({ length: lanterns }, (_, i) => {
    const [x, y] = [20 + (i % 5) * 10, 10 + Math.floor(i / 5) * 10]
    return part(`lantern-${i}`, 'round-brick-1x1', [x, y, 36], undefined, colours[(i + Math.floor(i / 5)) % 5])
  })
  return oneSection([
    ...legs.flatMap(([x, y], i) => [0, 12, 24, 36].map((z) => part(`leg-${i}-${z}`, 'brick-1x1', [x, y, z]))),
    part('board', 'plate-8x8', [0, 0, 48]),
    ...hung,
  ])
}

describe('how the work lies', () => {
  it('a long run from below turns the work over once, and sets it down again', () => {
    const model = hungTable(30)
    const { report } = reportModel(model)
    expect(replay(model, report)).toEqual([])
    const steps = report.sections[report.sections.length - 1]!.steps
    const turned = steps.filter((step) => step.turn === '+x-y')
    expect(turned).toHaveLength(1)
    expect(turned[0]!.moves.every((move) => move.direction === '+z')).toBe(true)
    expect(report.measures.turnsPer100).toBeGreaterThan(0)
    expect(report.findings.filter((found) => found.code === 'tips-over')).toEqual([])
  })

  it('a single step is done with the work lifted, which counts as a turn too', () => {
    const { report } = reportModel(hungTable(3, 2))
    const steps = report.sections[report.sections.length - 1]!.steps
    expect(steps.some((step) => step.turn !== undefined)).toBe(false)
    expect(report.measures.turnsPer100).toBeGreaterThan(0)
  })

  it('what hangs below shows in its steps', () => {
    const { looks, planned } = reportModel(hungTable(30))
    const main = planned.built.length - 1
    for (const [i, orientation] of planned.built[main]!.orientations.entries())
      if (orientation !== 0) expect(Math.min(...looks[main]![i]!.shares)).toBeGreaterThan(0.2)
  })

  it('a given turn is printed, holds until the next, and turns the picture', () => {
    const steps = [{ add: ['a'] }, { add: ['b'], turn: '+x-y' }, { add: ['c'] }, { add: ['d'], turn: '+x+y' }]
    const parts = ['a', 'b', 'c', 'd'].map((id, i) => part(id, 'brick-2x4', [0, 0, i * 12]))
    const model = oneSection(parts, steps)
    const { report, planned } = reportModel(model)
    expect(report.sections[0]!.steps.map((step) => step.turn)).toEqual([undefined, '+x-y', undefined, '+x+y'])
    expect(planned.built[0]!.orientations.map((orientation) => orientation === 0)).toEqual([true, false, false, true])
    const size = { width: 120, height: 90 }
    const paint = (given: typeof steps): string => {
      const again = oneSection(parts, given)
      const drawn = drawnSection(again, new Flattener(again), reportModel(again).report.sections, 'main')
      return new RailPainter(drawn, catalogueOf(again), size).paint(2, 0).data.join()
    }
    expect(paint(steps)).not.toBe(paint(steps.map(({ add }) => ({ add }))))
  })

  it('is said in words', () => {
    expect(turnWords('+x-y')).toBe('Turn the work upside down')
    expect(turnWords('+x+z')).toBe('Lay the work on its front')
    expect(turnWords('+y-x')).toBe('Turn the work round on the table')
    expect(turnWords('+x+y')).toBe('Set the work on its foot')
    expect(turnWords(undefined)).toBe('')
  })
})
