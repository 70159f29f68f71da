import { Fault } from '../fault'
import { LIMITS, readModelText, type ModelDocument } from '../model'
import { readCsv } from './csv'

/** "house.rail.json" → "house". */
const plainName = (fileName: string): string => fileName.replace(/(\.rail)?\.[a-z]+$/i, '')

/** The text of a file. @throws Fault `too-large`, `not-utf8`: a broken file is never read with other letters in place of its own */
export function fileText(bytes: Uint8Array, fileName: string): string {
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
 * Reads a model by the extension of its file: `.rail.json`, `.json`, or `.csv`.
 * @throws Fault `unknown-format`, `not-utf8`, `too-large`, or what the reader of the format throws
 */
export function readModelFile(bytes: Uint8Array, fileName: string): ModelDocument {
  const lower = fileName.toLowerCase()
  if (lower.endsWith('.csv')) return readCsv(fileText(bytes, fileName), plainName(fileName).slice(0, LIMITS.nameLength))
  if (lower.endsWith('.json')) return readModelText(fileText(bytes, fileName))
  throw new Fault('unknown-format', 'This kind of file is not known.', {
    place: fileName,
    wayOut: 'Bring a .rail.json or a .csv file.',
  })
}
