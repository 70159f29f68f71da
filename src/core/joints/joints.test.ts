import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { oneSection, part, twoSections } from '../../../tests/support/models'
import { connectedHeap } from '../../../tests/support/heaps'
import { Geometry, jointAxes } from '../replay'
import { Flattener, type ModelDocument } from '../model'
import { buildScene, sectionNodes } from '../scene'
import { findJoints, heldGroups } from './index'

const jointsOf = (model: ModelDocument) => {
  const scene = buildScene(sectionNodes(model, new Flattener(model), 'main'))
  return { scene, joints: findJoints(scene) }
}
const pairs = (model: ModelDocument) =>
  jointsOf(model).joints.list.map((joint) => ({
    a: joint.a,
    b: joint.b,
    axis: joint.lets === 0 ? 3 : Math.log2(joint.lets),
    studs: joint.studs,
  }))

describe('joints', () => {
  it('count the studs of a pair', () => {
    expect(pairs(oneSection([part('a', 'plate-2x4', [0, 0, 0]), part('b', 'brick-2x2', [20, 0, 4])]))).toEqual([
      { a: 0, b: 1, axis: 2, studs: 4 },
    ])
  })

  it('need the sockets on the studs, not only touch', () => {
    expect(pairs(oneSection([part('a', 'plate-1x2', [0, 0, 0]), part('b', 'plate-1x2', [5, 0, 4])]))).toEqual([])
    expect(pairs(oneSection([part('a', 'plate-1x2', [0, 0, 0]), part('b', 'plate-1x2', [20, 0, 0])]))).toEqual([])
  })

  it('hold sideways on a wall', () => {
    expect(pairs(oneSection([part('a', 'brick-1x1-side1', [0, 0, 0]), part('t', 'tile-1x1', [0, -4, 1], '+x+z')]))).toEqual([
      { a: 0, b: 1, axis: 1, studs: 1 },
    ])
  })

  it('hold in all six directions', () => {
    for (const [turn, at] of [
      ['+x+z', [0, -4, 1]],
      ['+x-z', [0, 10, 1]],
      ['-z+y', [10, 0, 1]],
      ['+z+y', [-4, 0, 1]],
    ] as const) {
      expect(pairs(oneSection([part('a', 'brick-1x1-side4', [0, 0, 0]), part('t', 'tile-1x1', at, turn)]))).toHaveLength(1)
    }
    expect(pairs(oneSection([part('a', 'plate-1x1', [0, 0, 0], '+x-y'), part('b', 'plate-1x1', [0, 0, -4], '+x-y')]))).toHaveLength(1)
  })

  it('make one record for each pair and axis of a copy', () => {
    const model = twoSections(
      [part('a', 'plate-2x4', [0, 0, 0])],
      [{ id: 'c', section: 'inner', at: [0, 0, 4] }],
      [part('x', 'plate-1x1', [0, 0, 0]), part('y', 'plate-1x2', [20, 0, 0])],
    )
    expect(pairs(model)).toEqual([{ a: 0, b: 1, axis: 2, studs: 3 }])
  })

  it('hold across a free pose within the tolerance', () => {
    const free = (at: readonly [number, number, number]) =>
      pairs(
        twoSections(
          [part('a', 'plate-1x1', [0, 0, 0])],
          [{ id: 'c', section: 'inner', at, rotate: [0, 0, 30] }],
          [part('x', 'plate-1x1', [-5, -5, 0])],
        ),
      )
    expect(free([5, 5, 4])).toEqual([{ a: 0, b: 1, axis: 2, studs: 1 }])
    expect(free([5.15, 5, 4])).toHaveLength(1)
    expect(free([5.25, 5, 4])).toHaveLength(0)
  })

  it('agree with a search over all pairs', () => {
    fc.assert(
      fc.property(connectedHeap(10), (model) => {
        const geometry = new Geometry(model)
        const things = model.sections[0]!.parts!.map((p) => geometry.part('main', p.id)!)
        const slow = new Set<string>()
        things.forEach((a, i) =>
          things.slice(i + 1).forEach((b, k) => jointAxes(a, b).forEach((axis) => slow.add(`${i} ${i + 1 + k} ${axis}`))),
        )
        expect(new Set(pairs(model).map(({ a, b, axis }) => `${a} ${b} ${axis}`))).toEqual(slow)
      }),
      { numRuns: 100 },
    )
  })

  it('make groups', () => {
    const { scene, joints } = jointsOf(
      oneSection([part('a', 'plate-1x2', [0, 0, 0]), part('b', 'plate-1x1', [0, 0, 4]), part('c', 'plate-1x1', [30, 0, 0])]),
    )
    expect(heldGroups(scene.nodes.length, joints, () => true)).toEqual([[0, 1], [2]])
  })
})
