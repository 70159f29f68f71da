import { Fault } from '../fault'
import { LIMITS, type ModelDocument } from '../model'
import type { ReadFile, ReadOptions } from './format'
import { formatOf } from './registry'

/** "models/house.rail.json" → "house". */
const plainName = (fileName: string): string => fileName.replace(/^.*[\\/]/, '').replace(/(\.rail)?\.[a-z]+$/i, '')

/**
 * Reads a file by its extension, and tells what was understood.
 * @throws Fault `unknown-format`, `not-utf8`, `too-large`, or what the reader of the format throws
 */
export function readFile(bytes: Uint8Array, fileName: string, options: ReadOptions = {}): ReadFile {
  const { read } = formatOf(fileName, 'read')
  if (bytes.length > LIMITS.fileBytes) {
    throw new Fault('too-large', 'The file is larger than 64 MiB.', { place: fileName, wayOut: 'Split the model into several files.' })
  }
  return read(bytes, plainName(fileName).slice(0, LIMITS.nameLength), options)
}

/** The model of a file alone. @throws Fault as `readFile` does */
export const readModelFile = (bytes: Uint8Array, fileName: string): ModelDocument => readFile(bytes, fileName).model
