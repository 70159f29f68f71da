import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { connectedHeap } from '../../../tests/support/heaps'
import { Flattener } from '../model'
import { buildScene, sectionNodes } from '../scene'
import { findBridges, findJoints, heldGroups, type Joints } from './index'

/** Groups when one joint is not there: searched plainly. */
function groupsWithout(joints: Joints, nodes: number, without: number): number {
  const root = Array.from({ length: nodes }, (_, i) => i)
  const find = (i: number): number => (root[i] === i ? i : (root[i] = find(root[i]!)))
  joints.list.forEach((joint, i) => {
    if (i !== without) root[find(joint.a)] = find(joint.b)
  })
  return new Set(root.map((_, i) => find(i))).size
}

describe('bridges', () => {
  it('are the joints whose loss makes one group more, and what lies beyond is that group', () => {
    fc.assert(
      fc.property(connectedHeap(14), (model) => {
        const scene = buildScene(sectionNodes(model, new Flattener(model), 'main'))
        const joints = findJoints(scene)
        const count = scene.nodes.length
        const whole = heldGroups(count, joints, () => true).length
        const bridges = new Map(findBridges(joints, count).map((bridge) => [bridge.joint, bridge]))
        joints.list.forEach((joint, i) => {
          expect(bridges.has(i)).toBe(groupsWithout(joints, count, i) > whole)
          const beyond = bridges.get(i)?.beyond
          if (beyond) expect(beyond.includes(joint.a)).not.toBe(beyond.includes(joint.b))
        })
      }),
      { numRuns: 120 },
    )
  })
})
