import type { Progress } from '@core/pipeline'
import { toBytes, type Comparison, type ModelState } from '../../workers/plan-messages'
import { PlannerClient } from './planner-client'

export interface Comparing {
  readonly result: Promise<Comparison[]>
  readonly stop: () => void
}

/** Compares the strategies in a planner of its own, which ends with the comparison. */
export function compareStrategies(state: ModelState | undefined, progress: Progress): Comparing {
  if (!state) return { result: Promise.resolve([]), stop: () => undefined }
  const planner = new PlannerClient()
  return { result: planner.compare(toBytes(state), progress).finally(() => planner.close()), stop: () => planner.close() }
}
