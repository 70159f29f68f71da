import { putTogether } from '../model'
import type { RgbImage } from './ink'

/** The picture's rows, each behind filter byte 0, as one zlib stream: the data of a PNG and of a PDF picture alike. */
export async function deflateRows(image: RgbImage): Promise<Uint8Array> {
  const stride = image.width * 3
  const rows = new Uint8Array((stride + 1) * image.height)
  for (let y = 0; y < image.height; y++) rows.set(image.data.subarray(y * stride, (y + 1) * stride), y * (stride + 1) + 1)
  const stream = new Blob([rows]).stream().pipeThrough(new CompressionStream('deflate'))
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
    { type: 'IDAT', data: await deflateRows(image) },
    { type: 'IEND', data: new Uint8Array(0) },
  ])
}
