import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { proofWords } from '../booklet'
import type { ModelDocument } from '../model'
import { planModel, proveStep } from '../plan'
import { reportModel } from '../pipeline'
import { waysOut } from './index'

const tower = [0, 1, 2, 3].map((i) => part(`b${i}`, 'brick-2x2', [0, 0, i * 12]))
const findingsOf = (model: ModelDocument) => reportModel(model).report.findings

/** Takes the first way out of the finding with this code. */
function solve(model: ModelDocument, code: string): ModelDocument {
  const found = findingsOf(model).find((finding) => finding.code === code)!
  return waysOut(model, found)[0]!.change(model)
}

describe('ways out', () => {
  it('put what no step adds into a last one', () => {
    const solved = solve(oneSection(tower, [{ add: ['b0', 'b1'] }, { add: ['b2'] }]), 'step-missing')
    expect(solved.sections[0]!.steps!.at(-1)).toEqual({ add: ['b3'] })
    expect(findingsOf(solved)).toEqual([])
  })

  it('keep a part only where it comes first, and drop a step that is left empty', () => {
    const solved = solve(oneSection(tower, [{ add: ['b0', 'b1', 'b2'] }, { add: ['b1'] }, { add: ['b3', 'b0'] }]), 'step-twice')
    expect(solved.sections[0]!.steps).toEqual([{ add: ['b0', 'b1', 'b2'] }, { add: ['b3', 'b0'] }])
    expect(findingsOf(solve(solved, 'step-twice'))).toEqual([])
  })

  it('plan a section again whose order cannot be built', () => {
    const solved = solve(oneSection(tower, [{ add: ['b0', 'b2', 'b3'] }, { add: ['b1'] }]), 'blocked')
    expect(findingsOf(solved)).toEqual([])
  })

  it('are none where only the designer can help', () => {
    const model = oneSection([part('a', 'brick-1x1', [0, 0, 0]), part('b', 'brick-1x1', [0, 0, 0])])
    expect(findingsOf(model).flatMap((finding) => (finding.code === 'never-seen' ? [] : waysOut(model, finding)))).toEqual([])
  })
})

describe('the proof of a step', () => {
  it('names the way in, the studs that hold, and what must wait', () => {
    const built = planModel(oneSection(tower, undefined)).built[0]!
    const proofs = built.steps.flatMap((_, step) => proveStep(built, step))
    expect(proofs.map((proof) => [proof.id, proof.rests, proof.holds])).toEqual([
      ['b0', true, []],
      ['b1', false, [{ id: 'b0', studs: 4 }]],
      ['b2', false, [{ id: 'b1', studs: 4 }]],
      ['b3', false, [{ id: 'b2', studs: 4 }]],
    ])
    expect(proofWords(proofs[1]!)).toBe('Goes in from above; holds on 4 studs of “b0”; must come before “b2”.')
    expect(proofWords(proofs[0]!)).toMatch(/^Goes in from above; rests on the table until something holds it; must come before “b1”\.$/)
  })
})
