import fc from 'fast-check'
import { encode } from 'fast-png'
import { describe, expect, it } from 'vitest'
import { Fault } from '../fault'
import { cleanPicture, decodePicture, pictureAddress, pictureBytes, picturePixels, pictureSize } from './pictures'
import { putTogether, takeApart, type PngParts } from './png-chunks'

const png = (width: number, height: number, channels: 1 | 2 | 3 | 4, data: Uint8Array | Uint16Array): string =>
  pictureAddress(encode({ width, height, channels, depth: data instanceof Uint16Array ? 16 : 8, data }))
const SMALL = png(2, 1, 4, Uint8Array.of(255, 0, 0, 255, 0, 0, 255, 128))

const chunksOf = (address: string): PngParts['chunks'] => takeApart(pictureBytes(address), 'test').chunks
const refusal = (address: string): string => {
  try {
    cleanPicture(address, 'decal “x”')
  } catch (error) {
    expect(error).toBeInstanceOf(Fault)
    expect(error).toMatchObject({ code: 'bad-picture', place: 'decal “x”' })
    return (error as Fault).message
  }
  return 'taken'
}

describe('a picture', () => {
  it('gives every dot back, with and without colour and transparency', () => {
    const channels = fc.constantFrom<1 | 2 | 3 | 4>(1, 2, 3, 4)
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 1, max: 9 }),
        channels,
        fc.infiniteStream(fc.nat(255)),
        (w, h, n, stream) => {
          const data = Uint8Array.from({ length: w * h * n }, () => Number(stream.next().value))
          const { width, height, data: dots } = decodePicture(png(w, h, n, data))
          expect([width, height]).toEqual([w, h])
          for (let dot = 0; dot < w * h; dot++) {
            const [grey, isGrey] = [data[dot * n]!, n < 3]
            const rgb = isGrey ? [grey, grey, grey] : [...data.subarray(dot * n, dot * n + 3)]
            const alpha = n === 2 || n === 4 ? data[dot * n + n - 1]! : 255
            expect([...dots.subarray(dot * 4, dot * 4 + 4)]).toEqual([...rgb, alpha])
          }
        },
      ),
    )
  })

  it('of sixteen bits a value is brought to eight', () => {
    expect([...decodePicture(png(1, 1, 3, Uint16Array.of(0, 32768, 65535))).data]).toEqual([0, 128, 255, 255])
  })

  it('is unpacked once and measured without', () => {
    expect(picturePixels(SMALL)).toBe(picturePixels(SMALL))
    expect(pictureSize(SMALL)).toEqual({ width: 2, height: 1 })
  })
})

describe('on the way in', () => {
  it('loses its tail and what it is not drawn from, and nothing else', () => {
    const bytes = pictureBytes(SMALL)
    const text = putTogether([{ type: 'tEXt', data: new TextEncoder().encode('Place\u00001 North Street') }]).subarray(8)
    const told = Uint8Array.from([...bytes.subarray(0, 33), ...text, ...bytes.subarray(33), ...new TextEncoder().encode('<script>')])
    const clean = cleanPicture(pictureAddress(told))
    expect(atob(clean.split(',')[1]!)).not.toMatch(/North Street|script/)
    expect(decodePicture(clean)).toEqual(decodePicture(SMALL))
    expect(cleanPicture(SMALL)).toBe(SMALL)
  })

  it('is refused in a sentence where it is none, broken, interlaced or too large', () => {
    const [head, ...others] = chunksOf(SMALL)
    const withHead = (change: (view: DataView) => void): string => {
      const data = head!.data.slice()
      change(new DataView(data.buffer))
      return pictureAddress(putTogether([{ type: 'IHDR', data }, ...others]))
    }
    expect(refusal('data:image/gif;base64,R0lG')).toContain('no PNG')
    expect(refusal('data:image/png;base64,*')).toContain('base 64')
    expect(refusal(pictureAddress(pictureBytes(SMALL).subarray(0, 60)))).toContain('not whole')
    expect(refusal(withHead((view) => view.setUint8(12, 1)))).toContain('interlaced')
    expect(refusal(withHead((view) => view.setUint32(0, 2401)))).toContain('2400 dots')
    expect(refusal(withHead((view) => view.setUint32(0, 0)))).toContain('not whole')
    expect(refusal(withHead((view) => view.setUint32(4, 2)))).toContain('not whole')
  })

  it('never unpacks more than its size says', () => {
    const [head] = chunksOf(SMALL)
    const [, bomb] = chunksOf(png(2400, 2400, 4, new Uint8Array(2400 * 2400 * 4)))
    const packed = putTogether([head!, bomb!, { type: 'IEND', data: new Uint8Array(0) }])
    expect(refusal(pictureAddress(packed))).toContain('more than its size says')
  })
})
