import { expose, transfer } from 'comlink'
import { plainFault } from '@core/fault'
import { readBackup, readFile, writeBackup, remarkOf } from '@core/formats'
import { asBuilt, isLoose, partsOf, type ModelDocument } from '@core/model'
import { VIEWS } from '@core/picture'
import type { Progress, TellingInset } from '@core/pipeline'
import { staysAlive } from './alive'
import {
  fromBytes,
  toBytes,
  unplanned,
  newState,
  USUAL_SETTINGS,
  type BackupAnswer,
  type BackupEntry,
  type BackupOrder,
  type ModelState,
  type ReadAnswer,
  type ReadChoices,
} from './plan-messages'

const alive = staysAlive()

const DIFFERING = remarkOf({ place: { key: 'read.copies' }, said: '', made: { key: 'read.copiesDiffer' }, needsPerson: false })

const api = {
  ready: (): Promise<boolean> => alive,
  /** Reads a file and says what was understood; a fault comes back as data. */
  read(bytes: Uint8Array, fileName: string, choices: ReadChoices, onProgress: Progress): ReadAnswer {
    try {
      const { model: read, report, remarks } = readFile(bytes, fileName, { ...choices, onProgress: (share) => void onProgress(share) })
      const model = asBuilt(read)
      const state = newState(model)
      const printed = unplanned(state)
      const sent = { bytes: toBytes(state), model: toBytes(model), printed: toBytes(printed) }
      return transfer(
        {
          ...sent,
          name: model.name,
          root: model.root,
          parts: printed.parts,
          sections: model.sections.length,
          hasPlaces: model.sections.some((section) => partsOf(section).some((part) => !isLoose(part))),
          report,
          remarks: model === read ? remarks : [...remarks, DIFFERING],
        },
        [sent.bytes.buffer, sent.model.buffer, sent.printed.buffer],
      )
    } catch (thrown) {
      return { fault: plainFault(thrown) }
    }
  },
  /** Reads a backup whole; a fault comes back as data. */
  readBackup(bytes: Uint8Array): BackupAnswer {
    try {
      const { models, ...rest } = readBackup(bytes)
      return { ...rest, models: models.map(({ model, beside }) => backupEntry(asBuilt(model), beside)) }
    } catch (thrown) {
      return { fault: plainFault(thrown) }
    }
  },
  writeBackup({ states, ...rest }: BackupOrder): Uint8Array<ArrayBuffer> {
    const models = states.map((bytes) => {
      const { model, ...beside } = fromBytes<ModelState>(bytes)
      return { model, beside }
    })
    const zip = writeBackup({ ...rest, models })
    return transfer(zip, [zip.buffer])
  },
}

const areInsets = (value: unknown): value is readonly TellingInset[] => Array.isArray(value) && value.every(isInset)

function isInset(value: unknown): boolean {
  const { section, view, things } = (value ?? {}) as Partial<Record<keyof TellingInset, unknown>>
  const hasThings = Array.isArray(things) && things.every((id) => typeof id === 'string')
  return typeof section === 'string' && VIEWS.some((known) => known === view) && hasThings
}

/** How its steps are laid comes from the same program, or is left to the usual way. */
function backupEntry(model: ModelDocument, beside: unknown): BackupEntry {
  const { settings, order, insets } = (beside ?? {}) as Partial<ModelState>
  const isKnown = settings !== undefined && Object.keys(USUAL_SETTINGS).every((key) => key in settings)
  const state: ModelState = {
    model,
    settings: isKnown ? settings : USUAL_SETTINGS,
    order: order ?? {},
    ...(areInsets(insets) ? { insets } : {}),
  }
  return { name: model.name, parts: unplanned(state).parts, bytes: toBytes(state) }
}

export type ReaderApi = typeof api
expose(api)
