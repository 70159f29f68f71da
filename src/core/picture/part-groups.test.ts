import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { BASE_CATALOGUE } from '../catalogue'
import type { PlacedPart } from '../model'
import { posed } from '../space'
import { mergeGroup, studDetail } from './merged-mesh'
import { groupParts, studCount, type PartGroup } from './part-groups'

const brick = (path: string, at: [number, number, number], shape = 'brick-2x2'): PlacedPart => ({
  path,
  part: { id: path, shape, colour: 'sand' },
  shape: BASE_CATALOGUE.shapes.get(shape)!,
  colour: 'sand',
  pose: { matrix: [1, 0, 0, 0, 1, 0, 0, 0, 1], at },
  lacksTwin: false,
  isMirrored: false,
})
/** Bricks side by side, each with a plate on it where it is said. */
const street = (count: number, isCovered: (i: number) => boolean = () => false): PlacedPart[] =>
  Array.from({ length: count }, (_, i) => [
    brick(`b${i}`, [i * 20, 0, 0]),
    ...(isCovered(i) ? [brick(`p${i}`, [i * 20, 0, 12], 'plate-1x1')] : []),
  ]).flat()

const shown = (groups: readonly PartGroup[]): string[] =>
  groups
    .flatMap(({ parts, studs }) =>
      Array.from({ length: studs.length / 2 }, (_, k) => {
        const { shape, pose } = parts[studs[k * 2]!]!
        return posed(pose, shape.connectors[studs[k * 2 + 1]!]!.at).join()
      }),
    )
    .sort()

describe('groups of parts', () => {
  it('hold every part once, and every stud that no piece covers', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 900 }), fc.func(fc.boolean()), (count, isCovered) => {
        const parts = street(count, isCovered)
        const groups = groupParts(parts)
        expect(new Set(groups.flatMap((group) => group.parts))).toEqual(new Set(parts))
        expect(groups.flatMap((group) => group.parts)).toHaveLength(parts.length)
        // A covered brick shows three of its studs, and the stud of its plate.
        expect(studCount(groups)).toBe(count * 4)
        expect(new Set(shown(groups)).size).toBe(count * 4)
      }),
      { numRuns: 15 },
    )
  })

  it('are the very objects from before where nothing of them has changed, covered studs included', () => {
    const before = groupParts(street(900))
    expect(before.length).toBeGreaterThan(4)
    const parts = before.flatMap((group) => group.parts)
    expect(groupParts(parts, before)).toEqual(before)
    const added = brick('new', [0, 0, 12], 'plate-1x1')
    const same = groupParts([...parts, added], before)
    const changed = same.filter((group, i) => group !== before[i])
    expect(changed.length).toBeGreaterThan(0)
    expect(changed.length).toBeLessThanOrEqual(2)
    expect(changed.some((group) => group.parts.includes(added))).toBe(true)
  })

  it('tell no studs where none are drawn', () => {
    expect(studCount(groupParts(street(3), [], { hasStuds: false }))).toBe(0)
  })
})

describe('merged meshes', () => {
  const TINT = { face: [10, 20, 30, 255], line: [1, 2, 3] } as const
  const merged = (detail: 'round' | 'plain' | 'disc' | 'none') => mergeGroup(groupParts(street(2))[0]!, () => TINT, detail)

  it('hold the corners of all faces within the bodies and their studs, tinted', () => {
    const { corners, tints } = merged('round')
    const heights = Array.from(corners).filter((_, i) => i % 3 === 2)
    expect(Math.min(...heights)).toBe(0)
    expect(Math.max(...heights)).toBeGreaterThan(12)
    expect(Array.from(tints.slice(0, 4))).toEqual(TINT.face.slice())
    expect(tints).toHaveLength((corners.length / 3) * 4)
  })

  it('draw fewer triangles and no lines of studs where there are many', () => {
    const count = (detail: Parameters<typeof merged>[0]) => merged(detail).triangles.reduce((sum, { length }) => sum + length / 3, 0)
    expect(count('round')).toBeGreaterThan(count('plain'))
    expect(count('plain')).toBeGreaterThan(count('disc'))
    expect(count('disc')).toBeGreaterThan(count('none'))
    expect(merged('round').lines.length).toBeGreaterThan(merged('plain').lines.length)
    expect(merged('plain').lines).toHaveLength(merged('none').lines.length)
    expect([studDetail(10), studDetail(10_000), studDetail(50_000)]).toEqual(['round', 'plain', 'disc'])
  })

  it('put every triangle of a brick that stands upright among those that face its way', () => {
    const { triangles, corners, normals } = merged('none')
    triangles.forEach((list, sort) => {
      for (const corner of list) {
        const normal = [0, 1, 2].map((axis) => Math.round(normals[corner * 4 + axis]! / 127))
        if (sort < 6) expect(normal.filter((value) => value !== 0)).toHaveLength(1)
        expect(corner * 3).toBeLessThan(corners.length)
      }
    })
  })
})
