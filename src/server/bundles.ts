import { createHash, randomUUID } from 'node:crypto'
import { constants } from 'node:fs'
import { mkdir, open, readdir, rename, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { Fault } from '@core/fault'

const ID = /^[a-f0-9]{24}$/
const LEFTOVER = /^[a-f0-9]{24}\.json\.[0-9a-f-]+\.tmp$/

const idOf = (text: string | Buffer): string => createHash('sha256').update(text).digest('hex').slice(0, 24)

/** Published bundles as files, named by their content: the same booklet has the same address, and none is ever changed. */
export class BundleShelf {
  constructor(private readonly folder: string) {}

  /** Makes the folder, and sweeps what a crash in mid-write has left. */
  async prepare(): Promise<void> {
    await mkdir(this.folder, { recursive: true })
    const leftovers = (await readdir(this.folder)).filter((name) => LEFTOVER.test(name))
    await Promise.all(leftovers.map((name) => rm(join(this.folder, name), { force: true })))
  }

  /**
   * Writes aside, brings it to the disk and renames, so that a reader never meets half a file and what was answered for is there
   * after a crash. A damaged one is mended by what is sent again.
   */
  async put(text: string): Promise<{ id: string; isNew: boolean }> {
    const id = idOf(text)
    if ((await this.read(id).catch(() => undefined)) !== undefined) return { id, isNew: false }
    const path = this.path(id)
    const aside = `${path}.${randomUUID()}.tmp`
    try {
      await writeDurably(aside, text)
      await rename(aside, path)
      await syncFolder(this.folder)
    } catch (error) {
      await rm(aside, { force: true })
      throw error
    }
    return { id, isNew: true }
  }

  /** @throws Fault `no-bundle` when there is none with this id, `damaged` when it is not what was published */
  async get(id: string): Promise<Buffer> {
    const bytes = ID.test(id) ? await this.read(id) : undefined
    if (!bytes) throw new Fault('no-bundle', 'There is no booklet at this address.', { wayOut: 'Ask the designer for the link again.' })
    return bytes
  }

  /** Nothing is read through a link that someone has laid in the folder. */
  private async read(id: string): Promise<Buffer | undefined> {
    let file
    try {
      file = await open(this.path(id), constants.O_RDONLY | constants.O_NOFOLLOW)
    } catch (error) {
      const { code } = error as NodeJS.ErrnoException
      if (code === 'ENOENT' || code === 'ELOOP') return undefined
      throw error
    }
    try {
      const bytes = await file.readFile()
      if (idOf(bytes) === id) return bytes
    } finally {
      await file.close()
    }
    throw new Fault('damaged', 'This booklet is damaged on the server.', { wayOut: 'Ask the designer to publish it again.' })
  }

  /** Tries to write, as publishing would. @throws where that fails */
  async probe(): Promise<void> {
    const path = join(this.folder, `${'0'.repeat(24)}.json.${randomUUID()}.tmp`)
    try {
      await writeDurably(path, 'probe')
    } finally {
      await rm(path, { force: true })
    }
  }

  private path(id: string): string {
    return join(this.folder, `${id}.json`)
  }
}

async function writeDurably(path: string, text: string): Promise<void> {
  const file = await open(path, 'wx')
  try {
    await file.writeFile(text)
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
