import { Unzlib } from 'fflate'
import { Fault } from '../fault'

/** A PNG taken apart without being unpacked: what it takes to draw it, and nothing else. */
export interface PngParts {
  readonly width: number
  readonly height: number
  /** Of one row, unpacked, filter byte included. */
  readonly rowBytes: number
  readonly chunks: readonly { readonly type: string; readonly data: Uint8Array }[]
}

const SIGNATURE = [137, 80, 78, 71, 13, 10, 26, 10]
/** What a picture is drawn from; all else (texts, times, places, colour profiles) is left out. */
const NEEDED = new Set(['IHDR', 'PLTE', 'tRNS', 'IDAT', 'IEND'])
/** Values of a dot, by colour type. */
const CHANNELS: Readonly<Record<number, number>> = { 0: 1, 2: 3, 3: 1, 4: 2, 6: 4 }
const MOST_CHUNKS = 10_000

const broken = (what: string, place: string): Fault =>
  new Fault('bad-picture', `The picture ${what}.`, { place, wayOut: 'Attach it again from a PNG, JPEG or SVG file.' })

/** One chunk of a PNG: its data, and the whole of it with length and check value. */
interface PngChunk {
  readonly type: string
  readonly data: Uint8Array
  readonly whole: Uint8Array
}

/** All chunks up to the end mark, in their order; what hangs behind it is left out. @param torn made and thrown where they are not whole */
export function pngChunks(bytes: Uint8Array, torn: () => Fault): PngChunk[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const chunks: PngChunk[] = []
  for (let at = 8; ;) {
    if (chunks.length > MOST_CHUNKS || at + 12 > bytes.length) throw torn()
    const length = view.getUint32(at)
    if (length > bytes.length - at - 12) throw torn()
    const type = String.fromCharCode(...bytes.subarray(at + 4, at + 8))
    chunks.push({ type, data: bytes.subarray(at + 8, at + 8 + length), whole: bytes.subarray(at, at + 12 + length) })
    at += 12 + length
    if (type === 'IEND') return chunks
  }
}

/** @throws Fault `bad-picture` where the chunks do not make a picture */
export function takeApart(bytes: Uint8Array, place: string): PngParts {
  if (bytes.length < 57 || SIGNATURE.some((byte, i) => bytes[i] !== byte)) throw broken('is no PNG', place)
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const chunks = pngChunks(bytes, () => broken('is not whole', place)).filter(({ type }) => NEEDED.has(type))
  const head = chunks[0]!
  if (head.type !== 'IHDR' || head.data.length !== 13 || !chunks.some(({ type }) => type === 'IDAT')) throw broken('is not whole', place)
  const [width, height] = [view.getUint32(16), view.getUint32(20)]
  const [depth, colour, interlace] = [head.data[8]!, head.data[9]!, head.data[12]!]
  const channels = CHANNELS[colour]
  if (channels === undefined || ![1, 2, 4, 8, 16].includes(depth) || width === 0 || height === 0) throw broken('is not whole', place)
  if (interlace !== 0) throw broken('is interlaced, which is not read here', place)
  return { width, height, rowBytes: 1 + Math.ceil((width * channels * depth) / 8), chunks }
}

/**
 * Unpacks the rows as a test, and stops as soon as more comes out than the picture has: what is packed a thousand times
 * smaller must not fill the memory.
 * @throws Fault `bad-picture` where more, less or something else comes out
 */
export function checkRows({ chunks, height, rowBytes }: PngParts, place: string): void {
  const most = height * rowBytes
  let out = 0
  let isWhole = false
  const unpacker = new Unzlib((data, isLast) => {
    out += data.length
    isWhole = isLast
    if (out > most) throw broken('holds more than its size says', place)
  })
  const packed = chunks.filter(({ type }) => type === 'IDAT')
  try {
    packed.forEach(({ data }, i) => {
      // In pieces, so that what comes out is counted as it comes.
      for (let from = 0; from === 0 || from < data.length; from += PIECE) {
        const isEnd = i === packed.length - 1 && from + PIECE >= data.length
        unpacker.push(data.slice(from, from + PIECE), isEnd)
      }
    })
  } catch (error) {
    if (error instanceof Fault) throw error
    throw broken(`cannot be unpacked (${error instanceof Error ? error.message : String(error)})`, place)
  }
  if (out !== most || !isWhole) throw broken('is not whole', place)
}

/** Bytes unpacked at once: at most some 4 MB come out of them before it is asked whether that is too much. */
const PIECE = 4096

/** The picture again from what it is drawn from: no text, no place, no tail behind its end survives. */
export function putTogether(chunks: PngParts['chunks']): Uint8Array<ArrayBuffer> {
  const length = chunks.reduce((sum, { data }) => sum + data.length + 12, 8)
  const bytes = new Uint8Array(length)
  const view = new DataView(bytes.buffer)
  bytes.set(SIGNATURE)
  let at = 8
  for (const { type, data } of chunks) {
    view.setUint32(at, data.length)
    for (let i = 0; i < 4; i++) bytes[at + 4 + i] = type.charCodeAt(i)
    bytes.set(data, at + 8)
    view.setUint32(at + 8 + data.length, crc(bytes.subarray(at + 4, at + 8 + data.length)))
    at += 12 + data.length
  }
  return bytes
}

const TABLE = Uint32Array.from({ length: 256 }, (_, n) => {
  let value = n
  for (let k = 0; k < 8; k++) value = value & 1 ? 0xedb88320 ^ (value >>> 1) : value >>> 1
  return value
})

/** The check value of a chunk (ISO 3309). */
function crc(bytes: Uint8Array): number {
  let value = 0xffffffff
  for (const byte of bytes) value = TABLE[(value ^ byte) & 0xff]! ^ (value >>> 8)
  return (value ^ 0xffffffff) >>> 0
}
