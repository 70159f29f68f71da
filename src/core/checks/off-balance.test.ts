import { describe, expect, it } from 'vitest'
import { massOf, BASE_CATALOGUE } from '../catalogue'
import { momentsOf } from '../count'
import { askMass } from '../edits'
import { checkModel, type ModelDocument, type Part } from '../model'
import { reportModel } from '../pipeline'

const shape = (id: string) => BASE_CATALOGUE.shapes.get(id)!

/** A beam that turns about a pin through one of its holes (from 1). */
const beamOn = (hole: number, more: readonly Part[] = []): ModelDocument =>
  checkModel({
    format: 'jump-rail-model',
    version: 1,
    name: 'Barrier',
    root: 'post',
    sections: [
      {
        id: 'post',
        name: 'Post',
        parts: [
          { id: 'foot', shape: 'brick-1x2-hole', colour: 'slate', at: [0, 0, 0], turn: '+x+y' },
          { id: 'pin', shape: 'pin', colour: 'ash', at: [0, 0, 0], turn: '+x+y' },
        ],
        copies: [
          {
            id: 'arm',
            section: 'arm',
            joint: { on: { part: 'pin', kind: 'pin' }, by: { part: 'beam', kind: 'hole', number: hole } },
          },
        ],
      },
      { id: 'arm', name: 'Arm', parts: [{ id: 'beam', shape: 'beam-5', colour: 'red', at: [0, 0, 0], turn: '+x+y' }, ...more] },
    ],
  } as ModelDocument)

const found = (model: ModelDocument) => reportModel(model).report.findings.filter(({ code }) => code === 'off-balance')

describe('what must balance about an axle', () => {
  it('is told by its moment: nothing in the middle, a stud of its weight for each hole beside it', () => {
    const grams = massOf(shape('beam-5'))
    expect(momentsOf(beamOn(3)).get('arm')!.arm).toBeCloseTo(0, 6)
    for (const hole of [1, 2, 4, 5]) {
      const moment = momentsOf(beamOn(hole)).get('arm')!
      expect(moment.arm).toBeCloseTo(Math.abs(hole - 3) * 8, 6)
      expect(moment.moment).toBeCloseTo(grams * moment.arm, 6)
    }
    expect(momentsOf(beamOn(3)).has('post')).toBe(false)
  })

  it('is a finding only where more is pulled than is asked for, with what would balance it', () => {
    const balanced = askMass(beamOn(3), 'arm', 'moment', 0)
    expect(found(balanced)).toEqual([])
    expect(found(beamOn(1))).toEqual([])
    const [finding] = found(askMass(beamOn(1), 'arm', 'moment', 5))
    expect(finding).toMatchObject({ severity: 'warning', section: 'arm' })
    expect(finding!.message).toMatch(/16\.0 mm from its axle: \d+ g·mm, and at most 5 g·mm/)
    expect(found(askMass(beamOn(1), 'arm', 'moment', 1000))).toEqual([])
  })
})
