import Dexie from 'dexie'
import { applyChange, type Change } from '@core/change'
import { Fault } from '@core/fault'
import { fromBytes, type ModelState } from '../../workers/plan-messages'
import type { Books } from '@core/desk'
import type {
  LibraryDatabase,
  OwnNames,
  Publication,
  StoredChange,
  StoredDocument,
  StoredModel,
  StoredProof,
  StoredReport,
} from './database'

/** A model as it is opened. */
export interface OpenedModel {
  readonly stored: StoredModel
  readonly state: ModelState
  readonly changes: readonly StoredChange[]
  /** The report last shown, where it belongs to this state. */
  readonly report: Uint8Array<ArrayBuffer> | undefined
}

/** A model that comes onto the shelf: its state as bytes of JSON. */
export interface NewModel extends Pick<StoredModel, 'name'>, Partial<Pick<StoredModel, 'facts' | 'picture' | 'folder' | 'demo'>> {
  readonly bytes: Uint8Array<ArrayBuffer>
}

export type NewChange = Omit<StoredChange, 'model' | 'number'>

/** What is known after a change is saved. */
export interface Saved {
  readonly stored: StoredModel
  /** How many of the oldest changes are no longer kept. */
  readonly dropped: number
}

const KEEP_DELETED_MS = 7 * 24 * 3600 * 1000
/** Letters of changes kept for undo, for each model. */
const HISTORY_LETTERS = 8 * 1024 * 1024
/** After so many changes the state is written in full again, so that opening never replays more. */
const REPLAYED = 40

const sizeOf = ({ forward, back, label }: NewChange): number => forward.length + back.length + label.length

/** What a change comes with. */
export interface Appended {
  /** Of the model after it. */
  readonly name: string
  /** It takes the place of the last change, which it holds too. */
  readonly replaces: boolean
  /** The state after it, as bytes; asked only where it is written in full. */
  readonly after: () => Uint8Array<ArrayBuffer>
}

/** Of a range of keys: with its first and its last. */
const BOTH_ENDS = [true, true] as const

/** The models of this browser. Every method is one transaction. */
export class Library {
  constructor(
    private readonly db: LibraryDatabase,
    private readonly keeper: 'browser' | 'page' = 'browser',
  ) {}

  /** Whether what stands here is still there after the page is closed. */
  get isLasting(): boolean {
    return this.keeper === 'browser'
  }

  /** Everything on the shelf, the latest first. */
  async list(): Promise<StoredModel[]> {
    const all = await this.db.models.orderBy('updatedAt').reverse().toArray()
    return all.filter((stored) => stored.deletedAt === 0)
  }

  /** @throws Fault `no-model` */
  async open(id: string): Promise<OpenedModel> {
    const { models, documents, changes, reports } = this.db
    const [stored, document, kept, report] = await this.db.transaction('r', models, documents, changes, reports, () =>
      Promise.all([models.get(id), documents.get(id), changes.where('model').equals(id).sortBy('number'), reports.get(id)]),
    )
    if (!stored || !document || stored.deletedAt !== 0) throw new Fault('no-model', 'This model is not on the shelf.', { place: id })
    return {
      stored,
      changes: kept,
      state: stateAt(stored.cursor, document, kept),
      report: report?.revision === stored.revision ? report.bytes : undefined,
    }
  }

  /** Puts a model on the shelf. @param bytes its state as JSON */
  async add(name: string, bytes: Uint8Array<ArrayBuffer>, more: Omit<NewModel, 'name' | 'bytes'> = {}): Promise<StoredModel> {
    const [stored] = await this.addAll([{ name, bytes, ...more }])
    return stored!
  }

  /** Puts several models on the shelf, all or none; the first of them stands first. */
  async addAll(all: readonly NewModel[]): Promise<StoredModel[]> {
    const now = Date.now()
    const rows = all.map(({ bytes: _bytes, ...row }, i): StoredModel => ({
      id: crypto.randomUUID(),
      revision: 1,
      updatedAt: now - i,
      deletedAt: 0,
      cursor: 0,
      first: 1,
      historySize: 0,
      ...row,
    }))
    const { models, documents, marks } = this.db
    await this.db.transaction('rw', models, documents, marks, async () => {
      await models.bulkAdd(rows)
      await documents.bulkAdd(rows.map(({ id }, i) => ({ id, bytes: all[i]!.bytes, position: 0 })))
      await marks.put({ id: 'used' })
    })
    return rows
  }

  /** What a new browser begins with, all or none, and once: another tab may have begun meanwhile. */
  async addFirst(all: readonly NewModel[]): Promise<void> {
    const { models, documents, marks } = this.db
    await this.db.transaction('rw', models, documents, marks, async () => {
      if (await marks.get('begun')) return
      await marks.put({ id: 'begun' })
      await this.addAll(all)
    })
  }

  /**
   * Writes a change down after the last one that is done; what was undone before is gone.
   * @throws Fault `changed-elsewhere` when another tab saved in between, `no-model`; nothing is overwritten
   */
  async append(id: string, revision: number, change: NewChange, { name, replaces, after }: Appended): Promise<Saved> {
    const { models, documents, changes } = this.db
    return this.db.transaction('rw', models, documents, changes, async () => {
      const stored = await this.current(id, revision)
      const number = Math.max(stored.first, replaces ? stored.cursor : stored.cursor + 1)
      const gone = await this.changesFrom(id, number)
      await changes.bulkDelete(gone.map((old): [string, number] => [id, old.number]))
      await changes.put({ at: Date.now(), ...change, model: id, number })
      let historySize = stored.historySize - gone.reduce((sum, old) => sum + sizeOf(old), 0) + sizeOf(change)
      let { first } = stored
      while (historySize > HISTORY_LETTERS && first < number) {
        const oldest = await changes.get([id, first])
        if (oldest) historySize -= sizeOf(oldest)
        await changes.delete([id, first++])
      }
      const dropped = first - stored.first
      const { position } = (await documents.get(id))!
      if (position >= number || first > position + 1 || number - position > REPLAYED)
        await documents.put({ id, bytes: after(), position: number })
      const next = { ...stored, name, revision: revision + 1, updatedAt: Date.now(), cursor: number, first, historySize }
      const { unpainted: _unpainted, ...row } = next
      await models.put(row)
      return { stored: row, dropped }
    })
  }

  /** Undo and redo: the change with this number is the last one that is done. @throws Fault as `append` */
  async moveTo(id: string, revision: number, name: string, cursor: number): Promise<Saved> {
    return this.db.transaction('rw', this.db.models, async () => {
      const stored = await this.current(id, revision)
      const next = { ...stored, name, revision: revision + 1, updatedAt: Date.now(), cursor }
      await this.db.models.put(next)
      return { stored: next, dropped: 0 }
    })
  }

  private async current(id: string, revision: number): Promise<StoredModel> {
    const stored = await this.db.models.get(id)
    if (!stored || stored.deletedAt !== 0)
      throw new Fault('no-model', 'This model was taken off the shelf.', { place: id, wayOut: 'Download the file to keep it.' })
    if (stored.revision !== revision) throw new Fault('changed-elsewhere', 'This model was changed in another tab.')
    return stored
  }

  private changesFrom = (id: string, number: number): Promise<StoredChange[]> =>
    this.db.changes
      .where('[model+number]')
      .between([id, number], [id, Dexie.maxKey], ...BOTH_ENDS)
      .toArray()

  /** Keeps the report that belongs to a revision, so that it is shown at once next time; one of an older revision is passed over. */
  async keepReport(report: StoredReport): Promise<void> {
    await this.db.transaction('rw', this.db.models, this.db.reports, async () => {
      const stored = await this.db.models.get(report.id)
      if (stored?.revision === report.revision) await this.db.reports.put(report)
    })
  }

  /** Another model with the same state; its history begins anew. @throws Fault `no-model` */
  async duplicate(id: string, name: string, bytes: (state: ModelState) => Uint8Array<ArrayBuffer>): Promise<StoredModel> {
    const { stored, state } = await this.open(id)
    const { facts, picture, folder } = stored
    return this.add(name, bytes({ ...state, model: { ...state.model, name } }), {
      ...(facts ? { facts } : {}),
      ...(picture ? { picture } : {}),
      ...(folder ? { folder } : {}),
    })
  }

  /** Says of a revision what the shelf shows; nothing of what is stored changes. */
  async describe(
    id: string,
    more: Partial<Pick<StoredModel, 'facts' | 'picture' | 'unpainted' | 'describedAt' | 'folder'>>,
  ): Promise<void> {
    await this.db.models.update(id, more)
  }

  /** Writes the state in full as it is after the last change. @returns whether the revision is still that */
  async keepState(id: string, revision: number, bytes: Uint8Array<ArrayBuffer>): Promise<boolean> {
    return this.db.transaction('rw', this.db.models, this.db.documents, async () => {
      const stored = await this.db.models.get(id)
      if (stored?.revision !== revision) return false
      await this.db.documents.put({ id, bytes, position: stored.cursor })
      return true
    })
  }

  /** When everything was saved to a file last, ms; 0 where it never was. */
  async lastBackup(): Promise<number> {
    return (await this.db.marks.get('backup'))?.at ?? 0
  }
  async markBackup(at: number): Promise<void> {
    await this.db.marks.put({ id: 'backup', at })
  }

  /** Keeps the first order of a model that nobody has opened yet, with its report. */
  async keepFirst(id: string, revision: number, bytes: Uint8Array<ArrayBuffer>, report: Uint8Array<ArrayBuffer>): Promise<void> {
    const { models, documents, reports } = this.db
    await this.db.transaction('rw', models, documents, reports, async () => {
      const stored = await models.get(id)
      if (stored?.revision !== revision || stored.cursor !== 0) return
      await documents.put({ id, bytes, position: 0 })
      await reports.put({ id, revision, bytes: report })
    })
  }

  /** What was published from this browser, the latest first. */
  publications(): Promise<Publication[]> {
    return this.db.publications.orderBy('publishedAt').reverse().toArray()
  }
  async keepPublication(publication: Publication): Promise<void> {
    await this.db.publications.put(publication)
  }

  /** Proof builds of a model, oldest first. */
  async proofs(model: string): Promise<StoredProof[]> {
    const found = await this.db.proofs.where('model').equals(model).toArray()
    return found.sort((a, b) => a.run.date.localeCompare(b.run.date))
  }

  async keepProof(proof: StoredProof): Promise<void> {
    await this.db.proofs.put(proof)
  }

  async removeProof(id: string): Promise<void> {
    await this.db.proofs.delete(id)
  }

  /** What was changed in a model, oldest first, without the changes themselves; what was undone is left out. */
  async changesMade(model: string): Promise<Pick<StoredChange, 'number' | 'label' | 'at'>[]> {
    const { cursor = 0 } = (await this.db.models.get(model)) ?? {}
    const changes = await this.db.changes.where('model').equals(model).sortBy('number')
    return changes
      .filter(({ number }) => number <= cursor)
      .map(({ number, label, at }) => ({ number, label, ...(at === undefined ? {} : { at }) }))
  }

  async ownNames(): Promise<OwnNames> {
    return (await this.db.names.get('own')) ?? { aliases: [], isShown: true }
  }

  async keepOwnNames({ aliases, isShown }: OwnNames): Promise<void> {
    await this.db.names.put({ id: 'own', aliases: [...aliases], isShown })
  }

  async books(): Promise<Books> {
    const { stock = [], kits = [], had = {}, offers = null, log = [], practice } = (await this.db.books.get('own')) ?? {}
    return { stock, kits, had, offers, log, ...(practice ? { practice } : {}) }
  }

  async keepBooks(books: Books): Promise<void> {
    await this.db.books.put({ id: 'own', ...books })
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
    const { models, documents, changes, reports, proofs } = this.db
    await this.db.transaction('rw', models, documents, changes, reports, proofs, async () => {
      const ids = await models
        .where('deletedAt')
        .between(1, now - KEEP_DELETED_MS)
        .primaryKeys()
      await models.bulkDelete(ids)
      await documents.bulkDelete(ids)
      await reports.bulkDelete(ids)
      await changes.where('model').anyOf(ids).delete()
      await proofs.where('model').anyOf(ids).delete()
    })
  }

  close(): void {
    this.db.close()
  }
}

/** The state after some change: from the one that is kept in full, forward or back. */
function stateAt(cursor: number, { bytes, position }: StoredDocument, changes: readonly StoredChange[]): ModelState {
  let state: unknown = fromBytes(bytes)
  const apply = (text: string): void => {
    state = applyChange(state, JSON.parse(text) as Change)
  }
  for (const { number, forward } of changes) if (number > position && number <= cursor) apply(forward)
  for (const { number, back } of [...changes].reverse()) if (number > cursor && number <= position) apply(back)
  return state as ModelState
}

export type { OwnNames, StoredChange, StoredModel }
