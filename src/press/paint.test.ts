import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { makeBundle } from '@core/booklet'
import { readModelText } from '@core/model'
import { reportModel, viewsOf } from '@core/pipeline'
import { BookletPainter } from './paint'

const model = readModelText(readFileSync('demo/models/wind-pump.rail.json', 'utf8'))
const { report, looks } = reportModel(model)
const bundle = makeBundle(model, report, viewsOf(looks))
const picture = { section: 'pump', step: 2, view: 0 }

/** Whether something can be reached from something else, so that its memory stays as long as that does. */
function doesHold(holder: unknown, held: unknown): boolean {
  const seen = new Set<unknown>()
  const waiting = [holder]
  while (waiting.length > 0) {
    const each = waiting.pop()
    if (each === held) return true
    if (typeof each !== 'object' || each === null || ArrayBuffer.isView(each) || seen.has(each)) continue
    seen.add(each)
    waiting.push(...Object.values(each))
    if (each instanceof Map) waiting.push(...each.keys(), ...each.values())
    if (each instanceof Set) waiting.push(...each)
  }
  return false
}

describe('the pictures of a booklet', () => {
  it('are areas and lines, and stay dots where they have more faces than is asked for', () => {
    const size = { width: 200, height: 150 }
    expect(new BookletPainter(bundle, size).render(picture, 'step')).toHaveProperty('items')
    expect(new BookletPainter(bundle, size, { mostFacets: 5 }).render(picture, 'step')).toHaveProperty('data')
  })

  it('have rough edges only where much must be drawn for a sharp one', () => {
    const size = { width: 200, height: 150 }
    const painter = new BookletPainter(bundle, size)
    expect(painter.paintCoarse(picture)).toMatchObject(size)
    painter.paint(picture, 'step')
    expect(painter.paintCoarse(picture)).toBeUndefined()
    // The next step is drawn on; from another side all is drawn anew. One thing alone is always sharp.
    expect(painter.paintCoarse({ ...picture, step: 3 })).toBeUndefined()
    const behind = { ...picture, view: 2 }
    expect(painter.paintCoarse(behind)).toBeDefined()
    expect(painter.paintCoarse({ ...behind, focus: { id: 'any', travel: [0, 0, -1] } })).toBeUndefined()
    // The next version shows the same.
    const later = new BookletPainter(bundle, size, { before: painter })
    const fresh = new BookletPainter(bundle, size)
    expect([...later.paintCoarse(behind)!.data]).toEqual([...fresh.paintCoarse(behind)!.data])
  })

  it('are painted on from those of a version before, which is not held after that', () => {
    const size = { width: 200, height: 150 }
    const first = new BookletPainter(bundle, size)
    first.paint(picture, 'step')
    const second = new BookletPainter(bundle, size, { before: first })
    expect([...second.paint(picture, 'step').data]).toEqual([...new BookletPainter(bundle, size).paint(picture, 'step').data])
    expect(doesHold({ deep: [new Map([['it', { first }]])] }, first)).toBe(true)
    expect(doesHold(second, first)).toBe(false)
  })
})
