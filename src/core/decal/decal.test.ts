import { encode } from 'fast-png'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { BASE_CATALOGUE } from '../catalogue'
import { pieceKey, trayOf } from '../count'
import { Fault } from '../fault'
import { checkModel, decodePicture, Flattener, pictureAddress, type Decal, type Part, type PieceWork } from '../model'
import { add, areaOf, cross, dot, length, normalise, posed, scale, subtract, type Vec } from '../space'
import { faceOf, facesOf, mirroredWork, overhang, patchesOf } from './index'

const dots = (width: number, height: number): Uint8Array =>
  Uint8Array.from({ length: width * height * 4 }, (_, i) => (i % 4 === 3 ? 255 : (i * 37) % 251))
const picture = pictureAddress(encode({ width: 4, height: 2, data: dots(4, 2), depth: 8, channels: 4 }))
const decal: Decal = { id: 'flag', name: 'Flag', picture, size: [8, 4] }
const decals = new Map([['flag', decal]])
const onFront: PieceWork = { kind: 'decal', decal: 'flag', face: 'front' }
const shapeOf = (id: string) => BASE_CATALOGUE.shapes.get(id)!

const worked = (shape: string, ...work: PieceWork[]): Part => ({ ...part('a', shape, [0, 0, 0]), work })

const areaInSpace = (polygon: readonly Vec[]): number => {
  let sum: Vec = [0, 0, 0]
  for (let i = 1; i + 1 < polygon.length; i++)
    sum = add(sum, cross(subtract(polygon[i]!, polygon[0]!), subtract(polygon[i + 1]!, polygon[0]!)))
  return length(sum) / 2
}

describe('faces', () => {
  it('of a brick are its six sides, as large as they are', () => {
    const faces = facesOf(shapeOf('brick-2x4'))
    expect(faces.map(({ name, width, height }) => [name, width, height])).toEqual([
      ['front', 40, 12],
      ['back', 40, 12],
      ['left', 20, 12],
      ['right', 20, 12],
      ['top', 40, 20],
      ['bottom', 40, 20],
    ])
  })

  it('of a slope are one more: the one that leans', () => {
    const slope = faceOf(shapeOf('slope-2x2'), 'slope')!
    expect(slope.normal[1]).toBeLessThan(0)
    expect(slope.normal[2]).toBeGreaterThan(0)
    expect(slope.up[2]).toBeGreaterThan(0)
  })

  it('of every shape have a right-handed frame and lie in their plane', () => {
    for (const shape of BASE_CATALOGUE.shapes.values()) {
      for (const face of facesOf(shape)) {
        expect(dot(cross(face.right, face.up), face.normal), `${shape.id} ${face.name}`).toBeCloseTo(1, 6)
        for (const piece of face.pieces) {
          expect(areaOf(piece), `${shape.id} ${face.name}`).toBeLessThanOrEqual(face.width * face.height + 1e-3)
          expect(Math.max(...piece.map(([right]) => Math.abs(right)))).toBeLessThanOrEqual(face.width / 2 + 1e-6)
        }
      }
    }
  })
})

describe('a picture on a face', () => {
  it('lies in the middle, as large as it says, its top up', () => {
    const [patch] = patchesOf(
      { part: worked('brick-2x4', onFront), shape: shapeOf('brick-2x4'), drawn: shapeOf('brick-2x4'), isMirrored: false },
      decals,
    )
    expect(patch!.corner).toEqual([15, 0, 8.5])
    expect(patch!.right).toEqual([10, 0, 0])
    expect(patch!.down).toEqual([0, 0, -5])
    expect(areaInSpace(patch!.polygons[0]!)).toBeCloseTo(50, 6)
  })

  it('is cut at the edge of its face, and the rest is told', () => {
    const large: Decal = { ...decal, size: [16, 16] }
    const shape = shapeOf('round-tile-1x1')
    const work: PieceWork = { kind: 'decal', decal: 'flag', face: 'top' }
    const [patch] = patchesOf({ part: worked(shape.id, work), shape, drawn: shape, isMirrored: false }, new Map([['flag', large]]))
    const shown = patch!.polygons.reduce((sum, polygon) => sum + areaInSpace(polygon), 0)
    expect(shown).toBeLessThan(80)
    expect(shown).toBeGreaterThan(70)
    expect(overhang(faceOf(shape, 'top')!, work, large)).toBeCloseTo(4, 1)
    expect(overhang(faceOf(shapeOf('brick-2x4'), 'front')!, onFront, decal)).toBe(0)
  })

  it('always lies in its face and keeps its size, however it is turned and shifted', () => {
    const shapes = ['brick-2x4', 'slope-2x2', 'tile-2x2', 'panel-1x4', 'slope-low-1x2']
    fc.assert(
      fc.property(
        fc.constantFrom(...shapes),
        fc.nat(6),
        fc.constantFrom<0 | 90 | 180 | 270>(0, 90, 180, 270),
        fc.tuple(fc.double({ min: -3, max: 3, noNaN: true }), fc.double({ min: -3, max: 3, noNaN: true })),
        (id, index, turn, at) => {
          const shape = shapeOf(id)
          const faces = facesOf(shape)
          const face = faces[index % faces.length]!
          const work: PieceWork = { kind: 'decal', decal: 'flag', face: face.name, turn, at }
          const [patch] = patchesOf({ part: worked(shape.id, work), shape, drawn: shape, isMirrored: false }, decals)
          expect(length(patch!.right)).toBeCloseTo(10, 6)
          expect(length(patch!.down)).toBeCloseTo(5, 6)
          expect(dot(cross(normalise(patch!.right), normalise(scale(patch!.down, -1))), face.normal)).toBeCloseTo(1, 6)
          for (const corner of patch!.polygons.flat()) expect(dot(subtract(corner, face.middle), face.normal)).toBeCloseTo(0, 6)
        },
      ),
    )
  })

  it('goes over to the other side in a mirrored copy, and stays readable', () => {
    const side: PieceWork = { kind: 'decal', decal: 'flag', face: 'left' }
    const model = checkModel({
      ...oneSection([part('a', 'brick-2x4', [0, 0, 0])]),
      decals: [decal],
      root: 'whole',
      sections: [
        { id: 'whole', name: 'Whole', parts: [], copies: [{ id: 'c', section: 'side', at: [0, 0, 0], mirror: 'x' }] },
        { id: 'side', name: 'Side', parts: [{ ...part('a', 'brick-2x4', [0, 0, 0]), work: [side] }] },
      ],
    })
    const [placed] = new Flattener(model).all('whole')
    expect(placed!.isMirrored).toBe(true)
    const [patch] = patchesOf({ part: placed!.part, shape: placed!.shape, drawn: shapeOf('brick-2x4'), isMirrored: true }, decals)
    // The brick stands from x −40 to 0 now; its left, at x 0 before, is still at x 0 and looks the other way.
    expect(posed(placed!.pose, patch!.corner)[0]).toBeCloseTo(0, 9)
    const facing = subtract(posed(placed!.pose, patch!.normal), placed!.pose.at)
    expect(facing).toEqual([1, 0, 0])
    const seen = cross(normalise(patch!.right), normalise(scale(patch!.down, -1)))
    expect(dot(seen, patch!.normal)).toBeCloseTo(1, 9)
  })

  it('is told in the mirror image as it lies there', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('brick-2x4', 'brick-1x2', 'wedge-plate-2x3-left', 'slope-2x2'),
        fc.constantFrom('front', 'back', 'left', 'right', 'top', 'slope'),
        fc.constantFrom(0 as const, 90 as const, 180 as const, 270 as const),
        fc.tuple(fc.integer({ min: -2, max: 2 }), fc.integer({ min: -1, max: 1 })),
        (id, face, turn, at) => {
          const drawn = shapeOf(id)
          const shape = shapeOf(drawn.mirror.twin!)
          if (!faceOf(drawn, face)) return
          const work: PieceWork = { kind: 'decal', decal: 'flag', face, turn, at }
          const mirrored = mirroredWork(work, drawn.mirror.reflection)
          const [there] = patchesOf({ part: { ...part('a', id, [0, 0, 0]), work: [work] }, shape, drawn, isMirrored: true }, decals)
          const [told] = patchesOf(
            { part: { ...part('a', shape.id, [0, 0, 0]), work: [mirrored] }, shape, drawn: shape, isMirrored: false },
            decals,
          )
          for (const key of ['normal', 'corner', 'right', 'down'] as const)
            told![key].forEach((value, k) => expect(value).toBeCloseTo(there![key][k]!, 6))
          expect(mirroredWork(mirrored, shape.mirror.reflection)).toEqual(work)
        },
      ),
    )
  })

  it('makes another piece of the piece', () => {
    const plain = trayOf([part('a', 'tile-2x2', [0, 0, 0])])
    const marked = trayOf([worked('tile-2x2', { ...onFront, face: 'top' })])
    expect(pieceKey(plain[0]!)).not.toBe(pieceKey(marked[0]!))
  })
})

describe('pictures in files', () => {
  it('are read dot for dot', () => {
    expect(decodePicture(picture)).toEqual({ width: 4, height: 2, data: dots(4, 2) })
    const grey = encode({ width: 2, height: 1, data: Uint8Array.of(10, 200), depth: 8, channels: 1 })
    expect([...decodePicture(pictureAddress(grey)).data]).toEqual([10, 10, 10, 255, 200, 200, 200, 255])
  })

  it.each([
    ['another kind', 'data:image/gif;base64,AAAA', 'bad-picture'],
    ['not base 64', 'data:image/png;base64,@@@', 'bad-picture'],
    ['cut off', picture.slice(0, 80), 'bad-picture'],
  ])('are refused when they are %s', (_, bad, code) => {
    const model = { ...oneSection([part('a', 'tile-2x2', [0, 0, 0])]), decals: [{ ...decal, picture: bad }] }
    expect(() => checkModel(model)).toThrow(Fault)
    try {
      checkModel(model)
    } catch (fault) {
      expect(fault).toMatchObject({ code, place: 'decals[0].picture' })
    }
  })

  it('are refused before they are unpacked when there is too much of them', () => {
    const large = pictureAddress(encode({ width: 2400, height: 2400, data: new Uint8Array(2400 * 2400 * 3), depth: 8, channels: 3 }))
    const wide = pictureAddress(encode({ width: 2401, height: 1, data: new Uint8Array(2401 * 3), depth: 8, channels: 3 }))
    const withPictures = (...pictures: string[]) => ({
      ...oneSection([]),
      decals: pictures.map((each, i) => ({ ...decal, id: `d${i}`, picture: each })),
    })
    expect(() => checkModel(withPictures(wide))).toThrow('has more than 2400 dots each way')
    expect(() => checkModel(withPictures(...Array.from({ length: 11 }, () => large)))).toThrow('more than 60 million dots')
    const many = Array.from({ length: 501 }, () => picture)
    expect(() => checkModel(withPictures(...many))).toThrow('“decals” has more than 500 entries.')
  })

  it('must exist where a part names them, and only on what is printed or stuck on', () => {
    const withWork = (work: unknown) => ({
      ...oneSection([]),
      sections: [{ id: 'main', name: 'Main', parts: [{ ...part('a', 'tile-2x2', [0, 0, 0]), work: [work] }] }],
      decals: [decal],
    })
    expect(() => checkModel(withWork({ ...onFront, decal: 'flog' }))).toThrow('There is no decal “flog”')
    expect(() => checkModel(withWork({ kind: 'paint', decal: 'flag', face: 'top' }))).toThrow(Fault)
    expect(() => checkModel(withWork({ kind: 'decal', decal: 'flag' }))).toThrow(Fault)
    expect(() => checkModel(withWork({ kind: 'decal', note: 'from the sheet' }))).not.toThrow()
  })
})
