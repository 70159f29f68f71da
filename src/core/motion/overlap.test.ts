import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { BASE_CATALOGUE } from '../catalogue'
import { findJoints } from '../joints'
import { Flattener, partPose, type Part } from '../model'
import { buildScene, sectionNodes } from '../scene'
import { posedBox, TURNS, turnText, type Box } from '../space'
import { findOverlaps, MOST_OVERLAPS } from './overlap'

function overlapsOf(parts: readonly Part[]): string[] {
  const model = oneSection(parts)
  const scene = buildScene(sectionNodes(model, new Flattener(model), 'main'))
  return findOverlaps(scene, findJoints(scene)).map(({ a, b }) => `${scene.nodes[a]!.id} ${scene.nodes[b]!.id}`)
}

/** Pieces without studs: their body is their box. */
const FLAT = ['tile-1x1', 'tile-1x2', 'tile-2x2', 'tile-1x4'].filter((id) => BASE_CATALOGUE.shapes.has(id))
const flatPart = fc
  .tuple(fc.constantFrom(...FLAT), fc.nat(TURNS.length - 1), fc.tuple(fc.nat(30), fc.nat(30), fc.nat(20)))
  .map(([shape, turn, at]) => part('', shape, at, turnText(turn)))

function boxOf(piece: Part): Box {
  const shape = BASE_CATALOGUE.shapes.get(piece.shape)!
  return posedBox(partPose(piece, shape), { min: [0, 0, 0], max: shape.box })
}
const shareSpace = (one: Box, other: Box): boolean =>
  [0, 1, 2].every((axis) => one.min[axis]! < other.max[axis]! && other.min[axis]! < one.max[axis]!)

describe('overlaps', () => {
  it('are the pairs whose boxes share space, in every turn', () => {
    let found = 0
    fc.assert(
      fc.property(fc.array(flatPart, { minLength: 2, maxLength: 14 }), (drawn) => {
        const parts = drawn.map((each, i) => ({ ...each, id: `p${i}` }))
        const boxes = parts.map(boxOf)
        const expected = parts.flatMap((one, i) =>
          parts.slice(i + 1).flatMap((other, k) => (shareSpace(boxes[i]!, boxes[i + 1 + k]!) ? [`${one.id} ${other.id}`] : [])),
        )
        found += expected.length
        expect(overlapsOf(parts).sort()).toEqual(expected.sort())
      }),
      { numRuns: 200 },
    )
    expect(found).toBeGreaterThan(200)
  })

  it('are none where a stud is held, and one where it stands in the middle of a piece', () => {
    const base = part('base', 'plate-2x2', [0, 0, 0])
    expect(overlapsOf([base, part('top', 'plate-2x2', [0, 0, 4])])).toEqual([])
    expect(overlapsOf([base, part('top', 'plate-2x2', [10, 10, 4])])).toEqual([])
    expect(overlapsOf([base, part('top', 'plate-2x2', [5, 0, 4])])).toEqual(['base top'])
    expect(overlapsOf([base, part('beside', 'brick-1x1', [20, 0, 0])])).toEqual([])
  })

  it('are looked for up to a bound, however many lie in one place', () => {
    const parts = Array.from({ length: 200 }, (_, i) => part(`p${i}`, 'tile-1x1', [0, 0, 0]))
    expect(overlapsOf(parts)).toHaveLength(MOST_OVERLAPS)
  })
})
