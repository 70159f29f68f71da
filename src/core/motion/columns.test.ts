import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { connectedHeap } from '../../../tests/support/heaps'
import { oneSection, part } from '../../../tests/support/models'
import { Flattener, type ModelDocument } from '../model'
import { buildScene, sectionNodes, tableBox, type Scene } from '../scene'
import type { Axis, Box } from '../space'
import { Columns } from './columns'

const sceneOf = (model: ModelDocument): Scene => buildScene(sectionNodes(model, new Flattener(model), 'main'))

/** Pairs of rows, bodies before studs, that share space; studs along the axis left out. */
function meetingsOf({ bodies, studs }: Scene, axis: Axis): string[] {
  const rows: { row: number; box: Box; node: number; isStud: boolean; isOpen: boolean }[] = []
  for (let i = 0; i < bodies.count; i++)
    rows.push({ row: i, box: tableBox(bodies, i), node: bodies.node[i]!, isStud: false, isOpen: bodies.mark[i] === 1 })
  for (let i = 0; i < studs.count; i++)
    if (studs.mark[i] !== axis)
      rows.push({ row: bodies.count + i, box: tableBox(studs, i), node: studs.node[i]!, isStud: true, isOpen: false })
  const meet = (a: Box, b: Box): boolean => [0, 1, 2].every((k) => a.min[k]! < b.max[k]! && b.min[k]! < a.max[k]!)
  return rows
    .flatMap((one, i) =>
      rows
        .slice(i + 1)
        .filter((two) => one.node !== two.node && meet(one.box, two.box) && !(one.isOpen && two.isStud) && !(two.isOpen && one.isStud))
        .map((two) => `${one.row} ${two.row}`),
    )
    .sort()
}

function foundBy(columns: Columns): string[] {
  const found = new Set<string>()
  columns.eachMeeting((one, other) => {
    found.add(`${Math.min(one, other)} ${Math.max(one, other)}`)
    return false
  })
  return [...found].sort()
}

/** Parts drawn into each other. */
const crowd = fc
  .array(fc.tuple(fc.constantFrom('plate-1x2', 'brick-1x1', 'plate-2x2', 'tile-1x2'), fc.nat(24), fc.nat(24), fc.nat(14)), {
    maxLength: 12,
  })
  .map((drawn) => oneSection(drawn.map(([shape, x, y, z], i) => part(`p${i}`, shape, [x, y, z]))))

describe('columns', () => {
  it('find every two that share space, along each axis', () => {
    let found = 0
    fc.assert(
      fc.property(crowd, (model) => {
        const scene = sceneOf(model)
        for (const axis of [0, 1, 2] as const) {
          const expected = meetingsOf(scene, axis)
          found += expected.length
          expect(foundBy(new Columns(scene, axis))).toEqual(expected)
        }
      }),
      { numRuns: 150 },
    )
    expect(found).toBeGreaterThan(500)
  })

  it('say who stands in the way, all the same after everything has left and come back', () => {
    fc.assert(
      fc.property(connectedHeap(10), fc.constantFrom<Axis>(0, 1, 2), (model, axis) => {
        const columns = new Columns(sceneOf(model), axis)
        const nodes = model.sections[0]!.parts!.map((_, node) => node)
        const [isThere, group] = [new Uint8Array(nodes.length).fill(1), new Int32Array(nodes.length)]
        const blockers = (): number[] =>
          nodes.flatMap((node) => {
            group.fill(0)[node] = 1
            return [columns.blocker(node, 1, isThere, group, 1), columns.blocker(node, -1, isThere, group, 1)]
          })
        const before = blockers()
        for (const node of nodes) columns.remove(node)
        columns.restore()
        expect(blockers()).toEqual(before)
      }),
    )
  })

  it('of things that stand far apart are as many as are met, not as the space between them has', () => {
    const far = oneSection([
      part('a', 'plate-2x2', [0, 0, 0]),
      part('b', 'plate-2x2', [90_000, 90_000, 0]),
      part('c', 'plate-2x2', [90_000, 90_010, 2]),
    ])
    expect(foundBy(new Columns(sceneOf(far), 2)).length).toBeGreaterThan(0)
  })

  it('of nothing hold nothing', () => {
    expect(new Columns(sceneOf(oneSection([])), 2).count).toBe(0)
  })
})
