import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { reportModel } from '@core/pipeline'
import { readModelText, type ModelDocument } from '@core/model'
import { planModel } from '@core/plan'
import { DIRECTION_VECTORS } from '@core/space'
import { connectedHeap, movingHeap } from './support/heaps'
import { Geometry, groupsOf, lowest, obstacle, replay, type ReplayedThing } from '@core/replay'

const demo = (name: string): ModelDocument =>
  readModelText(readFileSync(new URL(`../demo/models/${name}.rail.json`, import.meta.url), 'utf8'))

describe('the demos, replayed', () => {
  it.each(['bird-table', 'ferry-house', 'granary'])('%s is buildable', (name) => {
    const model = demo(name)
    const { report } = reportModel(model)
    expect(report.findings.filter((found) => found.severity === 'error')).toEqual([])
    expect(replay(model, report)).toEqual([])
  })

  it('finds a breach when a plan is spoiled', () => {
    const model = demo('ferry-house')
    const { plan } = planModel(model)
    const spoiled = plan.sections.map((section) =>
      section.id === 'house' ? { ...section, steps: [...section.steps].reverse().map((step, i) => ({ ...step, number: i + 1 })) } : section,
    )
    expect(replay(model, { sections: spoiled }).length).toBeGreaterThan(5)
  })
})

/** Whether single parts alone, in some order, all get in and never hang in the air: tried for every set of parts. */
function canBeBuiltSingly(things: readonly ReplayedThing[]): boolean {
  const full = (1 << things.length) - 1
  const seen = new Set([0])
  const queue = [0]
  for (const set of queue) {
    if (set === full) return true
    const present = things.filter((_, i) => ((set >> i) & 1) === 1)
    things.forEach((thing, i) => {
      const next = set | (1 << i)
      if (((set >> i) & 1) === 1 || seen.has(next)) return
      if (DIRECTION_VECTORS.every((direction) => obstacle(thing, direction, present) !== undefined)) return
      const now = [...present, thing]
      const table = lowest(now)
      if (groupsOf(now).some((group) => lowest(group) > table)) return
      seen.add(next)
      queue.push(next)
    })
  }
  return false
}

const RUNS = Number(process.env['FUZZ_RUNS'] ?? 300)
const PARTS = Number(process.env['FUZZ_PARTS'] ?? 9)

describe('random connected heaps, replayed', () => {
  it.each([
    ['studs', connectedHeap(PARTS), 0.3],
    ['everything that moves', movingHeap(PARTS), 0.2],
  ] as const)(
    'of %s: a plan without errors has no breach, and what gets in singly is never called blocked or cut into units',
    (_name, heaps, share) => {
      let planned = 0
      let single = 0
      fc.assert(
        fc.property(heaps, (model) => {
          const { report } = reportModel(model)
          const errors = report.findings.filter((found) => found.severity === 'error')
          if (errors.length === 0) {
            planned++
            expect(replay(model, report)).toEqual([])
          }
          const geometry = new Geometry(model)
          const things = model.sections[0]!.parts!.map((p) => geometry.part('main', p.id)!)
          if (canBeBuiltSingly(things)) {
            single++
            expect(errors).toEqual([])
            expect(report.sections.map((section) => section.id)).toEqual(['main'])
          }
        }),
        { numRuns: RUNS, seed: Number(process.env['FUZZ_SEED'] ?? 20261124) },
      )
      // The heaps must be worth the test: most can be built, and many of them part by part.
      expect(planned).toBeGreaterThan(RUNS * 0.5)
      expect(single).toBeGreaterThan(RUNS * share)
    },
  )
})
