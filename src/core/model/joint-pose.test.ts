import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { part, twoSections } from '../../../tests/support/models'
import { BASE_CATALOGUE, type Connector, type ConnectorKind } from '../catalogue'
import { add, apply, cross, DIRECTION_VECTORS, dot, length, posed, scale, subtract, TURNS, turnText, type Pose, type Vec } from '../space'
import { partPose } from './part-pose'
import { ballBend } from './joint-pose'
import { checkModel, copyPose, type Copy, type ModelDocument } from './index'

/** A part with a connector of each kind that moves, and what goes into it. */
const PAIRS: readonly (readonly [on: string, kind: ConnectorKind, by: string, kind: ConnectorKind])[] = [
  ['hinge-plate-1x2-fork', 'fork', 'hinge-plate-1x2-tongue', 'tongue'],
  ['hinge-plate-1x2-tongue', 'tongue', 'hinge-plate-1x2-fork', 'fork'],
  ['plate-1x1-clip', 'clip', 'bar-4', 'bar'],
  ['bar-4', 'bar', 'plate-1x1-clip', 'clip'],
  ['figure-torso', 'ring', 'figure-arm-left', 'post'],
]
const TURN_TEXTS = TURNS.map((_, turn) => turnText(turn))

interface Sample {
  readonly pair: (typeof PAIRS)[number]
  readonly turns: readonly [on: string, by: string]
  readonly mirror?: 'x' | 'y' | 'z'
  readonly angle?: number
}
const modelOf = ({ pair: [on, onKind, by, byKind], turns, mirror, angle = 0 }: Sample): ModelDocument => {
  const copy: Copy = {
    id: 'c',
    section: 'inner',
    joint: { on: { part: 'a', kind: onKind }, by: { part: 'b', kind: byKind }, angles: [angle] },
    ...(mirror ? { mirror } : {}),
  }
  return twoSections([part('a', on, [0, 0, 0], turns[0])], [copy], [part('b', by, [0, 0, 0], turns[1])])
}
const poseOf = (sample: Sample): Pose => {
  const model = modelOf(sample)
  return copyPose(model, model.sections[0]!, model.sections[0]!.copies![0]!)
}

/** A connector where its part stands: place, the way it faces, the axis it turns about. */
function standing(id: string, kind: ConnectorKind, turn: string, then?: Pose): { at: Vec; facing: Vec; axis: Vec } {
  const shape = BASE_CATALOGUE.shapes.get(id)!
  const pose = partPose(part('p', id, [0, 0, 0], turn), shape)
  const connector: Connector = shape.connectors.find((each) => each.kind === kind)!
  const way = (direction: number): Vec => apply(pose.matrix, DIRECTION_VECTORS[direction]!)
  const own = { at: posed(pose, connector.at), facing: way(connector.facing), axis: way(connector.along ?? connector.facing) }
  return then ? { at: posed(then, own.at), facing: apply(then.matrix, own.facing), axis: apply(then.matrix, own.axis) } : own
}
const determinant = ([a, b, c, d, e, f, g, h, i]: readonly number[]): number =>
  a! * (e! * i! - f! * h!) - b! * (d! * i! - f! * g!) + c! * (d! * h! - e! * g!)
const near = (a: Vec, b: Vec): void => expect(length(subtract(a, b))).toBeLessThan(1e-6)
const samples = fc.record({
  pair: fc.constantFrom(...PAIRS),
  turns: fc.tuple(fc.constantFrom(...TURN_TEXTS), fc.constantFrom(...TURN_TEXTS)),
  mirror: fc.constantFrom(undefined, 'x', 'y', 'z'),
})
const given = ({ mirror, ...rest }: { mirror: Sample['mirror'] | undefined } & Omit<Sample, 'mirror'>): Sample =>
  mirror ? { ...rest, mirror } : rest

describe('a copy on a joint', () => {
  it('has its connector in that of the other, along the same axis, as itself or as its mirror image', () => {
    fc.assert(
      fc.property(samples, fc.integer({ min: -50, max: 50 }), (sample, angle) => {
        const [on, onKind, by, byKind] = sample.pair
        const pose = poseOf(given({ ...sample, angle }))
        const [seat, own] = [standing(on, onKind, sample.turns[0]), standing(by, byKind, sample.turns[1], pose)]
        near(seat.at, own.at)
        expect(Math.abs(dot(seat.axis, own.axis))).toBeCloseTo(1, 6)
        expect(determinant(pose.matrix)).toBeCloseTo(sample.mirror ? -1 : 1, 6)
      }),
      { numRuns: 400 },
    )
  })

  it('is turned about the axis by its angle from where it is straight', () => {
    fc.assert(
      fc.property(samples, fc.integer({ min: -50, max: 50 }), (sample, angle) => {
        const [on, onKind, by, byKind] = sample.pair
        const straight = poseOf(given(sample))
        const turned = poseOf(given({ ...sample, angle }))
        const { axis } = standing(on, onKind, sample.turns[0])
        for (const way of [
          [1, 0, 0],
          [0, 1, 0],
          [0, 0, 1],
        ] as Vec[]) {
          const before = apply(straight.matrix, way)
          const [along, across] = [scale(axis, dot(axis, before)), subtract(before, scale(axis, dot(axis, before)))]
          const radians = (angle * Math.PI) / 180
          const after = add(along, add(scale(across, Math.cos(radians)), scale(cross(axis, across), Math.sin(radians))))
          near(apply(turned.matrix, way), after)
        }
        near(standing(by, byKind, sample.turns[1], turned).at, standing(by, byKind, sample.turns[1], straight).at)
      }),
      { numRuns: 400 },
    )
  })

  it.each(['x', 'y'] as const)('mirrored along %s on a hinge that lies flat, has its studs up as it has unmirrored', (mirror) => {
    const flat = TURNS.flatMap((matrix, turn) => (matrix[8] === 1 ? [turnText(turn)] : []))
    for (const pair of PAIRS.slice(0, 2)) {
      for (const on of flat) {
        for (const by of flat) {
          const sample = { pair, turns: [on, by] as const }
          expect(poseOf(sample).matrix[8]).toBe(1)
          expect(poseOf({ ...sample, mirror }).matrix[8]).toBe(1)
        }
      }
    }
  })

  it('bent the other way, leans mirrored as far as it does plain', () => {
    const link =
      (mirror?: 'x') =>
      (i: number): Copy => ({
        id: `l${i}`,
        section: 'inner',
        joint: { on: { part: 'a', kind: 'fork' }, by: { part: 'b', kind: 'tongue' }, angles: [mirror ? -20 : 20] },
        ...(mirror ? { mirror } : {}),
      })
    const at = (mirror?: 'x'): Vec => {
      const model = twoSections(
        [part('a', 'hinge-plate-1x2-fork', [0, 0, 0])],
        [link(mirror)(0)],
        [part('b', 'hinge-plate-1x2-tongue', [0, 0, 0])],
      )
      const pose = copyPose(model, model.sections[0]!, model.sections[0]!.copies![0]!)
      return apply(pose.matrix, [0, 0, 1])
    }
    // Bent the other way about the same axis, both lean alike but to the other side.
    const [plain, mirrored] = [at(), at('x')]
    expect(plain[2]).toBeCloseTo(mirrored[2], 9)
  })
})

describe('how far a ball is bent', () => {
  it('is told from straight, whichever angles do it, and spin counts for nothing', () => {
    expect(ballBend(50, 0)).toBeCloseTo(50)
    expect(ballBend(0, -50)).toBeCloseTo(50)
    expect(ballBend(45, 45)).toBeCloseTo(60)
    const [ball] = [...BASE_CATALOGUE.shapes.values()].filter(({ connectors }) => connectors.some(({ kind }) => kind === 'ball'))
    const [cup] = [...BASE_CATALOGUE.shapes.values()].filter(({ connectors }) => connectors.some(({ kind }) => kind === 'cup'))
    const bent = (angles: number[]) =>
      twoSections(
        [part('a', cup!.id, [0, 0, 0])],
        [{ id: 'c', section: 'inner', joint: { on: { part: 'a', kind: 'cup' }, by: { part: 'b', kind: 'ball' }, angles } }],
        [part('b', ball!.id, [0, 0, 0])],
      )
    expect(() => checkModel(bent([180, 0, 0]))).not.toThrow()
    expect(() => checkModel(bent([0, 50, 0]))).not.toThrow()
    for (const angles of [
      [0, 45, 45],
      [0, 50, 50],
      [0, 51, 0],
    ])
      expect(() => checkModel(bent(angles))).toThrow('50° from straight')
  })
})
