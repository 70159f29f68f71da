import { expose } from 'comlink'
import { durationsOf, type LogRun } from '@core/durations'
import { fromBytes, reportFrom, type Printed } from './plan-messages'
import { staysAlive } from './alive'

const alive = staysAlive()

const api = {
  ready: (): Promise<boolean> => alive,
  /** @param printed the report as bytes of JSON */
  fit: (printed: Uint8Array, runs: readonly LogRun[]): ReturnType<typeof durationsOf> =>
    durationsOf(reportFrom(fromBytes<Printed>(printed)), runs),
}

export type DurationsApi = typeof api
expose(api)
