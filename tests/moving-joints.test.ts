import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { reportModel } from '@core/pipeline'
import { inventoryOf, pieceExtras } from '@core/count'
import { catalogueOf, copyPose, jointReach, readModelText, type JointEnd, type ModelDocument, type Part } from '@core/model'
import { replay } from '@core/replay'
import { apply, isLatticePose } from '@core/space'
import { oneSection, part, twoSections } from './support/models'

const demo = (name: string): ModelDocument =>
  readModelText(readFileSync(new URL(`../demo/models/${name}.rail.json`, import.meta.url), 'utf8'))
const errors = (model: ModelDocument): string[] =>
  reportModel(model)
    .report.findings.filter((finding) => finding.severity === 'error')
    .map((finding) => finding.code)
const breaches = (model: ModelDocument) => replay(model, reportModel(model).report)

describe('what holds in other ways than by studs', () => {
  it.each(['ferryman', 'wind-pump'])('the demo %s is planned, and its plan can be followed', (name) => {
    const model = demo(name)
    expect(errors(model)).toEqual([])
    expect(breaches(model)).toEqual([])
  })

  it('a bar is held by a clip wherever along it, and by nothing beside it', () => {
    const held = (z: number) => oneSection([part('clip', 'plate-1x1-clip', [0, 0, 0]), part('bar', 'bar-3', [3, -6, z], '+z+y')])
    for (const z of [-28, -10, 0]) expect(errors(held(z))).toEqual([])
    expect(errors(held(3))).toContain('unheld')
    expect(breaches(held(-10))).toEqual([])
  })

  it('an axle goes through what has holes, after what it goes through', () => {
    const model = oneSection([
      part('base', 'plate-2x4', [0, 0, 0]),
      part('left', 'brick-1x2-hole', [0, 0, 4]),
      part('right', 'brick-1x2-hole', [0, 10, 4]),
      part('axle', 'axle-4', [7, -10, 7], '+y-x'),
    ])
    expect(errors(model)).toEqual([])
    const { moves } = reportModel(model).report.sections[0]!.steps.at(-1)!
    expect(moves.at(-1)).toMatchObject({ parts: ['axle'] })
    expect(['+y', '-y']).toContain(moves.at(-1)!.direction)
    // Beside the hole it would stand in the brick.
    const beside = { ...model.sections[0]!, parts: [...model.sections[0]!.parts!.slice(0, 3), part('axle', 'axle-4', [8, -10, 7], '+y-x')] }
    expect(errors({ ...model, sections: [beside] })).toContain('overlap')
  })

  it('a peg is held halfway in a hole, not between', () => {
    const pegged = (y: number) => oneSection([part('beam', 'beam-3', [0, 0, 0]), part('pin', 'pin', [2, y, 2], '+y-x')])
    expect(errors(pegged(0))).toEqual([])
    expect(errors(pegged(-10))).toEqual([])
    expect(errors(pegged(-5))).toContain('unheld')
  })
})

describe('a copy on a moving joint', () => {
  const hinged = (angle: number): ModelDocument => ({
    format: 'jump-rail-model',
    version: 1,
    name: 'Lid',
    root: 'box',
    sections: [
      {
        id: 'box',
        name: 'Box',
        parts: [part('fork', 'hinge-plate-1x2-fork', [0, 0, 0])],
        copies: [
          {
            id: 'lid',
            section: 'lid',
            joint: { on: { part: 'fork', kind: 'fork' }, by: { part: 'tongue', kind: 'tongue' }, angles: [angle] },
          },
        ],
      },
      { id: 'lid', name: 'Lid', parts: [part('tongue', 'hinge-plate-1x2-tongue', [0, 0, 0])] },
    ],
  })
  const poseOf = (model: ModelDocument) => copyPose(model, model.sections[0]!, model.sections[0]!.copies![0]!)

  it('lies flat with its studs up when the angle is 0, and stands in the lattice', () => {
    const pose = poseOf(hinged(0))
    expect(isLatticePose(pose)).toBe(true)
    expect(apply(pose.matrix, [0, 0, 1])).toEqual([0, 0, 1])
    expect(errors(hinged(0))).toEqual([])
  })

  it.each([-90, -50, 20, 75])('turned by %i° its hinge stays where it is, and it holds', (angle) => {
    const model = hinged(angle)
    const pose = poseOf(model)
    const hinge = apply(pose.matrix, [10, -5, 2]).map((value, i) => value + pose.at[i]!)
    expect(hinge.every((value, i) => Math.abs(value - [10, -5, 2][i]!) < 1e-9)).toBe(true)
    expect(errors(model)).toEqual([])
    expect(breaches(model)).toEqual([])
  })

  it('mirrored, takes the mirror twins and hangs as well', () => {
    const arm = (id: string, number: number, more: object) => ({
      id,
      section: 'arm',
      joint: { on: { part: 'torso', kind: 'ring' as const, number }, by: { part: 'arm', kind: 'post' as const }, angles: [35] },
      ...more,
    })
    const model: ModelDocument = {
      format: 'jump-rail-model',
      version: 1,
      name: 'Arms',
      root: 'body',
      sections: [
        {
          id: 'body',
          name: 'Body',
          parts: [part('legs', 'figure-legs', [0, 0, 0]), part('torso', 'figure-torso', [0, 0, 24])],
          copies: [arm('left', 2, {}), arm('right', 3, { mirror: 'x' })],
        },
        { id: 'arm', name: 'Arm', parts: [part('arm', 'figure-arm-left', [0, 0, 0]), part('hand', 'figure-hand', [0, 1, -8])] },
      ],
    }
    expect(errors(model)).toEqual([])
    expect(breaches(model)).toEqual([])
    const { inventory } = reportModel(model).report
    expect(inventory.filter(({ shape }) => shape.startsWith('figure-arm')).map(({ shape, count }) => [shape, count])).toEqual([
      ['figure-arm-left', 1],
      ['figure-arm-right', 1],
    ])
  })

  it('is refused beyond what the joint turns, on a part that is not there, and with what does not fit', () => {
    const text = (change: (copy: Record<string, unknown>) => unknown): string => {
      const model = hinged(0)
      const [box, lid] = model.sections
      const copy = change({ ...box!.copies![0] }) as never
      return JSON.stringify({ ...model, sections: [{ ...box, copies: [copy] }, lid] })
    }
    const joint = hinged(0).sections[0]!.copies![0]!.joint!
    expect(() => readModelText(text((copy) => ({ ...copy, joint: { ...joint, angles: [140] } })))).toThrow('120°')
    expect(() => readModelText(text((copy) => ({ ...copy, joint: { ...joint, on: { part: 'door', kind: 'fork' } } })))).toThrow('door')
    expect(() => readModelText(text((copy) => ({ ...copy, joint: { ...joint, on: { part: 'fork', kind: 'stud' } } })))).toThrow(
      'does not move',
    )
    expect(() => readModelText(text((copy) => ({ ...copy, joint: { ...joint, by: { part: 'tongue', kind: 'ball' } } })))).toThrow('no ball')
    expect(() => readModelText(text((copy) => ({ ...copy, at: [0, 0, 0] })))).toThrow('at')
  })
})

describe('work and lengths', () => {
  it('make another piece, and are said in the tray', () => {
    const inventory = inventoryOf(demo('wind-pump'))
    const hose = inventory.find(({ shape }) => shape === 'tube')!
    expect(hose).toMatchObject({ count: 1, length: 48, work: [{ kind: 'cut' }] })
    expect(pieceExtras(hose)).toBe('48 mm long, cut (48 mm from the roll)')
    expect(pieceExtras(inventory.find(({ shape }) => shape === 'tile-1x4')!)).toBe('')
    expect(inventory.filter(({ shape, colour }) => shape === 'tile-1x2' && colour === 'rust').map((piece) => pieceExtras(piece))).toEqual([
      'with a decal (edge-stripes)',
    ])
    expect(inventory.filter(({ shape, colour }) => shape === 'tile-1x2' && colour === 'white').map((piece) => pieceExtras(piece))).toEqual([
      'painted (a blue drop, by hand)',
    ])
  })
})

describe('how far a joint reaches', () => {
  const reachOf = (own: Part, on: JointEnd, other: Part, by: JointEnd, slide?: number) => {
    const copy = { id: 'c', section: 'inner', joint: { on, by, ...(slide === undefined ? {} : { slide }) } }
    const model = twoSections([own], [copy], [other])
    return jointReach(model, model.sections[0]!, copy, catalogueOf(model))!
  }

  it('turns nothing that an axle carries with it, and lets it slide', () => {
    const reach = reachOf(
      part('axle', 'axle-4', [0, 0, 0]),
      { part: 'axle', kind: 'axle' },
      part('gear', 'gear-8', [0, 0, 0]),
      { part: 'gear', kind: 'cross' },
      5,
    )
    expect(reach.turns).toEqual([])
    expect(reach.slide!.to - reach.slide!.from).toBeGreaterThan(30)
    expect(reach.slide!.from).toBe(-5)
  })

  it('is the length of the bar, whichever of the two has it', () => {
    const [bar, clip] = [part('bar', 'bar-4', [0, 0, 0]), part('clip', 'plate-1x1-clip', [0, 0, 0])]
    const held = reachOf(clip, { part: 'clip', kind: 'clip' }, bar, { part: 'bar', kind: 'bar' }, 8)
    const holding = reachOf(bar, { part: 'bar', kind: 'bar' }, clip, { part: 'clip', kind: 'clip' }, 8)
    expect(held.slide!.to - held.slide!.from).toBe(holding.slide!.to - holding.slide!.from)
    expect([held.slide!.to, holding.slide!.from]).toEqual([8, -8])
    expect(held.turns).toHaveLength(1)
  })

  it('ends where the slide of the joint ends: at both ends the copy has moved as far as it says', () => {
    const [bar, clip] = [part('bar', 'bar-4', [0, 0, 0]), part('clip', 'plate-1x1-clip', [0, 0, 0])]
    const poseAt = (slide: number) => {
      const copy = {
        id: 'c',
        section: 'inner',
        joint: { on: { part: 'clip', kind: 'clip' as const }, by: { part: 'bar', kind: 'bar' as const }, slide },
      }
      const model = twoSections([clip], [copy], [bar])
      return { at: copyPose(model, model.sections[0]!, copy).at, reach: jointReach(model, model.sections[0]!, copy, catalogueOf(model))! }
    }
    const now = poseAt(8)
    for (const [slide, far] of [
      [0, now.reach.slide!.to],
      [now.reach.slide!.to - now.reach.slide!.from, now.reach.slide!.from],
    ] as const) {
      const moved = now.at.map((value, i) => value + now.reach.slide!.way[i]! * far)
      poseAt(slide).at.forEach((value, i) => expect(value).toBeCloseTo(moved[i]!, 9))
    }
  })
})
