import fc from 'fast-check'
import { expect, it } from 'vitest'
import { BASE_CATALOGUE, type ConnectorKind } from '../catalogue'
import { copyPose, type Copy, type JointEnd, type ModelDocument } from '../model'
import { TURNS, turnText, type Turn } from '../space'
import { ownCopyPose } from './copy-pose'

const { shapes } = BASE_CATALOGUE
const STUDS: readonly ConnectorKind[] = ['stud', 'socket', 'mouth']
/** Every end that a joint could name. */
const ENDS = [...shapes].flatMap(([shape, { connectors }]) => {
  const seen = new Map<ConnectorKind, number>()
  return connectors.flatMap(({ kind, length = 0 }) => {
    const number = (seen.get(kind) ?? 0) + 1
    seen.set(kind, number)
    return STUDS.includes(kind) ? [] : [{ shape, kind, number, length }]
  })
})

function expectSamePose(copy: Copy, holder: string, held: string, turns: readonly [Turn, Turn]): void {
  const part = (id: string, shape: string, turn: Turn) => ({ id, shape, colour: 'sand', at: [30, -20, 8] as const, turn: turnText(turn) })
  const model: ModelDocument = {
    format: 'jump-rail-model',
    version: 1,
    name: 'Two',
    root: 'outer',
    sections: [
      { id: 'outer', name: 'Outer', parts: [part('on', holder, turns[0])], copies: [copy] },
      { id: 'inner', name: 'Inner', parts: [part('by', held, turns[1])] },
    ],
  }
  const [theirs, own] = [copyPose(model, model.sections[0]!, copy), ownCopyPose(model, model.sections[0]!, copy, shapes)]
  theirs.matrix.forEach((value, i) => expect(own.matrix[i]).toBeCloseTo(value, 8))
  theirs.at.forEach((value, i) => expect(own.at[i]).toBeCloseTo(value, 8))
  // What stands straight stands exactly so.
  if (theirs.matrix.every(Number.isInteger)) expect(own.matrix).toEqual(theirs.matrix.map((value) => value + 0))
}

const turn = fc.nat({ max: TURNS.length - 1 })
const angle = fc.oneof(fc.constantFrom(0, 90, -90, 180), fc.double({ min: -180, max: 180, noNaN: true }))
const mirror = fc.constantFrom(undefined, 'x' as const, 'y' as const, 'z' as const)
const mirrorOf = (axis: Copy['mirror']): Pick<Copy, 'mirror'> => (axis === undefined ? {} : { mirror: axis })

it('a copy on a joint stands where the model says, for every end in the catalogue', () => {
  expect(ENDS.length).toBeGreaterThan(50)
  const end = fc.constantFrom(...ENDS)
  fc.assert(
    fc.property(
      end,
      end,
      turn,
      turn,
      fc.array(angle, { maxLength: 3 }),
      fc.integer({ min: 0, max: 9 }),
      mirror,
      (on, by, a, b, angles, slide, axis) => {
        const named = (part: string, { kind, number }: (typeof ENDS)[number]): JointEnd => ({ part, kind, number })
        const copy: Copy = {
          id: 'copy',
          section: 'inner',
          joint: { on: named('on', on), by: named('by', by), angles, slide },
          ...mirrorOf(axis),
        }
        expectSamePose(copy, on.shape, by.shape, [a, b])
      },
    ),
    { numRuns: 3000 },
  )
})

it('a copy that is turned, spun or mirrored stands where the model says', () => {
  fc.assert(
    fc.property(turn, fc.option(fc.tuple(angle, angle, angle)), mirror, (way, rotate, axis) => {
      const copy: Copy = {
        id: 'copy',
        section: 'inner',
        at: [5, -7, 12],
        ...(rotate ? { rotate } : { turn: turnText(way) }),
        ...mirrorOf(axis),
      }
      expectSamePose(copy, 'brick-2x4', 'brick-2x4', [0, 0])
    }),
    { numRuns: 500 },
  )
})
