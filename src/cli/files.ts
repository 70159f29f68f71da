import { readFile as readBytes, writeFile } from 'node:fs/promises'
import { basename, dirname, join } from 'node:path'
import { Fault, type FaultCode } from '@core/fault'
import { formatOf, readFile, type ReadFile, type ReadOptions } from '@core/formats'
import { asBuilt, documentOfVersion, type ModelDocument, type ToldTechniques, type VersionChoice } from '@core/model'

/** What the system says of a file, as a refusal. */
const systemFault = (code: FaultCode, what: string, path: string) => (error: NodeJS.ErrnoException) => {
  throw new Fault(code, `${what}: ${error.code ?? error.message}.`, { place: path })
}
export const bytesOf = (path: string): Promise<Uint8Array> => readBytes(path).catch(systemFault('no-file', 'The file cannot be read', path))

/** Which version is meant, and what is made of techniques where the file's own word does not hold. */
export interface LoadChoice extends VersionChoice {
  readonly techniques?: ToldTechniques
}

/**
 * Reads a model by its extension, as a version of it is built: copies that differ are sections of their own.
 * @throws Fault when it is refused
 */
export async function load(path: string, { techniques, ...version }: LoadChoice = {}): Promise<ModelDocument> {
  const model = asBuilt(documentOfVersion((await loadFile(path)).model, version))
  return techniques === undefined ? model : { ...model, techniques }
}

/** The same, with what was understood; files beside it are read where it names them. @throws Fault when it is refused */
export async function loadFile(path: string, options: ReadOptions = {}): Promise<ReadFile> {
  const { neighbours } = formatOf(path, 'read')
  const bytes = await bytesOf(path)
  const names = neighbours?.(bytes) ?? []
  const beside = await Promise.all(names.map(async (name) => [name, await bytesOf(neighbourPath(path, name))] as const))
  return readFile(bytes, path, { ...options, ...(beside.length > 0 ? { neighbours: new Map(beside) } : {}) })
}

/** A neighbour stands in the same folder: a name that leads elsewhere is refused. */
function neighbourPath(path: string, name: string): string {
  if (name !== basename(name) || name === '..' || name.includes('\\'))
    throw new Fault('no-file', 'The file names another outside its own folder.', { place: name, wayOut: 'Put both into one folder.' })
  return join(dirname(path), name)
}

/** @throws Fault `not-written` */
export async function save(path: string, content: string | Uint8Array): Promise<void> {
  await writeFile(path, content).catch(systemFault('not-written', 'The file cannot be written', path))
}
