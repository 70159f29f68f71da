import { convertIndexedToRgb, decode, hasPngSignature } from 'fast-png'
import { Fault } from '../fault'
import { fromBase64, toBase64 } from './base64'
import { checkRows, putTogether, takeApart, type PngParts } from './png-chunks'

/** A picture with transparency: four bytes a dot, rows from the top. */
export interface RgbaImage {
  readonly width: number
  readonly height: number
  readonly data: Uint8Array
}

const HEAD = 'data:image/png;base64,'
/** More dots each way than this are refused: 2,400 dots print 10 cm at 600 dpi. */
const MOST_DOTS = 2400

/** @throws Fault `bad-picture` for anything but a sound PNG as a data address */
export function decodePicture(address: string, place = 'picture'): RgbaImage {
  const bytes = pictureBytes(address, place)
  const parts = takeApart(bytes, place)
  refuseTooLarge(parts, place)
  checkRows(parts, place)
  try {
    return toRgba(decode(bytes))
  } catch (error) {
    throw badPicture(`cannot be read (${error instanceof Error ? error.message : String(error)})`, place)
  }
}

/** The bytes of a PNG in a data address. @throws Fault `bad-picture` */
export function pictureBytes(address: string, place = 'picture'): Uint8Array<ArrayBuffer> {
  if (!address.startsWith(HEAD)) throw badPicture('is no PNG in a data address', place)
  const bytes = fromBase64(address.slice(HEAD.length))
  if (!bytes) throw badPicture('is not written in base 64', place)
  if (bytes.length < 33 || !hasPngSignature(bytes)) throw badPicture('is no PNG', place)
  return bytes
}

/** A data address of PNG bytes. */
export const pictureAddress = (bytes: Uint8Array): string => HEAD + toBase64(bytes)

/**
 * How many dots a picture has each way: they stand at fixed places, so that one that is too large is never unpacked.
 * @throws Fault `bad-picture`
 */
export function pictureSize(address: string, place = 'picture'): { width: number; height: number } {
  const parts = takeApart(pictureBytes(address, place), place)
  refuseTooLarge(parts, place)
  return { width: parts.width, height: parts.height }
}

/**
 * A sound picture with nothing in it but what is drawn: the same address where it had nothing else.
 * @throws Fault `bad-picture`
 */
export function cleanPicture(address: string, place = 'picture'): string {
  const bytes = pictureBytes(address, place)
  const parts = takeApart(bytes, place)
  refuseTooLarge(parts, place)
  checkRows(parts, place)
  const clean = putTogether(parts.chunks)
  return clean.length === bytes.length ? address : pictureAddress(clean)
}

function refuseTooLarge({ width, height }: PngParts, place: string): void {
  if (width > MOST_DOTS || height > MOST_DOTS) throw badPicture(`has more than ${MOST_DOTS} dots each way`, place)
}

type Decoded = ReturnType<typeof decode>

function toRgba(picture: Decoded): RgbaImage {
  const { width, height } = picture
  if (!picture.palette && picture.depth < 8) throw new Error('fewer than 256 greys')
  const channels = picture.palette ? (picture.palette[0]?.length ?? 3) : picture.channels
  const values = picture.palette ? convertIndexedToRgb(picture) : picture.data
  const most = picture.palette ? 255 : 2 ** picture.depth - 1
  const data = new Uint8Array(width * height * 4)
  for (let dot = 0; dot < width * height; dot++) {
    const at = dot * channels
    const byte = (i: number): number => Math.round((values[at + i]! * 255) / most)
    const isGrey = channels < 3
    data[dot * 4] = byte(0)
    data[dot * 4 + 1] = byte(isGrey ? 0 : 1)
    data[dot * 4 + 2] = byte(isGrey ? 0 : 2)
    data[dot * 4 + 3] = channels === 2 ? byte(1) : channels === 4 ? byte(3) : 255
  }
  return { width, height, data }
}

const badPicture = (what: string, place: string): Fault =>
  new Fault('bad-picture', `The picture ${what}.`, { place, wayOut: 'Attach it again from a PNG, JPEG or SVG file.' })

const decoded = new Map<string, RgbaImage>()
/** Pictures kept unpacked at most. */
const MOST_KEPT = 60

/** The dots of a checked picture; kept, since it is drawn again and again. */
export function picturePixels(address: string): RgbaImage {
  let known = decoded.get(address)
  if (!known) {
    known = decodePicture(address)
    if (decoded.size >= MOST_KEPT) decoded.delete(decoded.keys().next().value!)
    decoded.set(address, known)
  }
  return known
}
