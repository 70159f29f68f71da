import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { connectedHeap } from '../../../tests/support/heaps'
import { oneSection, part } from '../../../tests/support/models'
import { reportModel, type LookCache } from '../pipeline'
import type { ModelDocument } from '../model'
import { forgetSteps, keepSteps, mergeWithNext, moveToNeighbour, splitStep } from '../edits'
import { NO_NODES, PlanCache, signatureWith } from './index'

/** Some edit of the rail that the numbers choose; the model itself where it cannot be made. */
function edited(
  model: ModelDocument,
  plans: Parameters<typeof splitStep>[1],
  [kind, where, which]: readonly [number, number, number],
): ModelDocument {
  const steps = model.sections[0]!.steps!
  const at = where % steps.length
  const parts = steps[at]!.add ?? []
  try {
    if (kind % 4 === 0) return splitStep(model, plans, { section: 'main', step: at })
    if (kind % 4 === 1) return mergeWithNext(model, plans, { section: 'main', step: at })
    return moveToNeighbour(model, plans, { section: 'main', step: at }, { id: parts[which % parts.length]!, way: kind % 2 === 0 ? 1 : -1 })
  } catch {
    return model
  }
}

/** Edit after edit, what is remembered against a fresh look at everything. */
function expectSame(heap: ModelDocument, choices: readonly (readonly [number, number, number])[]): void {
  const cache = new PlanCache()
  const looks: LookCache = new WeakMap()
  let model = keepSteps(heap, reportModel(heap).report.sections, 'main')
  for (const choice of choices) {
    const kept = reportModel(model, {}, cache, looks)
    const fresh = reportModel(structuredClone(model))
    expect(kept.report).toEqual(fresh.report)
    expect(kept.looks).toEqual(fresh.looks)
    model = edited(model, kept.report.sections, choice)
  }
}

describe('given steps, edit after edit', () => {
  it('what is remembered between edits says the same as a fresh look at everything', () => {
    const edits = fc.array(fc.tuple(fc.nat(100), fc.nat(100), fc.nat(100)), { minLength: 1, maxLength: 6 })
    fc.assert(
      fc.property(connectedHeap(9), edits, (heap, choices) => expectSame(heap, choices)),
      { numRuns: 60 },
    )
  })

  it('what a piece would show alone does not hang on which one of its kind was asked for first', () => {
    const heap = oneSection([
      part('p0', 'plate-2x2', [0, 0, 0]),
      part('p1', 'slope-inv-2x1', [0, -10, -12], '-x-y'),
      part('p2', 'plate-2x2', [0, 0, 4]),
      part('p3', 'plate-1x1', [0, -10, 0]),
      part('p4', 'bracket-1x2-1x2-up', [0, -10, 4]),
      part('p5', 'wedge-plate-2x3-left', [-10, 0, 8]),
      part('p7', 'slope-inv-2x1', [10, -10, -12], '-x-y'),
    ])
    expectSame(heap, [
      [0, 0, 0],
      [3, 35, 0],
      [0, 0, 0],
      [0, 0, 0],
    ])
  })

  it('forgetting them plans anew', () => {
    const heap = fc.sample(connectedHeap(6), { numRuns: 1, seed: 3 })[0]!
    const plans = reportModel(heap).report.sections
    expect(reportModel(forgetSteps(keepSteps(heap, plans, 'main'), 'main')).report.inventory).toEqual(reportModel(heap).report.inventory)
  })
})

describe('signatures', () => {
  it('do not depend on order, and taking twice takes away', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.nat(100_000), { maxLength: 30 }), (nodes) => {
        const of = (list: readonly number[]) => list.reduce(signatureWith, NO_NODES)
        expect(of(nodes)).toBe(of([...nodes].reverse()))
        expect(of([...nodes, ...nodes])).toBe(NO_NODES)
        expect(Number.isSafeInteger(of(nodes))).toBe(true)
      }),
    )
  })

  it('tell all small sets apart', () => {
    const seen = new Set<number>()
    for (let a = 0; a < 400; a++) for (let b = a + 1; b < 400; b++) seen.add(signatureWith(signatureWith(NO_NODES, a), b))
    expect(seen.size).toBe((400 * 399) / 2)
  })
})
