import { ref, type Ref } from 'vue'
import { applyChange, changeBetween, sharing } from '@core/change'
import { Fault } from '@core/fault'
import { fromBytes, toBytes, type ModelState, type Printed } from '../../workers/plan-messages'
import { nextTask } from '../shared/next-task'
import type { PlannerLike } from '../workers/planner-client'
import { makeSnapshot, type Snapshot } from './snapshot'

export interface Planning {
  /** How far the plan under way is, 0 to 1; null when none is. */
  readonly fraction: Readonly<Ref<number | null>>
  /** The first plan of a state. @throws Fault */
  open(state: ModelState): Promise<Snapshot>
  /**
   * The plan of a changed state. A planner that has died, or does not know the version, is told all of it first.
   * @throws Fault `stopped`, `worker-died`, or what the planner refuses
   */
  next(before: Snapshot, state: ModelState, fresh?: 'all' | readonly string[]): Promise<Snapshot>
  /** A snapshot of a report from the store, before the planner has looked at it. */
  stored(state: ModelState, report: Uint8Array): Snapshot | undefined
  /** Ends the plan under way. */
  stop(): void
}

/** A printed report, and the bytes it came as. */
interface Told {
  readonly bytes: Uint8Array
  readonly printed: Printed
}

function isSameBytes(a: Uint8Array, b: Uint8Array): boolean {
  if (a.length !== b.length) return false
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false
  return true
}

/** What the planner knows of what is shown: a planner that died, or was stopped, knows nothing. */
class Telling {
  /** The report that was stored: as a rule the planner says the same, and what is the same need not be made again. */
  known: Told | undefined
  /** Whether the planner knows the state that is shown. */
  isTold = false

  constructor(
    private readonly planner: PlannerLike,
    private readonly progress: (part: number) => void,
  ) {}

  async tell(at: number, state: ModelState): Promise<Told> {
    await nextTask()
    const bytes = await this.planner.open(at, toBytes(state), this.progress)
    this.isTold = true
    const stored = this.known
    this.known = undefined
    if (stored && isSameBytes(stored.bytes, bytes)) return stored
    const printed = fromBytes<Printed>(bytes)
    await nextTask()
    return { bytes, printed }
  }

  /** A planner that dies is told once more. */
  async tellAgain(at: number, state: ModelState): Promise<Told> {
    try {
      return await this.tell(at, state)
    } catch (thrown) {
      if (!(thrown instanceof Fault) || thrown.code !== 'worker-died') throw thrown
      return this.tell(at, state)
    }
  }

  /** Tells what is shown. @returns what changes count from: what the planner says now of a stored state may differ from what was stored */
  async tellShown(before: Snapshot): Promise<Printed> {
    return sharing(before.printed, (await this.tell(before.version, before.state)).printed)
  }
}

/** Turns states into snapshots; one at a time. */
export function createPlanning(planner: PlannerLike): Planning {
  const fraction = ref<number | null>(null)
  let version = 0
  const progress = (part: number): void => {
    if (fraction.value !== null) fraction.value = part
  }
  const telling = new Telling(planner, progress)

  async function working<Value>(work: () => Promise<Value>): Promise<Value> {
    fraction.value = 0
    try {
      return await work()
    } catch (thrown) {
      if (!(thrown instanceof Fault) || thrown.code !== 'stopped') throw thrown
      throw new Fault('stopped', 'Planning was stopped; nothing has changed.')
    } finally {
      fraction.value = null
    }
  }

  async function change(before: Snapshot, state: ModelState, fresh: 'all' | readonly string[] | undefined): Promise<Snapshot> {
    const next = ++version
    const base = telling.isTold ? before.printed : await telling.tellShown(before)
    const request = { base: before.version, version: next, change: changeBetween(before.state, state), ...(fresh ? { fresh } : {}) }
    const came = await planner.change(request, progress)
    return makeSnapshot(next, state, came ? (applyChange(base, came) as Printed) : base)
  }

  return {
    fraction,
    open(state) {
      const first = ++version
      return working(async () => {
        const { printed, bytes } = await telling.tellAgain(first, state)
        return makeSnapshot(first, state, printed, bytes)
      })
    },
    next: (before, state, fresh) =>
      working(async () => {
        try {
          return await change(before, state, fresh)
        } catch (thrown) {
          const code = thrown instanceof Fault ? thrown.code : ''
          if (code !== 'stale' && code !== 'worker-died') throw thrown
          // It knows nothing any more; what it knew can be told again, once.
          telling.isTold = false
          return change(before, state, fresh)
        }
      }),
    stored(state, report) {
      try {
        telling.known = { bytes: report, printed: fromBytes<Printed>(report) }
        return makeSnapshot(++version, state, telling.known.printed, report)
      } catch {
        return undefined
      }
    },
    stop() {
      telling.isTold = false
      planner.stop()
    },
  }
}
