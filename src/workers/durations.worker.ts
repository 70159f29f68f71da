import { expose } from 'comlink'
import { durationsOf, proofReport, type LogRun, type ProofReport } from '@core/durations'
import type { ProofRun } from '@core/proof-build'
import { fromBytes, reportFrom, type Printed } from './plan-messages'
import { staysAlive } from './alive'

const alive = staysAlive()

const api = {
  ready: (): Promise<boolean> => alive,
  /** @param printed the report as bytes of JSON */
  fit: (printed: Uint8Array, runs: readonly LogRun[]): ReturnType<typeof durationsOf> =>
    durationsOf(reportFrom(fromBytes<Printed>(printed)), runs),
  /** What a proof build shows. @param before those made earlier, oldest first */
  report: (printed: Uint8Array, run: ProofRun, before: readonly ProofRun[]): ProofReport =>
    proofReport(reportFrom(fromBytes<Printed>(printed)), run, before),
}

export type DurationsApi = typeof api
expose(api)
