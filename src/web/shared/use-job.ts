import { onScopeDispose, ref, shallowRef, type Ref, type ShallowRef } from 'vue'
import { plainFault } from '@core/fault'
import { faultText } from '../language'
import type { Job } from '../workers/planner-jobs'
import { notify } from './notices'

export interface UsedJob<Result> {
  /** From 0 to 1; null while nothing runs. */
  readonly fraction: Readonly<Ref<number | null>>
  /** Of the last run that came to its end. */
  readonly result: Readonly<ShallowRef<Result | undefined>>
  readonly run: () => Promise<void>
  readonly stop: () => void
}

/**
 * Long work of a screen, with its progress; it is stopped with the screen.
 * @param problem what is said where it fails: "The strategies were not compared."
 */
export function useJob<Result>(begin: (progress: (fraction: number) => void) => Job<Result>, problem: string): UsedJob<Result> {
  const fraction = ref<number | null>(null)
  const result = shallowRef<Result>()
  let stop = (): void => undefined
  async function run(): Promise<void> {
    fraction.value = 0
    try {
      const job = begin((share) => (fraction.value = share))
      stop = job.stop
      result.value = await job.result
    } catch (thrown) {
      const fault = plainFault(thrown)
      if (fault.code !== 'closed') notify(`${problem} ${faultText(fault)}`, { isError: true })
    } finally {
      fraction.value = null
    }
  }
  onScopeDispose(() => stop())
  return { fraction, result, run, stop: () => stop() }
}
