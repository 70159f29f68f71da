import { randomUUID } from 'node:crypto'
import { constants } from 'node:fs'
import { mkdir, open, readdir, rename, rm, stat } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import type { ObjectStore } from './object-store'

/** What is being written lies here, so that a reader never meets half a file. */
const ASIDE = 'aside'
/** Another server may still be writing what is younger, ms. */
const LEFT_BEHIND_MS = 3600 * 1000

const codeOf = (error: unknown): string | undefined => (error as NodeJS.ErrnoException).code

/** Objects as files in a folder, which several servers may share. */
export class FolderStore implements ObjectStore {
  constructor(
    private readonly folder: string,
    private readonly now: () => number = Date.now,
  ) {}

  async prepare(): Promise<void> {
    const aside = join(this.folder, ASIDE)
    await mkdir(aside, { recursive: true })
    for (const name of await readdir(aside)) {
      const path = join(aside, name)
      const { mtimeMs } = await stat(path).catch(() => ({ mtimeMs: Infinity }))
      if (this.now() - mtimeMs > LEFT_BEHIND_MS) await rm(path, { force: true })
    }
  }

  /** Nothing is read through a link that someone has laid in the folder. */
  async get(key: string): Promise<Buffer | undefined> {
    let file
    try {
      file = await open(join(this.folder, key), constants.O_RDONLY | constants.O_NOFOLLOW)
    } catch (error) {
      if (['ENOENT', 'ELOOP', 'ENOTDIR'].includes(codeOf(error)!)) return undefined
      throw error
    }
    try {
      return await file.readFile()
    } finally {
      await file.close()
    }
  }

  /** Writes aside, brings it to the disk and renames; then the folders, down from the first that was not there before. */
  async put(key: string, bytes: Uint8Array | string): Promise<void> {
    const path = join(this.folder, key)
    const aside = join(this.folder, ASIDE, randomUUID())
    try {
      await writeDurably(aside, bytes)
      const firstMade = await mkdir(dirname(path), { recursive: true })
      await rename(aside, path)
      for (let folder = dirname(path); ; folder = dirname(folder)) {
        await syncFolder(folder)
        if (firstMade === undefined || folder.length < firstMade.length || folder.length <= this.folder.length) break
      }
    } catch (error) {
      await rm(aside, { force: true })
      throw error
    }
  }

  async delete(key: string): Promise<void> {
    const path = join(this.folder, key)
    await rm(path, { force: true })
    await syncFolder(dirname(path)).catch((error: unknown) => {
      if (codeOf(error) !== 'ENOENT') throw error
    })
  }

  async list(prefix: string): Promise<string[]> {
    try {
      const entries = await readdir(join(this.folder, prefix), { withFileTypes: true })
      return entries
        .filter((entry) => entry.isFile())
        .map(({ name }) => prefix + name)
        .sort()
    } catch (error) {
      if (codeOf(error) === 'ENOENT') return []
      throw error
    }
  }

  async probe(): Promise<void> {
    const path = join(this.folder, ASIDE, randomUUID())
    try {
      await writeDurably(path, 'probe')
    } finally {
      await rm(path, { force: true })
    }
  }

  close(): Promise<void> {
    return Promise.resolve()
  }
}

async function writeDurably(path: string, bytes: Uint8Array | string): Promise<void> {
  const file = await open(path, 'wx')
  try {
    await file.writeFile(bytes)
    await file.sync()
  } finally {
    await file.close()
  }
}

async function syncFolder(folder: string): Promise<void> {
  const handle = await open(folder, constants.O_RDONLY)
  try {
    await handle.sync()
  } finally {
    await handle.close()
  }
}
