import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { BASE_CATALOGUE } from '@core/catalogue'
import { reportModel } from '@core/pipeline'
import { checkModel, type ModelDocument } from '@core/model'

const shapesWith = (kind: 'ball' | 'cup'): string[] =>
  [...BASE_CATALOGUE.shapes.values()].filter(({ connectors }) => connectors.some((each) => each.kind === kind)).map(({ id }) => id)

/** A ball and a cup that hold each other, bent by so much from straight in some direction. */
function pair(ball: string, cup: string, bend: number, towards: number, spin: number, isMirrored: boolean): ModelDocument {
  // Two angles across whose turns together lean the axis by the bend: the second about an axis the first has turned.
  const [x, y, z] = [Math.cos(bend), Math.sin(bend) * Math.cos(towards), Math.sin(bend) * Math.sin(towards)]
  const first = Math.atan2(z, x)
  const second = Math.asin(y)
  const degrees = (radians: number): number => Math.round((radians * 180) / Math.PI)
  return {
    format: 'jump-rail-model',
    version: 1,
    name: 'Ball',
    root: 'r',
    sections: [
      {
        id: 'r',
        name: 'R',
        parts: [{ id: 'a', shape: cup, colour: 'red', at: [0, 0, 0] }],
        copies: [
          {
            id: 'c',
            section: 's',
            ...(isMirrored ? { mirror: 'x' as const } : {}),
            joint: { on: { part: 'a', kind: 'cup' }, by: { part: 'b', kind: 'ball' }, angles: [spin, degrees(first), degrees(second)] },
          },
        ],
      },
      { id: 's', name: 'S', parts: [{ id: 'b', shape: ball, colour: 'blue', at: [0, 0, 0] }] },
    ],
  }
}

const turn = fc.double({ min: 0, max: 2 * Math.PI, noNaN: true })

describe('a ball in its cup', () => {
  it('bends up to 50° every way, spun or mirrored, and nothing meets', () => {
    const bend = fc.double({ min: 0, max: (48.5 * Math.PI) / 180, noNaN: true })
    fc.assert(
      fc.property(
        fc.constantFrom(...shapesWith('ball')),
        fc.constantFrom(...shapesWith('cup')),
        bend,
        fc.tuple(turn, turn, fc.boolean()),
        (ball, cup, lean, [towards, spin, mirrored]) => {
          const { findings } = reportModel(checkModel(pair(ball, cup, lean, towards, (spin * 180) / Math.PI, mirrored))).report
          expect(findings.filter(({ code }) => code === 'overlap')).toEqual([])
        },
      ),
      { numRuns: 300, examples: [['plate-1x2-ball', 'plate-1x2-cup', 0.6483512659994825, [1.9072574848397095, 0, false]]] },
    )
  })

  it('bends as far as it goes to every side, in whatever roll', () => {
    const around = Array.from({ length: 16 }, (_, i) => (i * Math.PI) / 8)
    for (const [ball, cup] of [
      ['plate-1x2-ball', 'plate-1x2-cup'],
      ['brick-2x2-ball', 'brick-2x2-cup'],
    ] as const) {
      for (const towards of around.filter((_, i) => i % 2 === 0))
        for (const spin of around) {
          const { findings } = reportModel(
            checkModel(pair(ball, cup, (48.5 * Math.PI) / 180, towards, (spin * 180) / Math.PI, false)),
          ).report
          const meets = findings.some(({ code }) => code === 'overlap')
          expect({ ball, towards, spin, meets }).toEqual({ ball, towards, spin, meets: false })
        }
    }
  })

  it('is refused when it is bent further, by whatever angles', () => {
    const bend = fc.double({ min: (53 * Math.PI) / 180, max: (85 * Math.PI) / 180, noNaN: true })
    fc.assert(
      fc.property(bend, turn, turn, (lean, towards, spin) => {
        expect(() => checkModel(pair('plate-1x2-ball', 'plate-1x2-cup', lean, towards, (spin * 180) / Math.PI, false))).toThrow(
          expect.objectContaining({ code: 'out-of-range' }) as Error,
        )
      }),
    )
  })
})
