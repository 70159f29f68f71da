import { defineStore } from 'pinia'
import { computed, ref, shallowRef, type Ref } from 'vue'
import { BASE_CATALOGUE } from '@core/catalogue'
import { Fault } from '@core/fault'
import { readAliases, writeAliases } from '@core/names'
import { LIMITS } from '@core/model'

import { say, sayCount } from '../language'
import { toBytes, type BackupPreview } from '../../workers/plan-messages'
import type { Publication } from '../storage/database'
import type { Library } from '../storage/library'
import { useLibrary } from '../storage/open-library'
import { ReaderClient } from '../workers/reader-client'
import { useOwnNames } from './own-names'

/** Larger backups are refused, bytes. */
const MOST_BYTES = 512 * 1024 * 1024
const DAY_MS = 24 * 3600 * 1000

/** In a worker of its own, which is closed behind it. */
async function withReader<Value>(working: Ref<string>, what: string, act: (reader: ReaderClient) => Promise<Value>): Promise<Value> {
  const reader = new ReaderClient()
  working.value = what
  try {
    return await act(reader)
  } finally {
    working.value = ''
    reader.close()
  }
}

/** Everything of this browser in one file, and back: models, photos, own names, own shapes, settings. */
export const useBackup = defineStore('backup', () => {
  const names = useOwnNames()
  /** What was read and is not put on the shelf yet. */
  const found = shallowRef<BackupPreview | null>(null)
  const fileName = ref('')
  const working = ref('')
  const savedAt = ref(0)

  async function load(): Promise<void> {
    savedAt.value = await (await useLibrary()).lastBackup()
  }

  const ago = computed(() => agoWords(savedAt.value, Date.now()))

  const alone = <Value>(what: string, act: (reader: ReaderClient) => Promise<Value>): Promise<Value> => withReader(working, what, act)

  /** Everything as a zip. */
  async function make(): Promise<Uint8Array<ArrayBuffer>> {
    const library = await useLibrary()
    await names.load()
    const { states, settings } = await everything(library)
    const beside = { names: writeAliases(names.aliases), settings: { ...settings, showsOwnNames: names.isShown } }
    return alone(say('stores.packingEverything'), (reader) => reader.writeBackup({ made: new Date().toISOString(), states, ...beside }))
  }
  async function markSaved(): Promise<void> {
    savedAt.value = Date.now()
    await (await useLibrary()).markBackup(savedAt.value)
  }

  /** Reads a backup, to be looked at. @throws Fault; nothing has changed then */
  async function look(file: File): Promise<void> {
    if (file.size > MOST_BYTES) throw new Fault('too-large', 'The backup is larger than 512 MiB.', { place: file.name })
    const bytes = new Uint8Array(await file.arrayBuffer())
    const read = await alone(say('common.reading', { name: file.name }), (reader) => reader.readBackup(bytes))
    if (read.names !== undefined) readAliases(read.names, BASE_CATALOGUE)
    found.value = read
    fileName.value = file.name
  }
  /** Puts what was read on the shelf, all of it or nothing; names that are known already stay. @returns ids of the models */
  async function accept(): Promise<string[]> {
    const backup = found.value
    if (!backup) return []
    const folders = foldersIn(backup.settings)
    const added = await (
      await useLibrary()
    ).addAll(backup.models.map(({ name, bytes }, i) => ({ name, bytes, ...(folders[i] ? { folder: folders[i] } : {}) })))
    if (backup.names !== undefined) {
      await names.load()
      const known = new Set(names.aliases.map(({ kind, id }) => `${kind} ${id}`))
      const fresh = readAliases(backup.names, BASE_CATALOGUE).filter(({ kind, id }) => !known.has(`${kind} ${id}`))
      if (fresh.length > 0) await names.replaceAll([...names.aliases, ...fresh])
    }
    const { showsOwnNames } = (backup.settings ?? {}) as { showsOwnNames?: unknown }
    if (typeof showsOwnNames === 'boolean') await names.show(showsOwnNames)
    await restoreBooks(backup.settings)
    const ids = added.map(({ id }) => id)
    await restorePublications(backup.settings, ids)
    await (await proofBackup()).restoreProofs(await useLibrary(), backup.settings, ids)
    found.value = null
    return ids
  }
  const leave = (): void => void (found.value = null)

  return { found, fileName, working, ago, savedAt, load, make, markSaved, look, accept, leave }
})

/** The reader of logs is larger than the whole shelf: fetched when somebody saves or restores. */
const proofBackup = () => import('./backup-proofs')

/** All models as they stand, and what belongs to them or to nobody. */
async function everything(library: Library) {
  const stored = await library.list()
  const states: Uint8Array<ArrayBuffer>[] = []
  for (const { id } of stored) states.push(toBytes((await library.open(id)).state))
  const settings = {
    books: await library.books(),
    folders: stored.map(({ folder = '' }) => folder),
    publications: publicationsOf(await library.publications(), stored),
    proofs: await (await proofBackup()).proofsOf(library, stored),
  }
  return { states, settings }
}

/** The readers of books are fetched only where there are any. */
async function restoreBooks(settings: unknown): Promise<void> {
  const { books } = (settings ?? {}) as { books?: unknown }
  if (books === undefined) return
  const { useBooks } = await import('./books')
  await useBooks().restore(books)
}

/** Publications name their model by its place in the backup, since ids are new on each shelf. */
const publicationsOf = (publications: readonly Publication[], stored: readonly { readonly id: string }[]): object[] =>
  publications.map((each) => ({ ...each, model: stored.findIndex(({ id }) => id === each.model) }))

async function restorePublications(settings: unknown, models: readonly string[]): Promise<void> {
  const { publications } = (settings ?? {}) as { publications?: unknown }
  if (!Array.isArray(publications)) return
  const found = publications.map((each: unknown) => publicationIn(each, models)).filter((each) => each !== undefined)
  if (found.length === 0) return
  const { usePublications } = await import('./publications')
  await usePublications().restore(found)
}

/** @returns undefined for what is none */
function publicationIn(value: unknown, models: readonly string[]): Publication | undefined {
  const { id, model, ownerToken, name, publishedAt, version, isWithdrawn, reviewKey } = (value ?? {}) as Partial<
    Record<keyof Publication, unknown>
  >
  if (typeof id !== 'string' || typeof ownerToken !== 'string' || typeof name !== 'string') return undefined
  return {
    id,
    ownerToken,
    name: name.slice(0, LIMITS.nameLength),
    model: models[Number(model)] ?? '',
    publishedAt: Number(publishedAt) || 0,
    version: Number(version) || 1,
    ...(isWithdrawn === true ? { isWithdrawn } : {}),
    ...(typeof reviewKey === 'string' ? { reviewKey } : {}),
  }
}

/** The folder of each model of a backup, in their order; those of earlier backups have none. */
function foldersIn(settings: unknown): string[] {
  const { folders } = (settings ?? {}) as { folders?: unknown }
  return Array.isArray(folders) ? folders.map((name: unknown) => (typeof name === 'string' ? name.slice(0, LIMITS.nameLength) : '')) : []
}

/** "Saved to a file 3 days ago." */
function agoWords(savedAt: number, now: number): string {
  if (savedAt === 0) return say('stores.neverSavedToAFile')
  const days = Math.floor((now - savedAt) / DAY_MS)
  return days === 0 ? say('stores.savedToAFileToday') : say('stores.savedToAFileAgo', { days: sayCount('count.days', days) })
}

/** Asks the browser not to clear what it keeps when its disk runs short. */
export async function keepForGood(): Promise<boolean> {
  try {
    return (await navigator.storage?.persist?.()) === true
  } catch {
    return false
  }
}
