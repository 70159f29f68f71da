import { readFile, writeFile } from 'node:fs/promises'
import { Fault, type FaultCode } from '@core/fault'
import { readModelFile } from '@core/formats'
import type { ModelDocument } from '@core/model'

/** What the system says of a file, as a refusal. */
const systemFault = (code: FaultCode, what: string, path: string) => (error: NodeJS.ErrnoException) => {
  throw new Fault(code, `${what}: ${error.code ?? error.message}.`, { place: path })
}

/** Reads a model by its extension. @throws Fault when it is refused */
export async function load(path: string): Promise<ModelDocument> {
  return readModelFile(await readFile(path).catch(systemFault('no-file', 'The file cannot be read', path)), path)
}

/** @throws Fault `not-written` */
export async function save(path: string, content: string | Uint8Array): Promise<void> {
  await writeFile(path, content).catch(systemFault('not-written', 'The file cannot be written', path))
}
