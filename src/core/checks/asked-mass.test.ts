import { describe, expect, it } from 'vitest'
import { oneSection, part, twoSections } from '../../../tests/support/models'
import { askMass } from '../edits'
import { massOfPieces, massWords, sectionMasses } from '../count'
import { BASE_CATALOGUE } from '../catalogue'
import { checkModel, type ModelDocument } from '../model'
import { reportModel } from '../pipeline'

const STACK = oneSection([0, 12, 24, 36].map((z, i) => part(`b${i}`, 'brick-2x4', [0, 0, z])))
const { id } = STACK.sections[0]!
const brick = massOfPieces([{ shape: 'brick-2x4', colour: 'red', count: 1 }], BASE_CATALOGUE).grams
const found = (model: ModelDocument) =>
  reportModel(checkModel(model)).report.findings.filter(({ code }) => code === 'too-light' || code === 'too-heavy')

describe('what a section must weigh', () => {
  it('adds up over copies, with its range', () => {
    const copied = twoSections(
      [part('a', 'brick-2x4', [0, 0, 0])],
      [
        { id: 'c', section: 'inner', at: [0, 0, 12] },
        { id: 'd', section: 'inner', at: [0, 0, 24], mirror: 'x' },
      ],
      [part('b', 'brick-2x4', [0, 0, 0])],
    )
    const mass = sectionMasses(copied).get(copied.root)!
    expect(mass.grams).toBeCloseTo(3 * brick, 9)
    expect(mass.low).toBeLessThan(mass.grams)
    expect(massWords({ grams: 12.4, low: 9.9, high: 14.9 })).toBe('about 12 g (9.9 to 15)')
  })

  it('is told where it weighs less: how many of which pieces would do, and where they go in', () => {
    const asked = askMass(STACK, id, 'atLeast', 5.5 * brick)
    expect(found(asked)).toMatchObject([{ code: 'too-light', step: 1, parts: ['b0', 'b1', 'b2', 'b3'] }])
    expect(found(asked)[0]!.message).toContain('2 more of “Brick 2 × 4”')
    expect(found(asked)[0]!.message).toContain('go in at step 1')
    expect(found(askMass(STACK, id, 'atLeast', 3.9 * brick))).toEqual([])
  })

  it('is told where it weighs more', () => {
    const asked = askMass(STACK, id, 'atMost', 1.5 * brick)
    expect(found(asked)[0]!.message).toContain('3 pieces fewer of “Brick 2 × 4”')
    expect(found(askMass(STACK, id, 'atMost', 4.1 * brick))).toEqual([])
  })

  it('can be taken back, bound by bound', () => {
    const both = askMass(askMass(STACK, id, 'atLeast', 1), id, 'atMost', 50)
    expect(both.sections[0]!.mass).toEqual({ atLeast: 1, atMost: 50 })
    expect(askMass(askMass(both, id, 'atLeast', undefined), id, 'atMost', undefined)).toEqual(STACK)
  })
})
