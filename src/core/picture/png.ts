import { putTogether } from '../model'
import type { RgbImage } from './rgb-image'

/**
 * A picture's rows, each behind filter byte 0, as one zlib stream: the data of a PNG and of a PDF picture alike.
 *
 * @param stride bytes of a row
 */
export async function deflateRows(data: Uint8Array | Uint8ClampedArray, stride: number): Promise<Uint8Array> {
  const height = data.length / stride
  const rows = new Uint8Array((stride + 1) * height)
  for (let y = 0; y < height; y++) rows.set(data.subarray(y * stride, (y + 1) * stride), y * (stride + 1) + 1)
  return deflated(rows)
}

/** Bytes as a zlib stream. */
export async function deflated(bytes: Uint8Array<ArrayBuffer>): Promise<Uint8Array> {
  const stream = new Blob([bytes]).stream().pipeThrough(new CompressionStream('deflate'))
  return new Uint8Array(await new Response(stream).arrayBuffer())
}

/** PNG bytes: 8-bit RGB, no filter, no interlace. The same picture gives the same bytes in Node and in the browser. */
export async function encodePng(image: RgbImage): Promise<Uint8Array> {
  const header = new Uint8Array(13)
  const view = new DataView(header.buffer)
  view.setUint32(0, image.width)
  view.setUint32(4, image.height)
  header.set([8, 2, 0, 0, 0], 8)
  return putTogether([
    { type: 'IHDR', data: header },
    { type: 'IDAT', data: await deflateRows(image.data, image.width * 3) },
    { type: 'IEND', data: new Uint8Array(0) },
  ])
}
