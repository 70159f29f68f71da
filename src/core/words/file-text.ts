import { Fault } from '../fault'

const MARKS = [
  { encoding: 'utf-8', bytes: [0xef, 0xbb, 0xbf] },
  { encoding: 'utf-16le', bytes: [0xff, 0xfe] },
  { encoding: 'utf-16be', bytes: [0xfe, 0xff] },
] as const

/**
 * The text of a file in UTF-8, or in UTF-16 where a byte-order mark says so.
 * @throws Fault `not-utf8`: a broken file is never read with other letters in place of its own
 */
export function fileText(bytes: Uint8Array): string {
  const mark = MARKS.find((each) => each.bytes.every((byte, i) => bytes[i] === byte))
  try {
    return new TextDecoder(mark?.encoding ?? 'utf-8', { fatal: true }).decode(bytes)
  } catch {
    throw new Fault('not-utf8', 'The file is not text in UTF-8.', { wayOut: 'Save it again as UTF-8.' })
  }
}
