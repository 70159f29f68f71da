import Dexie, { type Table } from 'dexie'
import { Fault } from '@core/fault'
import type { ModelDocument } from '@core/model'
import type { Alias } from '@core/names'
import type { PlanSettings } from '../../workers/planner.worker'

/** What the shelf shows of a model without opening it. */
export interface ShelfFacts {
  readonly parts: number
  readonly sections: number
  readonly steps: number
  readonly errors: number
  readonly warnings: number
}

export interface StoredModel {
  readonly id: string
  readonly name: string
  readonly model: ModelDocument
  /** Rises with every save; a save from an older one is refused. */
  readonly revision: number
  readonly updatedAt: number
  readonly deletedAt: number
  readonly facts?: ShelfFacts
  readonly picture?: Blob
  /** How its steps are laid; the usual way when missing. Not part of the model file. */
  readonly settings?: PlanSettings
}

export const USUAL_SETTINGS: PlanSettings = { strategy: 'ground-up', density: 'normal', effort: 'normal', level: 'home' }

/** The designer's own names, and whether they are shown beside ours. */
export interface OwnNames {
  readonly aliases: readonly Alias[]
  readonly isShown: boolean
}

class LibraryDatabase extends Dexie {
  models!: Table<StoredModel, string>
  /** One row once anything has stood here. */
  marks!: Table<{ readonly id: string }, string>
  /** One row: what the designer calls shapes and colours. */
  names!: Table<OwnNames & { readonly id: string }, string>

  constructor(name: string) {
    super(name)
    this.version(1).stores({ models: 'id, updatedAt, deletedAt', marks: 'id' })
    this.version(2).stores({ names: 'id' })
  }
}

const KEEP_DELETED_MS = 7 * 24 * 3600 * 1000

/** The models of this browser. Every method is one transaction. */
export class Library {
  private readonly db: LibraryDatabase

  constructor(name = 'jump-rail') {
    this.db = new LibraryDatabase(name)
  }

  /** Everything on the shelf, the latest first. */
  async list(): Promise<StoredModel[]> {
    const all = await this.db.models.orderBy('updatedAt').reverse().toArray()
    return all.filter((stored) => stored.deletedAt === 0)
  }

  /** @throws Fault `no-model` */
  async get(id: string): Promise<StoredModel> {
    const stored = await this.db.models.get(id)
    if (!stored || stored.deletedAt !== 0) throw new Fault('no-model', 'This model is not on the shelf.', { place: id })
    return stored
  }

  async add(model: ModelDocument, more: Partial<Pick<StoredModel, 'facts' | 'picture'>> = {}): Promise<StoredModel> {
    const stored: StoredModel = {
      id: crypto.randomUUID(),
      name: model.name,
      model,
      revision: 1,
      updatedAt: Date.now(),
      deletedAt: 0,
      ...more,
    }
    await this.db.transaction('rw', this.db.models, this.db.marks, async () => {
      await this.db.models.add(stored)
      await this.db.marks.put({ id: 'used' })
    })
    return stored
  }

  /**
   * Saves over the revision that was read. @returns the new revision
   * @throws Fault `changed-elsewhere` when another tab saved in between; nothing is overwritten
   */
  async save(id: string, revision: number, model: ModelDocument): Promise<number> {
    return this.db.transaction('rw', this.db.models, async () => {
      const stored = await this.db.models.get(id)
      if (!stored)
        throw new Fault('no-model', 'This model is no longer on the shelf.', { place: id, wayOut: 'Download the file to keep it.' })
      if (stored.revision !== revision) {
        throw new Fault('changed-elsewhere', 'This model was changed in another tab.', {
          wayOut: 'Reload to see that, or download this one as a file.',
        })
      }
      await this.db.models.put({ ...stored, model, name: model.name, revision: revision + 1, updatedAt: Date.now() })
      return revision + 1
    })
  }

  async describe(id: string, facts: ShelfFacts, picture?: Blob): Promise<void> {
    await this.db.models.update(id, picture ? { facts, picture } : { facts })
  }

  async keepSettings(id: string, settings: PlanSettings): Promise<void> {
    await this.db.models.update(id, { settings })
  }

  async ownNames(): Promise<OwnNames> {
    return (await this.db.names.get('own')) ?? { aliases: [], isShown: true }
  }

  async keepOwnNames({ aliases, isShown }: OwnNames): Promise<void> {
    await this.db.names.put({ id: 'own', aliases: [...aliases], isShown })
  }

  async remove(id: string): Promise<void> {
    await this.db.models.update(id, { deletedAt: Date.now() })
  }

  async restore(id: string): Promise<void> {
    await this.db.models.update(id, { deletedAt: 0 })
  }

  /** Whether anything was ever here: an emptied shelf stays empty. */
  async isNew(): Promise<boolean> {
    return (await this.db.marks.count()) === 0
  }

  async forgetOldDeletions(now = Date.now()): Promise<void> {
    await this.db.models
      .where('deletedAt')
      .between(1, now - KEEP_DELETED_MS)
      .delete()
  }
}

export const library = new Library()
