import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { connectedHeap } from '../../../tests/support/heaps'
import { oneSection, part } from '../../../tests/support/models'
import { brokenBy } from '../checks'
import { reportModel } from '../pipeline'
import { checkModel, type ModelDocument } from '../model'
import { replay } from '../replay'
import { keepSteps, mergeWithNext, moveStep, moveToNeighbour, planAround, setLocked, splitStep } from '../edits'
import { type SectionPlan } from './index'

const idsOf = (plan: SectionPlan): string[][] =>
  plan.steps.map((step) => step.moves.flatMap((move) => ('parts' in move ? [...move.parts] : ['copy' in move ? move.copy : move.section])))
const mainOf = (model: ModelDocument): SectionPlan => reportModel(model).report.sections.find((section) => section.id === 'main')!
const tower = oneSection([0, 1, 2, 3].map((i) => part(`b${i}`, 'brick-2x4', [0, 0, i * 12], undefined, i % 2 === 0 ? 'red' : 'navy')))

/** The model with one of its planned steps locked and everything else left to the program. */
function locked(model: ModelDocument, which: number): { model: ModelDocument; ids: string[] } {
  const { sections } = reportModel(model).report
  const steps = idsOf(sections.find((section) => section.id === 'main')!)
  const step = which % steps.length
  return { model: planAround(setLocked(model, sections, { section: 'main', step }, true), 'main'), ids: steps[step]! }
}

describe('locked steps', () => {
  it('stay as they are while the rest is planned, or the reason comes back', () => {
    fc.assert(
      fc.property(connectedHeap(9), fc.nat(20), (heap, which) => {
        const { model, ids } = locked(heap, which)
        const { report } = reportModel(checkModel(structuredClone(model)))
        const lost = report.findings.filter((found) => found.code === 'lock-lost')
        const kept = report.sections.flatMap(idsOf).some((step) => [...step].sort().join() === [...ids].sort().join())
        expect(kept || lost.some((found) => ids.every((id) => found.parts.includes(id)))).toBe(true)
        // A lock that was kept is a plan that can be built, as far as the heap can be at all.
        expect(replay(model, report).length).toBe(replay(heap, reportModel(heap).report).length)
      }),
      { numRuns: 120 },
    )
  })

  it('refuse to be split, merged, emptied or moved', () => {
    const four = oneSection(
      tower.sections[0]!.parts!,
      ['b0', 'b1', 'b2', 'b3'].map((id) => ({ add: [id] })),
    )
    const model = setLocked(four, [mainOf(four)], { section: 'main', step: 1 }, true)
    const plans = [mainOf(model)]
    const at = idsOf(plans[0]!)[1]![0]!
    expect(() => mergeWithNext(model, plans, { section: 'main', step: 0 })).toThrow('locked')
    expect(() => mergeWithNext(model, plans, { section: 'main', step: 1 })).toThrow('locked')
    expect(() => splitStep(model, plans, { section: 'main', step: 1 })).toThrow('locked')
    expect(() => moveToNeighbour(model, plans, { section: 'main', step: 1 }, { id: at, way: 1 })).toThrow('locked')
    expect(() => moveStep(model, plans, { section: 'main', step: 1 }, 0)).toThrow('locked')
    expect(idsOf(mainOf(setLocked(model, plans, { section: 'main', step: 1 }, false)))).toEqual(idsOf(plans[0]!))
  })

  it('a lock with something in its middle is lost, and names it', () => {
    const steps = [{ add: ['b0', 'b2'], locked: true }]
    const model = checkModel({ ...tower, sections: [{ ...tower.sections[0], steps, planRest: true }] })
    const { report } = reportModel(model)
    expect(report.findings.map((found) => found.code)).toEqual(['lock-lost'])
    expect(report.findings[0]!.parts).toEqual(['b0', 'b2', 'b1'])
  })

  it('keep their notes when other steps are edited after the rest was planned', () => {
    const start = keepSteps(tower, [mainOf(tower)], 'main')
    const noted: ModelDocument = {
      ...start,
      sections: start.sections.map((s) => ({
        ...s,
        steps: s.steps!.map((step, i) => (i === 0 ? { ...step, note: 'Mind', locked: true } : step)),
      })),
    }
    const around = planAround(noted, 'main')
    const again = keepSteps(around, [mainOf(around)], 'main').sections[0]!
    expect(again.planRest).toBeUndefined()
    expect(again.steps!.filter((step) => step.locked && step.note === 'Mind')).toHaveLength(1)
  })
})

describe('an edit that cannot be kept', () => {
  it('is told by what it would break; what was broken before does not count', () => {
    const good = oneSection(
      tower.sections[0]!.parts!,
      ['b0', 'b1', 'b2', 'b3'].map((id) => ({ add: [id] })),
    )
    const before = reportModel(good).report
    const next = moveStep(good, before.sections, { section: 'main', step: 1 }, 3)
    const after = reportModel(next).report
    const broken = brokenBy(before.findings, after.findings)
    expect(broken.length).toBeGreaterThan(0)
    expect(broken.flatMap((found) => found.parts)).toContain('b1')
    expect(brokenBy(after.findings, after.findings)).toEqual([])
  })
})
