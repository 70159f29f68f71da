import { Fault } from '../fault'
import { listInWords } from '../words'
import { backupZip } from './backup/backup'
import type { Format, WritableFormat } from './format'
import { drawing } from './gltf/gltf'
import { partsTable } from './table/parts-table'
import { wordsLog } from './words-log'
import { railJson } from './rail-json'

/** Every format of model files. A new one is a file of its own and a line here. */
export const FORMATS: readonly Format[] = [railJson, partsTable, drawing, wordsLog, backupZip]

const extensionsOf = (format: Format, use: 'read' | 'write'): readonly string[] =>
  use === 'read' ? format.extensions : (format.written ?? format.extensions.slice(0, 1))

const extensionsFor = (use: 'read' | 'write'): string[] =>
  FORMATS.flatMap((format) => (format[use] ? extensionsOf(format, use).filter((each) => each !== '.json') : []))

/** What files to bring in may be called: ".rail.json", ".csv". */
export const READABLE = extensionsFor('read')

/** Formats that models go out in. */
export const WRITABLE: readonly WritableFormat[] = FORMATS.filter((format): format is WritableFormat => format.write !== undefined)

type Usable<Use extends 'read' | 'write'> = Format & Required<Pick<Format, Use>>

/**
 * The format of a file by its name.
 * @throws Fault `unknown-format` where none is read, or written, by that name
 */
export function formatOf<Use extends 'read' | 'write'>(fileName: string, use: Use): Usable<Use> {
  const lower = fileName.toLowerCase()
  const format = FORMATS.find((each) => each[use] && extensionsOf(each, use).some((extension) => lower.endsWith(extension)))
  if (format) return format as Usable<Use>
  const known = listInWords(extensionsFor(use), 'or')
  throw new Fault('unknown-format', 'This kind of file is not known.', {
    place: fileName,
    wayOut: use === 'read' ? `Bring a ${known} file.` : `Known: ${known}.`,
  })
}
