import { Fault } from '@core/fault'
import { FolderStore } from './folder-store'
import type { ObjectStore } from './object-store'

/** Store: where published booklets are kept, and how several servers change one of them in turn. */
export type { ObjectStore } from './object-store'
export { FolderStore } from './folder-store'
export { tellingStore } from './telling-store'
export { getJson } from './stored-json'
export { Turns } from './turns'

/**
 * Opens the store that the environment names: `s3://bucket/prefix`, or else a folder.
 * @throws Fault `bad-value` when the name is neither
 */
export async function openStore(name: string, environment: NodeJS.ProcessEnv = process.env): Promise<ObjectStore> {
  if (!/^[a-z0-9]+:\/\//i.test(name)) return new FolderStore(name)
  const [, bucket, prefix] = /^s3:\/\/([a-z0-9.-]{3,63})(?:\/(.*))?$/.exec(name) ?? []
  if (bucket === undefined)
    throw new Fault('bad-value', `“${name}” is no store.`, {
      place: 'JUMP_RAIL_STORE',
      wayOut: 'Write s3://bucket/prefix, or leave it out.',
    })
  const { S3Store } = await import('./s3-store')
  const within = (prefix ?? '').replace(/^\/+|\/+$/g, '')
  return new S3Store(bucket, within === '' ? '' : `${within}/`, environment['AWS_REGION'] ?? 'us-east-1')
}
