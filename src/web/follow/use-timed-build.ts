import { useLocalStorage } from '@vueuse/core'
import { computed, watch } from 'vue'
import {
  proofLetter,
  secondsOfRun,
  stepOfRun,
  withStep,
  type Counted,
  type ProofRun,
  type ProofStep,
  type StepOfRow,
} from '@core/proof-build'
import { useClock } from '../shared/use-clock'

/** A page that may be a step, and which page it is. */
export interface OpenPage {
  readonly index: number
  readonly step: StepOfRow | null
}

const newRun = (): ProofRun => ({ date: new Date().toISOString(), steps: [] })

/**
 * Building with a clock for the designer: what each step takes, what goes wrong at it; kept on this device until it is handed over.
 * @param key under which it is kept
 */
export function useTimedBuild(key: string, page: () => OpenPage) {
  const kept = useLocalStorage<ProofRun>(key, newRun())
  const run = computed({
    // Whatever stands there.
    get: () => (Array.isArray(kept.value.steps) ? kept.value : newRun()),
    set: (next) => (kept.value = next),
  })
  const clock = useClock()
  const step = computed((): ProofStep | null => {
    const at = page().step
    return at && stepOfRun(run.value, at)
  })

  function change(at: StepOfRow | null, how: (step: ProofStep) => ProofStep): void {
    if (at) run.value = withStep(run.value, at, how)
  }
  /** The time until now goes to the step that was open. */
  function take(at: StepOfRow | null): void {
    const seconds = clock.take()
    if (seconds > 0) change(at, (known) => ({ ...known, seconds: known.seconds + seconds }))
  }
  watch(page, (now, before) => {
    take(before.step)
    // Whoever goes back takes that step apart again: it is counted there.
    if (now.index < before.index) change(now.step, (known) => ({ ...known, backs: known.backs + 1 }))
  })

  const count = (what: Counted): void => change(page().step, (known) => ({ ...known, [what]: known[what] + 1 }))
  const say = (note: string): void => change(page().step, (known) => ({ ...known, note }))
  function pause(): void {
    if (clock.isPaused.value) return clock.goOn()
    take(page().step)
    clock.pause()
  }
  const seconds = computed(() => secondsOfRun(run.value))

  /** For the designer. Undefined where it would be too long for a letter. */
  function letter(): string | undefined {
    take(page().step)
    return proofLetter(run.value)
  }
  return { run, step, seconds, clock, count, say, pause, letter, end: (): void => void (run.value = newRun()) }
}
