import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { reportModel } from '@core/pipeline'
import { checkModel, type Copy, type ModelDocument, type Part } from '@core/model'
import { replay } from '@core/replay'
import { part, twoSections } from './support/models'

const errorsOf = (model: ModelDocument): string[] =>
  reportModel(model)
    .report.findings.filter(({ severity }) => severity === 'error')
    .map(({ code }) => code)

/** A vane that turns on a jumper in the middle of a floor, with bricks around it. */
function vane(angle: number, height: number, around: readonly (readonly [number, number])[]): ModelDocument {
  const bricks = around.map(([x, y], i) => part(`brick-${i}`, 'brick-1x1', [x * 10, y * 10, 4]))
  const post = Array.from({ length: height }, (_, i) => part(`post-${i}`, 'brick-2x2', [30, 30, 4 + i * 12]))
  const top = 4 + height * 12
  return checkModel(
    twoSections(
      [part('floor', 'plate-8x8', [0, 0, 0]), ...post, part('pivot', 'jumper-2x2', [30, 30, top]), ...bricks],
      [{ id: 'vane', section: 'inner', at: [40, 40, top + 4], rotate: [0, 0, angle] }],
      [part('arm', 'plate-1x6', [-25, -5, 0]), part('tip', 'brick-1x1', [15, -5, 4])],
    ),
  )
}

describe('copies in free poses, replayed', () => {
  it('a plan without errors has no breach, whatever the angle and whatever stands around', () => {
    const places = fc.uniqueArray(fc.tuple(fc.integer({ min: 0, max: 7 }), fc.integer({ min: 0, max: 7 })), {
      maxLength: 8,
      selector: ([x, y]) => x * 8 + y,
    })
    let built = 0
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 359 }), fc.nat(2), places, (angle, height, around) => {
        const free = around.filter(([x, y]) => x < 3 || x > 4 || y < 3 || y > 4)
        const model = vane(angle, height, free)
        const { report } = reportModel(model)
        if (report.findings.some(({ severity }) => severity === 'error')) return
        built++
        expect(replay(model, report)).toEqual([])
      }),
      { numRuns: 40 },
    )
    expect(built).toBeGreaterThan(10)
  })

  it('a vane that sweeps through a brick overlaps it, in the check as in the replay', () => {
    const model = vane(45, 0, [[5, 5]])
    expect(errorsOf(model)).toContain('overlap')
    expect(replay(model, reportModel(model).report).length).toBeGreaterThan(0)
  })

  it('what is tilted goes on along its own axis, and the replay knows another way from it', () => {
    const tilted = (id: string, z: number): Copy => {
      const [c, s] = [Math.cos(Math.PI / 6), Math.sin(Math.PI / 6)]
      return { id, section: 'inner', at: [0, -s * z, c * z], rotate: [30, 0, 0] }
    }
    const model = checkModel(twoSections([], [tilted('below', 0), tilted('above', 4)], [part('plate', 'plate-2x2', [0, 0, 0])]))
    const { report } = reportModel(model)
    const move = report.sections.find(({ id }) => id === 'main')!.steps.flatMap(({ moves }) => moves)[1]!
    expect(Array.isArray(move.direction)).toBe(true)
    expect(replay(model, report).filter((breach) => breach.includes('way'))).toEqual([])
    const spoiled = JSON.parse(JSON.stringify(report).replaceAll(JSON.stringify(move.direction), '"-z"')) as typeof report
    expect(replay(model, spoiled).some((breach) => breach.includes('meets'))).toBe(true)
  })

  it('nested, mirrored and turned copies are followed down', () => {
    const inner: Part[] = [part('arm', 'plate-1x4', [-15, -5, 0]), part('knob', 'round-brick-1x1', [-15, -5, 4])]
    const model: ModelDocument = {
      ...twoSections([part('floor', 'plate-4x4', [0, 0, 0]), part('pivot', 'jumper-2x2', [10, 10, 4])], [], inner),
    }
    const nested = checkModel({
      ...model,
      sections: [
        { ...model.sections[0]!, copies: [{ id: 'mill', section: 'mill', at: [20, 20, 8], rotate: [0, 0, 20], mirror: 'x' }] },
        {
          id: 'mill',
          name: 'Mill',
          parts: [part('hub', 'plate-1x1', [-5, -5, 0])],
          copies: [{ id: 'wing', section: 'inner', at: [0, 0, 4], rotate: [0, 0, 15] }],
        },
        model.sections[1]!,
      ],
    })
    const { report } = reportModel(nested)
    expect(report.findings.filter(({ severity }) => severity === 'error')).toEqual([])
    expect(replay(nested, report)).toEqual([])
  })
})
