import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { connectedHeap } from '../../../tests/support/heaps'
import { oneSection, part } from '../../../tests/support/models'
import { Geometry, obstacle, pressObstacle } from '../replay'
import { findJoints } from '../joints'
import { Flattener, type ModelDocument } from '../model'
import { buildScene, sectionNodes } from '../scene'
import { DIRECTION_VECTORS, DIRECTIONS, opposite, PLUS_Y } from '../space'
import { findOverlaps, pressBlocker, PRESSES, SpaceLeft } from './index'

function spaceOf(model: ModelDocument): SpaceLeft {
  const scene = buildScene(sectionNodes(model, new Flattener(model), 'main'))
  return new SpaceLeft(scene, findJoints(scene))
}

describe('what is in the way', () => {
  it('agrees with a plain sweep over all parts, also while parts leave', () => {
    fc.assert(
      fc.property(connectedHeap(10), fc.infiniteStream(fc.nat(1000)), (model, choices) => {
        const space = spaceOf(model)
        const geometry = new Geometry(model)
        const things = model.sections[0]!.parts!.map((p) => geometry.part('main', p.id)!)
        const present = new Set(things.keys())
        while (present.size > 1) {
          for (const node of present) {
            const others = [...present].filter((other) => other !== node).map((other) => things[other]!)
            for (const out of DIRECTIONS) {
              const way = DIRECTION_VECTORS[opposite(out)]!
              expect(space.blocker(node, out) >= 0, `${things[node]!.id} leaving ${out}`).toBe(
                obstacle(things[node]!, way, others) !== undefined,
              )
            }
          }
          const gone = [...present][choices.next().value % present.size]!
          present.delete(gone)
          space.remove(gone)
        }
      }),
      { numRuns: 150 },
    )
  })

  it('agrees with the plain search about slide and press', () => {
    let free = 0
    fc.assert(
      fc.property(connectedHeap(8), (model) => {
        const space = spaceOf(model)
        const geometry = new Geometry(model)
        const things = model.sections[0]!.parts!.map((p) => geometry.part('main', p.id)!)
        things.forEach((thing, node) => {
          const others = things.filter((other) => other !== thing)
          for (const { out, press } of PRESSES) {
            const isFree = pressBlocker(space, node, out, press) < 0
            if (isFree) free++
            const by = pressObstacle(thing, DIRECTION_VECTORS[opposite(out)]!, DIRECTION_VECTORS[press]!, others)
            expect(isFree, `${thing.id} out ${out}, home ${press}`).toBe(by === undefined)
          }
        })
      }),
      { numRuns: 80 },
    )
    expect(free).toBeGreaterThan(50)
  })

  it('is a stud in the way of a stud, where no body is', () => {
    const model = oneSection([
      part('up', 'bracket-1x2-1x2-up', [0, -4, 5], '+x+z'),
      part('down', 'bracket-1x2-1x2-down', [0, 0, -4], '+x+y'),
    ])
    const things = model.sections[0]!.parts!.map((p) => new Geometry(model).part('main', p.id)!)
    expect(spaceOf(model).blocker(0, PLUS_Y)).toBe(1)
    expect(obstacle(things[0]!, [0, -1, 0], [things[1]!])).toBe('down')
  })

  it('lets a stud through the cut of a wedge plate, but no body', () => {
    const parts = [part('low', 'plate-1x1', [0, 0, 0]), part('wedge', 'wedge-plate-2x3-left', [0, 0, 4])]
    const scene = buildScene(sectionNodes(oneSection(parts), new Flattener(oneSection(parts)), 'main'))
    expect(findOverlaps(scene, findJoints(scene))).toEqual([])
    const blocked = oneSection([part('low', 'brick-1x1', [0, 0, 0]), part('wedge', 'wedge-plate-2x3-left', [0, 0, 4])])
    const second = buildScene(sectionNodes(blocked, new Flattener(blocked), 'main'))
    expect(findOverlaps(second, findJoints(second))).toHaveLength(1)
  })

  it('finds a stud where no socket receives it', () => {
    const model = oneSection([part('a', 'plate-1x2', [0, 0, 0]), part('b', 'plate-1x2', [5, 0, 4])])
    const scene = buildScene(sectionNodes(model, new Flattener(model), 'main'))
    expect(findOverlaps(scene, findJoints(scene))).toEqual([{ a: 0, b: 1 }])
  })

  it('knows what stands on what', () => {
    const model = oneSection([part('a', 'tile-1x2', [0, 0, 0]), part('b', 'plate-1x1', [0, 0, 4]), part('c', 'plate-1x1', [10, 0, 8])])
    const space = spaceOf(model)
    const contacts = new Set<string>()
    space.columns[2].eachContact((below, above) => contacts.add(`${below} under ${above}`))
    expect([...contacts]).toEqual(['0 under 1'])
  })
})
