import { expose, transfer } from 'comlink'
import { plainFault } from '@core/fault'
import { readModelFile } from '@core/formats'
import { staysAlive } from './alive'
import { toBytes, USUAL_SETTINGS, type ModelState, type ReadAnswer } from './plan-messages'

const alive = staysAlive()

const api = {
  ready: (): Promise<boolean> => alive,
  /** Reads a file; a fault comes back as data. */
  read(bytes: Uint8Array, fileName: string): ReadAnswer {
    try {
      const model = readModelFile(bytes, fileName)
      const state: ModelState = { model, settings: USUAL_SETTINGS, order: {} }
      const stored = toBytes(state)
      return transfer({ name: model.name, bytes: stored }, [stored.buffer])
    } catch (thrown) {
      return { fault: plainFault(thrown) }
    }
  },
}

export type ReaderApi = typeof api
expose(api)
