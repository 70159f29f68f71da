import type { Progress } from '@core/pipeline'
import { toBytes, type Comparison, type ModelState, type PictureReading } from '../../workers/plan-messages'
import { PlannerClient } from './planner-client'

/** Long work that can be stopped. */
export interface Job<Result> {
  readonly result: Promise<Result>
  readonly stop: () => void
}

/** Asks a planner of its own, which ends with the answer. */
function apart<Result>(ask: (planner: PlannerClient) => Promise<Result>): Job<Result> {
  const planner = new PlannerClient()
  return { result: ask(planner).finally(() => planner.close()), stop: () => planner.close() }
}

export const compareStrategies = (state: ModelState, progress: Progress): Job<Comparison[]> =>
  apart((planner) => planner.compare(toBytes(state), progress))

/** Looks at all pictures for parts that can be misread. */
export const readPictures = (state: ModelState, progress: Progress): Job<PictureReading> =>
  apart((planner) => planner.read(toBytes(state), progress))
