import type { Progress } from '@core/pipeline'
import { expose, transfer } from 'comlink'
import type { PlanWorth } from '@core/pipeline'
import { plainFault } from '@core/fault'
import type { Proof } from '@core/plan'
import { staysAlive } from './alive'
import {
  toBytes,
  type Comparison,
  type FoundOrder,
  type OpenAnswer,
  type PictureReading,
  type PlanAnswer,
  type PlanRequest,
} from './plan-messages'
import { compareStrategies, findBetter, Planner, readPictures } from './planner'

const planner = new Planner()

/** Bytes leave without being copied. */
const sent = <Value extends { readonly printed: Uint8Array<ArrayBuffer> }>(value: Value): Value => transfer(value, [value.printed.buffer])

const alive = staysAlive()

const api = {
  ready: (): Promise<boolean> => alive,
  open(version: number, state: Uint8Array, progress: Progress): OpenAnswer {
    try {
      return sent({ printed: toBytes(planner.open(version, state, progress)) })
    } catch (thrown) {
      return { fault: plainFault(thrown) }
    }
  },
  change(request: PlanRequest, progress: Progress): PlanAnswer {
    try {
      return { change: planner.change(request, progress) }
    } catch (thrown) {
      return { fault: plainFault(thrown) }
    }
  },
  prove: (section: string, step: number): Proof[] => planner.prove(section, step),
  compare: (state: Uint8Array, progress: Progress): Comparison[] => compareStrategies(state, progress),
  read: (state: Uint8Array, progress: Progress): PictureReading => readPictures(state, progress),
  better(state: Uint8Array, now: PlanWorth, progress: Progress): FoundOrder | undefined {
    const found = findBetter(state, now, progress)
    return found && sent({ worth: found.worth, printed: toBytes(found.printed) })
  },
  /** The report of a version as bytes, for the store. */
  printed(version: number): Uint8Array<ArrayBuffer> | undefined {
    const printed = planner.printed(version)
    if (!printed) return undefined
    const bytes = toBytes(printed)
    return transfer(bytes, [bytes.buffer])
  },
}

export type PlannerApi = typeof api
expose(api)
