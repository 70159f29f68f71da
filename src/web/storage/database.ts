import Dexie, { type DexieOptions, type Table } from 'dexie'
import type { Books } from '@core/desk'
import type { ProofRun } from '@core/proof-build'
import type { ModelDocument } from '@core/model'
import type { Alias } from '@core/names'
import { renameTechniques } from './rename-techniques'
import { toBytes, USUAL_SETTINGS, type ModelState, type PlanSettings } from '../../workers/plan-messages'

/** What the shelf shows of a model without opening it. */
export interface ShelfFacts {
  readonly parts: number
  readonly sections: number
  readonly steps: number
  readonly errors: number
  readonly warnings: number
}

/** A model on the shelf, without its document. */
export interface StoredModel {
  readonly id: string
  readonly name: string
  /** Rises with every change; a change from an older one is refused. */
  readonly revision: number
  readonly updatedAt: number
  readonly deletedAt: number
  /** Number of the last change that is done; later ones were undone. 0 where none is. */
  readonly cursor: number
  /** Number of the oldest change that is kept. */
  readonly first: number
  /** Letters of all kept changes. */
  readonly historySize: number
  readonly facts?: ShelfFacts
  readonly picture?: Blob
  /** The revision that facts and picture are of. */
  readonly describedAt?: number
  /** Name of the demo that it came as. */
  readonly demo?: string
  /** The folder of the shelf that it stands in; none where it stands on the shelf itself. */
  readonly folder?: string
  /** Why it could not be planned or painted: it is not tried again until it changes. */
  readonly unpainted?: string
}

/** A state in full, as bytes of JSON, as it was after a change. */
export interface StoredDocument {
  readonly id: string
  readonly bytes: Uint8Array<ArrayBuffer>
  /** Number of that change. */
  readonly position: number
}

/** One change of a model: what turns the state before into the one after, and back, as JSON. */
export interface StoredChange {
  readonly model: string
  readonly number: number
  /** For people: "split B 07". */
  readonly label: string
  /** When it was made, ms; not known of changes made before this was kept. */
  readonly at?: number
  readonly forward: string
  readonly back: string
  /** Changes of one group that follow each other at once are one. */
  readonly group?: string
}

/** The report last shown of a model, as bytes of JSON, and the revision it belongs to. */
export interface StoredReport {
  readonly id: string
  readonly revision: number
  readonly bytes: Uint8Array<ArrayBuffer>
}

/** The designer's own names, and whether they are shown beside ours. */
export interface OwnNames {
  readonly aliases: readonly Alias[]
  readonly isShown: boolean
}

/** A booklet that was published from this browser. */
export interface Publication {
  /** Of the booklet, on the server. */
  readonly id: string
  /** Of the model on the shelf. */
  readonly model: string
  /** Whoever has it may change and withdraw the booklet. */
  readonly ownerToken: string
  readonly name: string
  /** Of the newest version, ms. */
  readonly publishedAt: number
  readonly version: number
  readonly isWithdrawn?: boolean
  /** Reviewers look at it first: the password that their link carries. Gone once everybody may read it. */
  readonly reviewKey?: string
}

/** A proof build of a model: kept step by step, so that a reload in the middle loses nothing. */
export interface StoredProof {
  readonly id: string
  /** Of the model on the shelf. */
  readonly model: string
  readonly run: ProofRun
  readonly isFinished: boolean
}

/** A row of the first two versions, which held the document itself. */
type OldModel = Omit<StoredModel, 'cursor' | 'first' | 'historySize'> & { readonly model: ModelDocument; readonly settings?: PlanSettings }

export class LibraryDatabase extends Dexie {
  models!: Table<StoredModel, string>
  documents!: Table<StoredDocument, string>
  changes!: Table<StoredChange, [string, number]>
  reports!: Table<StoredReport, string>
  /** One row once anything has stood here, and one for when all was saved to a file last. */
  marks!: Table<{ readonly id: string; readonly at?: number }, string>
  /** One row: what the designer calls shapes and colours. */
  names!: Table<OwnNames & { readonly id: string }, string>
  /** One row: stock, kits and offers of the designer. */
  books!: Table<Books & { readonly id: string }, string>
  publications!: Table<Publication, string>
  proofs!: Table<StoredProof, string>

  constructor(name: string, options?: DexieOptions) {
    super(name, options)
    this.version(1).stores({ models: 'id, updatedAt, deletedAt', marks: 'id' })
    this.version(2).stores({ names: 'id' })
    this.version(3)
      .stores({ documents: 'id', changes: '[model+number], model', reports: 'id' })
      .upgrade(async (transaction) => {
        const old = await transaction.table<OldModel, string>('models').toArray()
        for (const { model, settings, ...row } of old) {
          const state: ModelState = { model, settings: { ...USUAL_SETTINGS, ...settings }, order: {} }
          await transaction.table('documents').put({ id: row.id, bytes: toBytes(state), position: 0 })
          await transaction.table('models').put({ ...row, cursor: 0, first: 1, historySize: 0 })
        }
      })
    this.version(4).upgrade(renameTechniques)
    this.version(5).stores({ books: 'id' })
    this.version(6).stores({ publications: 'id, publishedAt' })
    this.version(7).stores({ proofs: 'id, model' })
  }
}
