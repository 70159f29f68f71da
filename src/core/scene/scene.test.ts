import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { connectedHeap } from '../../../tests/support/heaps'
import { oneSection, part, twoSections } from '../../../tests/support/models'
import { Flattener, type ModelDocument } from '../model'
import { posed, posedBox, unite, type Box } from '../space'
import { buildScene, contractScene, flatNodeBoxes, ownPieceCount, sectionNodes, tableBox, type NodeSpec, type Scene } from './index'

const sceneOf = (model: ModelDocument): Scene => buildScene(sectionNodes(model, new Flattener(model), 'main'))
const textOf = ({ min, max }: Box): string => [...min, ...max].map((value) => value + 0).join()

/** The boxes of a scene's table that belong to a node, as texts. */
const boxesIn = (table: Scene['bodies'], node: number): string[] =>
  Array.from({ length: table.count }, (_, i) => i)
    .filter((i) => table.node[i] === node)
    .map((i) => textOf(tableBox(table, i)))
    .sort()

describe('a scene', () => {
  it('holds every body of every part where the part stands, and a stud for each of its studs', () => {
    fc.assert(
      fc.property(connectedHeap(10), (model) => {
        const scene = sceneOf(model)
        scene.nodes.forEach(({ parts }, node) => {
          const bodies = parts.flatMap(({ shape, pose }) => shape.bodies.map((body) => posedBox(pose, body)))
          expect(boxesIn(scene.bodies, node)).toEqual(bodies.map(textOf).sort())
          expect(textOf(scene.nodeBoxes[node]!)).toBe(textOf(bodies.reduce(unite)))
          const studs = parts.flatMap(({ shape }) => shape.connectors.filter(({ kind }) => kind === 'stud'))
          expect(boxesIn(scene.studs, node)).toHaveLength(studs.length)
        })
        expect(scene.parts).toHaveLength(model.sections[0]!.parts!.length)
      }),
      { numRuns: 60 },
    )
  })

  it('finds a grip at every place of a socket', () => {
    fc.assert(
      fc.property(connectedHeap(8), (model) => {
        const { grips, parts } = sceneOf(model)
        const places = new Set(Array.from({ length: grips.count }, (_, i) => [...grips.at.subarray(i * 3, i * 3 + 3)].join()))
        for (const { shape, pose } of parts)
          for (const { kind, at } of shape.connectors)
            if (kind === 'socket')
              expect(
                places.has(
                  posed(pose, at)
                    .map((v) => v + 0)
                    .join(),
                ),
              ).toBe(true)
      }),
      { numRuns: 60 },
    )
  })

  it('drawn together keeps every box, under the new nodes', () => {
    fc.assert(
      fc.property(connectedHeap(8), fc.array(fc.nat(3), { minLength: 8, maxLength: 8 }), (model, groups) => {
        const scene = sceneOf(model)
        // Numbered as they are met, so that no number is left out.
        const met = new Map<number, number>()
        const newOf = Int32Array.from(scene.nodes, (_, node) => {
          const group = groups[node % groups.length]!
          if (!met.has(group)) met.set(group, met.size)
          return met.get(group)!
        })
        const specs = [...met.values()].map((node): NodeSpec => {
          const mine = scene.nodes.filter((_, old) => newOf[old] === node)
          return { id: `unit-${node}`, kind: 'derived', source: 'unit', parts: mine.flatMap(({ parts }) => parts) }
        })
        const drawn = contractScene(scene, specs, newOf)
        specs.forEach((_, node) => {
          const before = scene.nodes.flatMap((__, old) => (newOf[old] === node ? boxesIn(scene.bodies, old) : []))
          expect(boxesIn(drawn.bodies, node)).toEqual(before.sort())
        })
        expect([...flatNodeBoxes(drawn)]).toEqual(drawn.nodeBoxes.flatMap(({ min, max }) => [...min, ...max]))
        expect(drawn.tables).not.toBe(scene.tables)
      }),
      { numRuns: 60 },
    )
  })

  it('counts loose pieces of a section as often as they say, and has no node for them', () => {
    const model = oneSection([part('a', 'plate-1x1', [0, 0, 0]), { id: 'b', shape: 'plate-1x2', colour: 'red', count: 4 }])
    expect(ownPieceCount(model, 'main')).toBe(5)
    expect(sceneOf(model).nodes.map(({ id }) => id)).toEqual(['a'])
  })

  it('has one node for a copy, with all its parts', () => {
    const inner = [part('x', 'plate-1x1', [0, 0, 0]), part('y', 'plate-1x1', [0, 0, 4])]
    const scene = sceneOf(twoSections([part('a', 'plate-2x2', [0, 0, 0])], [{ id: 'c', section: 'inner', at: [0, 0, 4] }], inner))
    expect(scene.nodes.map(({ id, kind, parts }) => [id, kind, parts.length])).toEqual([
      ['a', 'part', 1],
      ['c', 'copy', 2],
    ])
    expect(textOf(scene.nodeBoxes[1]!)).toBe(textOf({ min: [0, 0, 4], max: [10, 10, 12] }))
  })
})
