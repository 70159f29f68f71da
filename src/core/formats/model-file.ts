import { Fault } from '../fault'
import { LIMITS, type ModelDocument } from '../model'
import { formatOf } from './registry'

/** "models/house.rail.json" → "house". */
const plainName = (fileName: string): string => fileName.replace(/^.*[\\/]/, '').replace(/(\.rail)?\.[a-z]+$/i, '')

/** The text of a file. @throws Fault `too-large`, `not-utf8`: a broken file is never read with other letters in place of its own */
function fileText(bytes: Uint8Array, fileName: string): string {
  if (bytes.length > LIMITS.fileBytes) {
    throw new Fault('too-large', 'The file is larger than 64 MiB.', { place: fileName, wayOut: 'Split the model into several files.' })
  }
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    throw new Fault('not-utf8', 'The file is not text in UTF-8.', { place: fileName, wayOut: 'Save it again as UTF-8.' })
  }
}

/**
 * Reads a model by the extension of its file.
 * @throws Fault `unknown-format`, `not-utf8`, `too-large`, or what the reader of the format throws
 */
export function readModelFile(bytes: Uint8Array, fileName: string): ModelDocument {
  const { read } = formatOf(fileName, 'read')
  return read(fileText(bytes, fileName), plainName(fileName).slice(0, LIMITS.nameLength))
}
