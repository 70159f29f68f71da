import { createHash, randomUUID } from 'node:crypto'
import { mkdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { Fault } from '@core/fault'
import type { Bundle } from '@core/formats'

const ID = /^[a-f0-9]{24}$/

/** Published bundles as files, named by their content: the same booklet has the same address, and none is ever changed. */
export class BundleShelf {
  constructor(private readonly folder: string) {}

  async prepare(): Promise<void> {
    await mkdir(this.folder, { recursive: true })
  }

  /** Writes aside and renames, so that a reader never meets half a file. */
  async put(bundle: Bundle): Promise<{ id: string; isNew: boolean }> {
    const text = JSON.stringify(bundle)
    const id = createHash('sha256').update(text).digest('hex').slice(0, 24)
    const path = this.path(id)
    if (await exists(path)) return { id, isNew: false }
    const aside = `${path}.${randomUUID()}.tmp`
    try {
      await writeFile(aside, text, { flag: 'wx' })
      await rename(aside, path)
    } catch (error) {
      await rm(aside, { force: true })
      throw error
    }
    return { id, isNew: true }
  }

  /** @throws Fault `no-bundle` when there is none with this id */
  async get(id: string): Promise<string> {
    if (!ID.test(id)) throw missing()
    try {
      return await readFile(this.path(id), 'utf8')
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code === 'ENOENT') throw missing()
      throw error
    }
  }

  private path(id: string): string {
    return join(this.folder, `${id}.json`)
  }
}

const missing = (): Fault =>
  new Fault('no-bundle', 'There is no booklet at this address.', { wayOut: 'Ask the designer for the link again.' })

const exists = (path: string): Promise<boolean> =>
  stat(path).then(
    () => true,
    () => false,
  )
