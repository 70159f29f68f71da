import { strFromU8, strToU8, unzipSync, zipSync, type Zippable } from 'fflate'
import { Fault } from '../../fault'
import {
  isBeside,
  LIMITS,
  mapPhotos,
  photoAddress,
  photoBytes,
  readModelText,
  typeOfPhoto,
  type ModelDocument,
  type Photo,
} from '../../model'
import { fileText } from '../../words'
import { understood, type Format, type ReadFile } from '../format'
import { remarkOf, type Remark } from '../remark'
import { railJson } from '../rail-json'

/** One model of a backup; what else belongs to it (how its steps are laid) is kept as it was given. */
interface BackedUpModel {
  readonly model: ModelDocument
  readonly beside?: unknown
}

/** Everything of one browser. */
interface Backup {
  /** When it was made, ISO 8601. */
  readonly made: string
  readonly models: readonly BackedUpModel[]
  /** The designer's own names of pieces and colours, as a table. */
  readonly names?: string
  /** Settings of the application, as they are kept. */
  readonly settings?: unknown
}

const HEAD = 'backup.json'
const NAMES = 'names.csv'
/** Bytes of all files together, unpacked. */
const MOST_BYTES = 1024 * 1024 * 1024
const MOST_FILES = 20_000

interface BackupHead {
  readonly format: 'jump-rail-backup'
  readonly version: 1
  readonly made: string
  readonly models: readonly { readonly file: string; readonly beside?: unknown }[]
  readonly settings?: unknown
}

/** A backup as a zip: a model file for each model, photos beside them, names and settings. */
export function writeBackup({ made, models, names, settings }: Backup): Uint8Array<ArrayBuffer> {
  const files: Zippable = {}
  const photos = new Map<string, string>()
  const listed = models.map(({ model, beside }, i) => {
    const file = `models/${String(i + 1).padStart(3, '0')}-${plainName(model.name)}.rail.json`
    const lean = mapPhotos(model, (photo) => {
      if (isBeside(photo)) return photo
      let name = photos.get(photo.file)
      if (name === undefined) {
        const { bytes, type } = photoBytes(photo.file)
        name = `photo-${String(photos.size + 1).padStart(4, '0')}.${type === 'image/jpeg' ? 'jpg' : type.slice('image/'.length)}`
        photos.set(photo.file, name)
        // Photos are packed already.
        files[`photos/${name}`] = [bytes, { level: 0 }]
      }
      return { ...photo, file: name }
    })
    files[file] = strToU8(railJson.write(lean))
    return { file, ...(beside === undefined ? {} : { beside }) }
  })
  const head: BackupHead = { format: 'jump-rail-backup', version: 1, made, models: listed, ...(settings === undefined ? {} : { settings }) }
  files[HEAD] = strToU8(`${JSON.stringify(head, null, 1)}\n`)
  if (names !== undefined) files[NAMES] = strToU8(names)
  return zipSync(files, { mtime: new Date(made) })
}

const plainName = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .replace(/[^A-Za-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 40) || 'model'

/**
 * Reads a backup; a zip that holds model files and no head is read as well. Photos beside the models come back into them.
 * @throws Fault `not-a-backup`, `too-large`, or what a model file is refused for
 */
export function readBackup(bytes: Uint8Array): Backup {
  const files = unpack(bytes)
  const head = headOf(files)
  const names = files.get(NAMES)
  const photos = new Map([...files].map(([path, content]) => [path.replace(/^.*\//, ''), content]))
  const listed = head?.models ?? [...files.keys()].filter((path) => path.toLowerCase().endsWith('.rail.json')).map((file) => ({ file }))
  if (listed.length === 0) throw notABackup('holds no model file')
  const models = listed.map((entry): BackedUpModel => {
    const text = files.get(entry.file)
    if (!text) throw notABackup(`lacks “${entry.file}”`)
    const beside = 'beside' in entry ? { beside: entry.beside } : {}
    return { model: mapPhotos(readIn(text, entry.file), (photo) => withPhoto(photo, photos)), ...beside }
  })
  return {
    made: head?.made ?? '',
    models,
    ...(names ? { names: fileText(names) } : {}),
    ...(head?.settings === undefined ? {} : { settings: head.settings }),
  }
}

function readIn(bytes: Uint8Array, file: string): ModelDocument {
  try {
    return readModelText(fileText(bytes))
  } catch (thrown) {
    if (!(thrown instanceof Fault)) throw thrown
    throw new Fault(thrown.code, thrown.message, {
      place: thrown.place ? `${file}: ${thrown.place}` : file,
      ...(thrown.wayOut ? { wayOut: thrown.wayOut } : {}),
    })
  }
}

function withPhoto(photo: Photo, photos: ReadonlyMap<string, Uint8Array>): Photo {
  const content = isBeside(photo) ? photos.get(photo.file) : undefined
  const type = content && typeOfPhoto(content)
  return content && type ? { ...photo, file: photoAddress(content, type) } : photo
}

function unpack(bytes: Uint8Array): Map<string, Uint8Array> {
  let sum = 0
  let count = 0
  const isTaken = ({ name, originalSize }: { name: string; originalSize: number }): boolean => {
    sum += originalSize
    if (sum > MOST_BYTES || ++count > MOST_FILES) throw new Fault('too-large', 'The backup is larger than this program unpacks.')
    if (/\.json$/i.test(name) && originalSize > LIMITS.fileBytes)
      throw new Fault('too-large', 'The file is larger than 64 MiB.', { place: name })
    return !name.endsWith('/')
  }
  try {
    return new Map(Object.entries(unzipSync(bytes, { filter: isTaken })))
  } catch (thrown) {
    if (thrown instanceof Fault) throw thrown
    throw notABackup('cannot be unpacked: it is no zip, or not whole')
  }
}

function headOf(files: ReadonlyMap<string, Uint8Array>): BackupHead | undefined {
  const bytes = files.get(HEAD)
  if (!bytes) return undefined
  let head: Partial<BackupHead>
  try {
    head = JSON.parse(strFromU8(bytes)) as Partial<BackupHead>
  } catch {
    throw notABackup(`has a broken “${HEAD}”`)
  }
  const isWhole =
    head?.format === 'jump-rail-backup' &&
    head.version === 1 &&
    typeof head.made === 'string' &&
    Array.isArray(head.models) &&
    head.models.every((entry: unknown) => typeof (entry as { file?: unknown } | null)?.file === 'string')
  if (!isWhole) throw notABackup(`has a “${HEAD}” of another kind`)
  return head as BackupHead
}

const notABackup = (what: string): Fault =>
  new Fault('not-a-backup', `The zip ${what}.`, { wayOut: 'Take a backup that was saved from the shelf.' })

/** Photos that a model names and the backup lacks, and models that are left behind where one alone is read. */
function remarksOf({ models }: Backup): Remark[] {
  const missing: Remark[] = []
  for (const { model } of models.slice(0, 1)) {
    mapPhotos(model, (photo) => {
      if (isBeside(photo))
        missing.push(remarkOf({ place: model.name, said: photo.file, made: { key: 'read.photoMissing' }, needsPerson: true }))
      return photo
    })
  }
  const left = models
    .slice(1)
    .map(({ model }) =>
      remarkOf({ place: { key: 'read.inBackup' }, said: model.name, made: { key: 'read.modelStays' }, needsPerson: true }),
    )
  return [...missing, ...left]
}

/** A backup as a file that one model comes in: its first. */
export const backupZip = {
  id: 'backup',
  title: 'backup',
  short: 'backup',
  extensions: ['.zip'],
  mediaType: 'application/zip',
  about: 'Model files with their photos beside them, own names and settings: everything of one browser. One model is read: the first.',
  read(bytes): ReadFile {
    const backup = readBackup(bytes)
    const names = backup.models.map(({ model }) => model.name)
    return { ...understood(backup.models[0]!.model), report: { models: names }, remarks: remarksOf(backup) }
  },
} satisfies Format
