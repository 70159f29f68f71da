import type { RgbImage } from './ink'

const SIGNATURE = [137, 80, 78, 71, 13, 10, 26, 10]

const CRC_TABLE = Uint32Array.from({ length: 256 }, (_, n) => {
  let c = n
  for (let k = 0; k < 8; k++) c = (c & 1) === 1 ? (c >>> 1) ^ 0xedb88320 : c >>> 1
  return c >>> 0
})

function crc(bytes: Uint8Array): number {
  let c = 0xffffffff
  for (const byte of bytes) c = CRC_TABLE[(c ^ byte) & 255]! ^ (c >>> 8)
  return (c ^ 0xffffffff) >>> 0
}

function chunk(type: string, body: Uint8Array): Uint8Array {
  const bytes = new Uint8Array(body.length + 12)
  const view = new DataView(bytes.buffer)
  view.setUint32(0, body.length)
  for (let i = 0; i < 4; i++) bytes[4 + i] = type.charCodeAt(i)
  bytes.set(body, 8)
  view.setUint32(body.length + 8, crc(bytes.subarray(4, body.length + 8)))
  return bytes
}

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
  const chunks = [
    Uint8Array.from(SIGNATURE),
    chunk('IHDR', header),
    chunk('IDAT', await deflateRows(image)),
    chunk('IEND', new Uint8Array(0)),
  ]
  const png = new Uint8Array(chunks.reduce((sum, part) => sum + part.length, 0))
  let at = 0
  for (const part of chunks) {
    png.set(part, at)
    at += part.length
  }
  return png
}
