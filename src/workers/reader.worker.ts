import { expose, transfer } from 'comlink'
import { plainFault } from '@core/fault'
import { readFile, type Remark } from '@core/formats'
import { asBuilt, isLoose, partsOf } from '@core/model'
import type { Progress } from '@core/pipeline'
import { staysAlive } from './alive'
import { toBytes, unplanned, USUAL_SETTINGS, type ModelState, type ReadAnswer, type ReadChoices } from './plan-messages'

const alive = staysAlive()

const DIFFERING: Remark = {
  place: 'copies',
  said: '',
  made: 'Copies that differ became sections of their own.',
  needsPerson: false,
}

const api = {
  ready: (): Promise<boolean> => alive,
  /** Reads a file and says what was understood; a fault comes back as data. */
  read(bytes: Uint8Array, fileName: string, choices: ReadChoices, onProgress: Progress): ReadAnswer {
    try {
      const { model: read, report, remarks } = readFile(bytes, fileName, { ...choices, onProgress: (share) => void onProgress(share) })
      const model = asBuilt(read)
      const state: ModelState = { model, settings: USUAL_SETTINGS, order: {} }
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
}

export type ReaderApi = typeof api
expose(api)
