import fc from 'fast-check'
import { encode } from 'fast-png'
import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { checkChanged, checkModel, cleanPhoto, isBeside, isHeic, orientationOf, photoAddress, photoBytes, withoutMetadata } from './index'

const segment = (marker: number, ...data: number[]): number[] => [0xff, marker, (data.length + 2) >> 8, (data.length + 2) & 255, ...data]
const EXIF = [0x45, 0x78, 0x69, 0x66, 0, 0]
const tiff = (turned: number): number[] => [0x4d, 0x4d, 0, 42, 0, 0, 0, 8, 0, 1, 0x01, 0x12, 0, 3, 0, 0, 0, 1, 0, turned, 0, 0, 0, 0, 0, 0]
const secret = [...'48.2082 N'].map((letter) => letter.charCodeAt(0))
const jpeg = (...segments: number[][]): Uint8Array =>
  Uint8Array.from([0xff, 0xd8, ...segments.flat(), ...segment(0xdb, 7, 7), ...segment(0xda, 1), 9, 9, 9, 0xff, 0xd9])
const holds = (bytes: Uint8Array, part_: readonly number[]): boolean => Buffer.from(bytes).includes(Buffer.from(part_))

describe('a photo', () => {
  it('loses place, camera and words, and keeps how it is turned', () => {
    const shot = jpeg(
      segment(0xe0, 1, 2),
      segment(0xe1, ...EXIF, ...tiff(6), ...secret),
      segment(0xed, ...secret),
      segment(0xfe, ...secret),
    )
    const tail = Uint8Array.from([...shot, ...secret])
    expect(orientationOf(shot)).toBe(6)
    for (const bytes of [shot, tail]) {
      const clean = withoutMetadata(bytes)
      expect(holds(clean, secret)).toBe(false)
      expect(orientationOf(clean)).toBe(6)
      expect(holds(clean, segment(0xdb, 7, 7))).toBe(true)
      expect(withoutMetadata(clean)).toEqual(clean)
    }
    const plain = jpeg(segment(0xe0, 1, 2))
    expect(withoutMetadata(plain)).toEqual(plain)
    expect(orientationOf(plain)).toBe(1)
  })

  it('loses the texts of a PNG and the boxes of a WebP', () => {
    const png = encode({ width: 1, height: 1, data: Uint8Array.from([1, 2, 3]), channels: 3, depth: 8, text: { Comment: '48.2082 N' } })
    expect(holds(withoutMetadata(png), secret)).toBe(false)
    const chunk = (name: string, data: readonly number[]): number[] => [
      ...[...name].map((c) => c.charCodeAt(0)),
      data.length,
      0,
      0,
      0,
      ...data,
      ...(data.length % 2 ? [0] : []),
    ]
    const body = [...chunk('VP8X', [0x0c, 0, 0, 0, 0, 0, 0, 0, 0, 0]), ...chunk('VP8L', [1, 2, 3]), ...chunk('EXIF', secret)]
    const webp = Uint8Array.from([
      ...[...'RIFF'].map((c) => c.charCodeAt(0)),
      body.length + 4,
      0,
      0,
      0,
      ...[...'WEBP'].map((c) => c.charCodeAt(0)),
      ...body,
    ])
    const clean = withoutMetadata(webp)
    expect(holds(clean, secret)).toBe(false)
    expect(clean[20]).toBe(0)
    expect(clean[4]).toBe(clean.length - 8)
  })

  it('is refused torn, never read past its end', () => {
    const shot = jpeg(segment(0xe1, ...EXIF, ...tiff(3), ...secret))
    fc.assert(
      fc.property(fc.nat(shot.length - 1), fc.nat(255), (at, value) => {
        const broken = shot.slice()
        broken[at] = value
        for (const bytes of [broken, shot.slice(0, at)]) {
          try {
            expect(withoutMetadata(bytes).length).toBeLessThanOrEqual(bytes.length + 36)
          } catch (thrown) {
            expect(thrown).toMatchObject({ code: 'bad-photo' })
          }
        }
      }),
      { numRuns: 500 },
    )
  })

  it('says what it is: a sort that browsers show, or one they do not', () => {
    expect(isHeic(Uint8Array.from([0, 0, 0, 24, ...[...'ftypheic'].map((c) => c.charCodeAt(0))]))).toBe(true)
    expect(isHeic(jpeg())).toBe(false)
    const address = photoAddress(jpeg(), 'image/jpeg')
    expect(photoBytes(address)).toEqual({ type: 'image/jpeg', bytes: jpeg() })
    for (const file of [
      'data:image/jpeg;base64,A',
      'data:image/svg+xml;base64,AAAA',
      'javascript:alert(1)',
      'https://a.b/c.jpg',
      '../a.jpg',
      'a/b.jpg',
      '.jpg',
      photoAddress(jpeg(), 'image/png'),
    ]) {
      expect(() => cleanPhoto({ file }, 'here'), file).toThrow('The photo')
    }
    expect(isBeside({ file: 'step 4.jpeg' })).toBe(true)
  })
})

describe('photos of a model', () => {
  const model = (file: string) =>
    oneSection(
      [part('a', 'brick-1x1', [0, 0, 0])],
      [{ add: ['a'], photos: [{ file, alt: 'A', marks: [{ kind: 'arrow', at: [0, 0.5], to: [1, 1], text: 'here' }] }] }],
    )

  it('come in clean; a sound document stays the same', () => {
    const clean = photoAddress(jpeg(), 'image/jpeg')
    const sound = model(clean)
    expect(checkModel(sound)).toEqual(sound)
    const told = checkModel(model(photoAddress(jpeg(segment(0xfe, ...secret)), 'image/jpeg')))
    expect(told).toEqual(sound)
    expect(checkModel({ ...sound, photos: [{ file: 'whole.png', alt: '' }] })).toMatchObject({ photos: [{ file: 'whole.png' }] })
  })

  it('are refused by their place', () => {
    expect(() => checkModel(model('data:text/html;base64,AAAA'))).toThrow(
      expect.objectContaining({ code: 'bad-photo', place: 'sections[0].steps[0].photos[0].file' }),
    )
    const sound = model(photoAddress(jpeg(), 'image/jpeg'))
    expect(() => checkChanged(model('nothing'), sound)).toThrow('The photo')
    expect(() => checkModel({ ...sound, photos: [{ file: 'a.jpg', alt: '', marks: [{ kind: 'ring', at: [0, 2] }] }] })).toThrow()
  })
})
