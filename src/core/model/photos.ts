import { Fault } from '../fault'
import { fromBase64, toBase64 } from './base64'
import { pngChunks } from './png-chunks'
import type { Photo } from './types'

const ADDRESS = /^data:(image\/(?:jpeg|png|webp));base64,([A-Za-z0-9+/]+={0,2})$/
/** A file beside the model, as in a backup: a plain name, no way to somewhere else. */
const FILE_NAME = /^(?!\.)[^/\\:*?"<>|\p{Cc}]{1,120}\.(?:jpe?g|png|webp)$/iu

/** Whether a photo is a file beside the model, and not in it. */
export const isBeside = ({ file }: Pick<Photo, 'file'>): boolean => FILE_NAME.test(file)

/** The bytes of a photo that is in the model. @throws Fault `bad-photo` */
export function photoBytes(file: string, place = 'photo'): { readonly type: PhotoType; readonly bytes: Uint8Array<ArrayBuffer> } {
  const found = ADDRESS.exec(file)
  if (!found) throw badPhoto('is neither a JPEG, PNG or WebP in a data address nor the name of a file beside the model', place)
  const bytes = fromBase64(found[2]!)
  if (!bytes) throw badPhoto('is not written in base 64', place)
  const type = found[1] as PhotoType
  if (typeOfPhoto(bytes) !== type) throw badPhoto('is not what its address says', place)
  return { type, bytes }
}

type PhotoType = 'image/jpeg' | 'image/png' | 'image/webp'

/** What sort of photo bytes are; nothing where they are none that is taken. */
export function typeOfPhoto(bytes: Uint8Array): PhotoType | undefined {
  const starts = (at: number, ...values: number[]): boolean => values.every((value, i) => bytes[at + i] === value)
  if (starts(0, 0xff, 0xd8, 0xff)) return 'image/jpeg'
  if (starts(0, 0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10)) return 'image/png'
  return starts(0, 0x52, 0x49, 0x46, 0x46) && starts(8, 0x57, 0x45, 0x42, 0x50) ? 'image/webp' : undefined
}

/** Whether bytes are a photo of the kind that telephones make and no browser shows everywhere (an `ftyp` box of the HEIF family). */
export const isHeic = (bytes: Uint8Array): boolean =>
  ['ftypheic', 'ftypheix', 'ftypmif1', 'ftypmsf1', 'ftyphevc', 'ftypavif'].includes(String.fromCharCode(...bytes.subarray(4, 12)))

/** A data address of photo bytes. */
export const photoAddress = (bytes: Uint8Array, type: PhotoType): string => `data:${type};base64,${toBase64(bytes)}`

/**
 * The same photo without anything that is not drawn: no place, no time, no camera, no words. A JPEG keeps how it is turned, since
 * whoever shows it must know.
 * @throws Fault `bad-photo` where it is not whole
 */
export function withoutMetadata(bytes: Uint8Array, place = 'photo'): Uint8Array {
  const type = typeOfPhoto(bytes)
  if (type === 'image/jpeg') return cleanJpeg(bytes, place)
  if (type === 'image/png') return cleanPng(bytes, place)
  if (type === 'image/webp') return cleanWebp(bytes, place)
  throw badPhoto('is no JPEG, PNG or WebP', place)
}

const START_OF_SCAN = 0xda
const APP_0 = 0xe0
const APP_15 = 0xef
const COMMENT = 0xfe
/** What colours mean stands in the segments APP0 and APP14, and in the profile of APP2. */
const KEPT = new Set([0xe0, 0xe2, 0xee])

function cleanJpeg(bytes: Uint8Array, place: string): Uint8Array {
  const kept: Uint8Array[] = [bytes.subarray(0, 2)]
  const turned = orientationOf(bytes)
  if (turned > 1) kept.push(orientationSegment(turned))
  for (let at = 2; ;) {
    if (at + 4 > bytes.length || bytes[at] !== 0xff) throw badPhoto('is not whole', place)
    const marker = bytes[at + 1]!
    if (marker === 0xff) {
      at++
      continue
    }
    if (marker === START_OF_SCAN) {
      kept.push(bytes.subarray(at, endOfJpeg(bytes, at)))
      break
    }
    const length = (bytes[at + 2]! << 8) | bytes[at + 3]!
    const end = at + 2 + length
    if (length < 2 || end > bytes.length) throw badPhoto('is not whole', place)
    const isMetadata = marker === COMMENT || (marker >= APP_0 && marker <= APP_15 && !KEPT.has(marker))
    if (!isMetadata) kept.push(bytes.subarray(at, end))
    at = end
  }
  return joined(kept)
}

/** Behind the end mark some cameras hang more. */
function endOfJpeg(bytes: Uint8Array, from: number): number {
  for (let at = from; at + 1 < bytes.length; at++) if (bytes[at] === 0xff && bytes[at + 1] === 0xd9) return at + 2
  return bytes.length
}

type ByteOrder = 'big' | 'little'

/** Two bytes as a number; past the end stand zeros. */
function shortAt(bytes: Uint8Array, at: number, order: ByteOrder = 'big'): number {
  const [first, second] = [bytes[at] ?? 0, bytes[at + 1] ?? 0]
  return order === 'little' ? (second << 8) | first : (first << 8) | second
}

function longAt(bytes: Uint8Array, at: number, order: ByteOrder = 'big'): number {
  const [first, second] = [shortAt(bytes, at, order), shortAt(bytes, at + 2, order)]
  return order === 'little' ? second * 65_536 + first : first * 65_536 + second
}

/** How a JPEG is turned, 1 to 8 as its tag says; 1 where none does. What is torn says nothing. */
export function orientationOf(bytes: Uint8Array): number {
  for (let at = 2; at + 10 < bytes.length && bytes[at] === 0xff && bytes[at + 1] !== START_OF_SCAN; at += 2 + shortAt(bytes, at + 2)) {
    if (bytes[at + 1] !== 0xe1 || longAt(bytes, at + 4) !== 0x45786966) continue
    const tiff = at + 10
    const order: ByteOrder = shortAt(bytes, tiff) === 0x4949 ? 'little' : 'big'
    const first = tiff + longAt(bytes, tiff + 4, order)
    const count = shortAt(bytes, first, order)
    for (let i = 0; i < count && first + 14 + i * 12 <= bytes.length; i++) {
      const entry = first + 2 + i * 12
      if (shortAt(bytes, entry, order) === 0x0112) return Math.min(8, Math.max(1, shortAt(bytes, entry + 8, order)))
    }
  }
  return 1
}

/** How far a JPEG is turned by its tag, quarters clockwise; what is mirrored is shown as it lies. */
const QUARTERS: Readonly<Record<number, 0 | 1 | 2 | 3>> = { 3: 2, 6: 1, 8: 3 }

/**
 * How large a PNG or JPEG is as it is seen, px, and how far it lies turned, quarters clockwise.
 *
 * @throws Fault `bad-photo` where a JPEG does not say how large it is
 */
export function photoSize(
  bytes: Uint8Array,
  type: PhotoType,
): { readonly width: number; readonly height: number; readonly quarters: 0 | 1 | 2 | 3 } {
  if (type !== 'image/jpeg') return { width: longAt(bytes, 16), height: longAt(bytes, 20), quarters: 0 }
  const quarters = QUARTERS[orientationOf(bytes)] ?? 0
  for (let at = 2; at + 9 < bytes.length && bytes[at] === 0xff; at += 2 + shortAt(bytes, at + 2)) {
    const marker = bytes[at + 1]!
    // Frames of all codings, but for the tables that lie among their numbers.
    if (marker < 0xc0 || marker > 0xcf || marker === 0xc4 || marker === 0xc8 || marker === 0xcc) continue
    const [height, width] = [shortAt(bytes, at + 5), shortAt(bytes, at + 7)]
    return quarters % 2 === 1 ? { width: height, height: width, quarters } : { width, height, quarters }
  }
  throw badPhoto('does not say how large it is', 'photo')
}

/** A segment that says nothing but how the photo is turned. */
function orientationSegment(turned: number): Uint8Array {
  const head = [0xff, 0xe1, 0, 34, 0x45, 0x78, 0x69, 0x66, 0, 0]
  const tiff = [0x4d, 0x4d, 0, 42, 0, 0, 0, 8, 0, 1, 0x01, 0x12, 0, 3, 0, 0, 0, 1, 0, turned, 0, 0, 0, 0, 0, 0]
  return Uint8Array.from([...head, ...tiff])
}

const PNG_DRAWN = new Set(['IHDR', 'PLTE', 'tRNS', 'IDAT', 'IEND', 'gAMA', 'cHRM', 'sRGB', 'iCCP'])

const cleanPng = (bytes: Uint8Array, place: string): Uint8Array =>
  joined([
    bytes.subarray(0, 8),
    ...pngChunks(bytes, () => badPhoto('is not whole', place)).flatMap(({ type, whole }) => (PNG_DRAWN.has(type) ? [whole] : [])),
  ])

function cleanWebp(bytes: Uint8Array, place: string): Uint8Array {
  const kept: Uint8Array[] = []
  for (let at = 12; at + 8 <= bytes.length;) {
    const size = longAt(bytes, at + 4, 'little')
    const end = at + 8 + size + (size & 1)
    if (at + 8 + size > bytes.length) throw badPhoto('is not whole', place)
    const name = String.fromCharCode(...bytes.subarray(at, at + 4))
    if (name === 'VP8X') {
      const chunk = bytes.slice(at, end)
      // The marks for EXIF and XMP.
      chunk[8]! &= ~0x0c
      kept.push(chunk)
    } else if (name !== 'EXIF' && name !== 'XMP ') kept.push(bytes.subarray(at, Math.min(end, bytes.length)))
    at = end
  }
  const body = joined(kept)
  const whole = joined([bytes.subarray(0, 12), body])
  const size = body.length + 4
  whole.set([size & 255, (size >> 8) & 255, (size >> 16) & 255, size >>> 24], 4)
  return whole
}

function joined(pieces: readonly Uint8Array[]): Uint8Array<ArrayBuffer> {
  const whole = new Uint8Array(pieces.reduce((sum, { length }) => sum + length, 0))
  let at = 0
  for (const piece of pieces) {
    whole.set(piece, at)
    at += piece.length
  }
  return whole
}

/** A photo with nothing in it but what is drawn; the same where that is so already, and where it stands beside the model. @throws Fault `bad-photo` */
export function cleanPhoto<P extends Pick<Photo, 'file'>>(photo: P, place: string): P {
  if (isBeside(photo)) return photo
  const { bytes, type } = photoBytes(photo.file, place)
  const clean = withoutMetadata(bytes, place)
  return clean.length === bytes.length ? photo : { ...photo, file: photoAddress(clean, type) }
}

const badPhoto = (what: string, place: string): Fault =>
  new Fault('bad-photo', `The photo ${what}.`, { place, wayOut: 'Take a JPEG, PNG or WebP file.' })
