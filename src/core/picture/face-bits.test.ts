import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { BASE_CATALOGUE } from '../catalogue'
import { IDENTITY } from '../space'
import { CURVED, faceBits, FIRST_DECAL, MOST_DECALS, surfaceNumber, surfaceOfFace, toneOfFace, withTone } from './face-bits'
import { MeshProjector } from './projected-mesh'
import { fitCamera } from './view'

const surface = fc.nat({ max: FIRST_DECAL + MOST_DECALS - 1 })
const tone = fc.nat({ max: 3 })

describe('a face of a part, as a dot shows it', () => {
  it('says its surface, its tone and whether it is curved, in sixteen bits', () => {
    fc.assert(
      fc.property(surface, fc.boolean(), tone, tone, (number, isCurved, one, other) => {
        const face = faceBits(number, isCurved, one)
        expect(face).toBeLessThan(1 << 16)
        expect([surfaceOfFace(face), (face & CURVED) !== 0, toneOfFace(face)]).toEqual([number, isCurved, one])
        expect(withTone(face, other)).toBe(faceBits(number, isCurved, other))
      }),
    )
  })

  it('never takes a surface of a piece for a picture on it, however many surfaces it has', () => {
    fc.assert(
      fc.property(fc.nat({ max: 1e6 }), (number) => {
        expect(surfaceNumber(number)).toBeLessThan(FIRST_DECAL)
      }),
    )
  })

  it('is curved where facets of a surface do not lie in one plane: the side of a stud is, its top and the sides of a brick are not', () => {
    const shape = BASE_CATALOGUE.shapes.get('brick-1x1')!
    const camera = fitCamera({ min: [0, 0, 0], max: [20, 20, 24] }, 0, { width: 100, height: 100 }, { margin: 4, mostScale: 4 })
    const facets = new MeshProjector(camera).of(shape, IDENTITY)
    const bySurface = new Map<number, typeof facets>()
    for (const facet of facets) bySurface.set(facet.surface, [...(bySurface.get(facet.surface) ?? []), facet])
    const curved = [...bySurface.values()].filter(([facet]) => (facet!.face & CURVED) !== 0)
    expect(curved.length).toBe(1)
    // All of one surface are curved or none; what is curved is seen in more than one slope.
    for (const list of bySurface.values()) expect(new Set(list.map(({ face }) => face & CURVED)).size).toBe(1)
    expect(new Set(curved[0]!.map(({ slopeX }) => slopeX)).size).toBeGreaterThan(2)
    for (const list of bySurface.values())
      if (!curved.includes(list)) expect(new Set(list.map(({ slopeX, slopeY }) => `${slopeX} ${slopeY}`)).size).toBe(1)
  })
})
