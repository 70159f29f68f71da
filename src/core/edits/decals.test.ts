import { encode } from 'fast-png'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { part, twoSections } from '../../../tests/support/models'
import { BASE_CATALOGUE } from '../catalogue'
import { inventoryOf, partsByPiece, pieceKey, total } from '../count'
import { checkModel, pictureAddress, type Decal, type ModelDocument, type PieceWork } from '../model'
import { decalId, withDecal, withoutDecal, withWork } from './index'
import { facesOf, firstFace, fittingSize, overhang, resized } from '../decal'

const model: ModelDocument = twoSections(
  [part('a', 'tile-2x2', [0, 0, 0]), part('b', 'tile-2x2', [20, 0, 0]), part('c', 'brick-1x2', [40, 0, 0])],
  [
    { id: 'one', section: 'inner', at: [0, 40, 0] },
    { id: 'two', section: 'inner', at: [0, 80, 0] },
  ],
  [part('a', 'tile-2x2', [0, 0, 0])],
)
const picture = pictureAddress(encode({ width: 2, height: 2, data: new Uint8Array(16).fill(200), depth: 8, channels: 4 }))
const decal = (id: string): Decal => ({ id, name: id, picture, size: [8, 8] })
const stuck = (id: string): PieceWork => ({ kind: 'decal', decal: id, face: 'top' })
const workOf = (document: ModelDocument, section: string, id: string) =>
  document.sections.find((each) => each.id === section)!.parts!.find((each) => each.id === id)!.work

describe('work on parts', () => {
  it('is set on the parts named and on no other of the same id', () => {
    const next = withWork(model, [{ section: 'main', part: 'a' }], [{ kind: 'paint' }])
    expect(workOf(next, 'main', 'a')).toEqual([{ kind: 'paint' }])
    expect([workOf(next, 'main', 'b'), workOf(next, 'inner', 'a')]).toEqual([undefined, undefined])
    // What is not touched stays the very same, so that what was planned of it stays known.
    expect(next.sections[1]).toBe(model.sections[1])
  })

  it('of nothing leaves the plain piece, without a trace in the file', () => {
    const place = [{ section: 'inner', part: 'a' }]
    expect(JSON.stringify(withWork(withWork(model, place, [{ kind: 'cut' }]), place, []))).toBe(JSON.stringify(model))
  })

  it('never changes how many pieces there are, and always gives a sound file', () => {
    const kinds = fc.constantFrom<PieceWork>({ kind: 'paint' }, { kind: 'cut', note: 'here' }, stuck('flag'), { kind: 'print' })
    const places = fc.subarray([
      { section: 'main', part: 'a' },
      { section: 'main', part: 'b' },
      { section: 'main', part: 'c' },
      { section: 'inner', part: 'a' },
    ])
    fc.assert(
      fc.property(places, fc.array(kinds, { maxLength: 3 }), (chosen, work) => {
        const next = checkModel(JSON.parse(JSON.stringify(withWork(withDecal(model, decal('flag')), chosen, work))))
        expect(total(inventoryOf(next))).toBe(total(inventoryOf(model)))
        const groups = partsByPiece(next)
        expect(groups.reduce((sum, { parts }) => sum + parts.length, 0)).toBe(4)
        expect(new Set(groups.map(({ piece }) => pieceKey(piece))).size).toBe(groups.length)
      }),
    )
  })
})

describe('decals of a model', () => {
  it('are added, exchanged in place, and taken off every piece that bears them', () => {
    const two = withDecal(withDecal(model, decal('flag')), decal('stripes'))
    const exchanged = withDecal(two, { ...decal('flag'), size: [12, 6] })
    expect(exchanged.decals!.map(({ id, size }) => [id, size[0]])).toEqual([
      ['flag', 12],
      ['stripes', 8],
    ])
    const places = [
      { section: 'main', part: 'a' },
      { section: 'inner', part: 'a' },
    ]
    const worn = withWork(withWork(two, places, [stuck('flag')]), [{ section: 'main', part: 'b' }], [stuck('flag'), { kind: 'paint' }])
    const bare = withoutDecal(worn, 'flag')
    expect(bare.decals!.map(({ id }) => id)).toEqual(['stripes'])
    expect([workOf(bare, 'main', 'a'), workOf(bare, 'inner', 'a'), workOf(bare, 'main', 'b')]).toEqual([
      undefined,
      undefined,
      [{ kind: 'paint' }],
    ])
    expect(checkModel(JSON.parse(JSON.stringify(bare)))).toEqual(bare)
    // Where the last one goes, the file says nothing of decals any more.
    expect('decals' in withoutDecal(bare, 'stripes')).toBe(false)
  })

  it('get ids of their names, each its own', () => {
    expect(decalId(model, 'Ferry sign!')).toBe('ferry-sign')
    expect(decalId(withDecal(model, decal('ferry-sign')), 'Ferry sign')).toBe('ferry-sign-2')
    expect(decalId(model, '???')).toBe('decal')
  })
})

describe('the size of a decal', () => {
  const shapeOf = (id: string) => BASE_CATALOGUE.shapes.get(id)!

  it('fits on its face whatever its proportion, and keeps that', () => {
    const faces = ['tile-2x2', 'brick-1x4', 'slope-2x2', 'panel-1x4'].flatMap((id) => facesOf(shapeOf(id)))
    fc.assert(
      fc.property(fc.constantFrom(...faces), fc.double({ min: 0.2, max: 5, noNaN: true }), (face, aspect) => {
        const size = fittingSize(face, aspect)
        expect(overhang(face, { kind: 'decal', decal: 'd', face: face.name }, { ...decal('d'), size })).toBe(0)
        expect(Math.abs(size[0] - size[1] * aspect)).toBeLessThan(0.06 * (1 + aspect))
      }),
    )
  })

  it('changes on both sides together', () => {
    expect(resized({ ...decal('d'), size: [10, 4] }, 0, 15).size).toEqual([15, 6])
    expect(resized({ ...decal('d'), size: [10, 4] }, 1, 2).size).toEqual([5, 2])
    expect(resized({ ...decal('d'), size: [10, 4] }, 0, 0.001).size).toEqual([0.1, 0.1])
  })

  it('begins on top, else in front, else wherever there is room', () => {
    expect([firstFace(shapeOf('tile-2x2')), firstFace(shapeOf('pin'))].map((face) => face?.name)).toEqual(['top', 'left'])
  })
})
