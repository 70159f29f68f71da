import { describe, expect, it } from 'vitest'
import { part, twoSections } from '../../../tests/support/models'
import { waysOut } from '../checks'
import { reportModel } from '../pipeline'
import { BASE_CATALOGUE } from '../catalogue'
import { checkModel, Flattener, type Copy, type ModelDocument, type Part } from '../model'
import { findJoints } from '../joints'
import { SpaceLeft } from '../motion'
import { buildScene, sectionNodes } from '../scene'
import { findInterlockingSet } from './interlocking-set'
import { halvesOf } from '../edits'

/** A frame with a hole of two studs by a brick: two plates lying, two bricks between them. */
const frame: readonly Part[] = [
  part('low', 'plate-1x4', [0, 0, 0]),
  part('left', 'brick-1x1', [0, 0, 4]),
  part('right', 'brick-1x1', [30, 0, 4]),
  part('high', 'plate-1x4', [0, 0, 16]),
]
/** Two frames that go through each other like links of a chain. */
const links: readonly Copy[] = [
  { id: 'one', section: 'inner', at: [0, 0, 0] },
  { id: 'two', section: 'inner', at: [20, -10, 8], turn: '+y-x' },
]
const chain = (more: readonly Part[] = []): ModelDocument => checkModel(twoSections(more, links, frame))

describe('an interlocking set', () => {
  it('is told as the smallest set that locks each other, with those without which the others come apart', () => {
    const bystander = [part('table', 'plate-8x8', [-100, -100, 0]), part('cup', 'round-brick-1x1', [-90, -90, 4])]
    const { report } = reportModel(chain(bystander))
    const blocked = report.findings.filter((found) => found.code === 'blocked')
    expect(blocked).toHaveLength(1)
    expect(blocked[0]!.message).toContain('lock each other')
    expect([...blocked[0]!.parts].sort()).toEqual(['one', 'two'])
  })

  it('is not seen where parts can leave one after another', () => {
    const model = chain()
    const scene = buildScene(sectionNodes(model, new Flattener(model), 'inner'))
    const space = new SpaceLeft(scene, findJoints(scene))
    expect(findInterlockingSet(space, 0)).toEqual({ core: [], keys: [] })
    expect([...space.isThere]).toEqual(scene.nodes.map(() => 1))
  })

  it('ways out swap the part that locks the others, or leave it out', () => {
    const model = twoSections([part('beam', 'plate-1x4', [0, 0, 0], '+y-x')], [], frame)
    const finding = { code: 'blocked', severity: 'error', section: 'main', step: 1, parts: ['beam'], message: '' } as const
    const [swap, removal] = waysOut(model, finding)
    const parts = swap!.change(model).sections[0]!.parts!
    expect(parts.map(({ shape, at }) => [shape, at])).toEqual([
      ['plate-1x2', [0, 0, 0]],
      ['plate-1x2', [0, 20, 0]],
    ])
    expect(removal!.change(model).sections[0]!.parts).toEqual([])
    checkModel(swap!.change(model))
  })
})

describe('halves', () => {
  it('fill the place of the whole, whatever its turn, or there are none', () => {
    for (const shape of BASE_CATALOGUE.shapes.values()) {
      for (const turn of ['+x+y', '+y-x', '+x+z', '-z+y']) {
        const whole = part('whole', shape.id, [7, 8, 9], turn)
        const halves = halvesOf(whole, BASE_CATALOGUE.shapes)
        if (!halves) continue
        const { parts } = buildScene(sectionNodesOf([whole]))
        const hull = (list: readonly Part[]): number[] => {
          const { nodeBoxes } = buildScene(sectionNodesOf(list))
          const low = [0, 1, 2].map((i) => Math.min(...nodeBoxes.map((box) => box.min[i]!)))
          return [...low, ...[0, 1, 2].map((i) => Math.max(...nodeBoxes.map((box) => box.max[i]!)))]
        }
        expect(parts).toHaveLength(1)
        expect(hull(halves), shape.id).toEqual(hull([whole]))
      }
    }
  })
})

function sectionNodesOf(parts: readonly Part[]) {
  const model = twoSections(parts, [], [])
  return sectionNodes(model, new Flattener(model), 'main')
}
