import { applyChange, changeBetween, sharing } from '@core/change'
import { Fault } from '@core/fault'
import type { Finding } from '@core/checks'
import { fromBytes, stateAfter, toBytes, type ModelState, type PlanRequest, type Printed } from '../../../workers/plan-messages'
import type { PlannerLike } from '../../workers/planner-client'

/** What goes wrong, and how long things take: shared by all planners of a test. */
export interface PlannerTrouble {
  /** The next questions that end with the planner's death. */
  deaths: number
  /** Planning waits for this. */
  pause: Promise<void> | undefined
}

export const noTrouble = (): PlannerTrouble => ({ deaths: 0, pause: undefined })

/** A plan that is plain to see: one step a part, in the order of the document; a note “break” leaves something unheld. */
export function plainPlan({ model }: Pick<ModelState, 'model'>): Printed {
  const findings: Finding[] = (model.notes ?? '').includes('break')
    ? [{ code: 'unheld', severity: 'error', section: model.root, step: 1, parts: [], message: 'Nothing holds it.' }]
    : []
  return {
    name: model.name,
    parts: model.sections.reduce((sum, { parts = [] }) => sum + parts.length, 0),
    sections: model.sections.map(({ id, name, parts = [], steps }) => ({
      id,
      name,
      times: 1,
      mirrored: 0,
      parts: parts.length,
      steps: (steps ?? parts.map((part) => ({ add: [part.id] }))).map(({ add = [] }) => ({
        moves: [{ parts: [...add], direction: '-z' as const }],
        callout: [],
        rests: [],
      })),
    })),
    inventory: [],
    colours: [],
    measures: { stepsPer100: 0, meanJump: 0, poorlyVisible: 0, turnsPer100: 0, likeTogether: 1, viewChangesPer100: 0, pictureFill: 0 },
    findings,
    views: [],
    insets: [],
    kept: model.sections.filter(({ steps }) => !steps).map(({ id }) => id),
  }
}

/** A planner without a worker, which keeps its versions as the true one does. */
export class FakePlanner implements PlannerLike {
  private known = new Map<number, { state: ModelState; printed: Printed }>()
  private isClosed = false
  private stops = 0

  constructor(private readonly trouble: PlannerTrouble) {}

  private async work<Value>(act: () => Value): Promise<Value> {
    const { stops } = this
    await Promise.resolve()
    await this.trouble.pause
    if (this.isClosed) throw new Fault('closed', 'Closed.')
    if (stops !== this.stops) throw new Fault('stopped', 'Stopped.')
    if (this.trouble.deaths > 0) {
      this.trouble.deaths--
      this.known.clear()
      throw new Fault('worker-died', 'Died.')
    }
    return act()
  }

  open = (version: number, bytes: Uint8Array): Promise<Uint8Array> =>
    this.work(() => {
      const asked = fromBytes<ModelState>(bytes)
      const printed = plainPlan(asked)
      this.known = new Map([[version, { printed, state: stateAfter(asked, printed) }]])
      return toBytes(printed)
    })

  change = ({ base, version, change }: PlanRequest) =>
    this.work(() => {
      const before = this.known.get(base)
      if (!before) throw new Fault('stale', 'Not known.')
      const asked = change ? (applyChange(before.state, change) as ModelState) : before.state
      if ((asked.model.notes ?? '').includes('bad')) throw new Fault('bad-value', 'The reader refuses this.')
      const printed = sharing(before.printed, plainPlan(asked))
      for (const old of this.known.keys()) if (old !== base) this.known.delete(old)
      this.known.set(version, { printed, state: stateAfter(asked, printed) })
      return changeBetween(before.printed, printed)
    })

  printed = (version: number) =>
    this.work(() => {
      const known = this.known.get(version)
      return known && toBytes(known.printed)
    })

  prove = () => Promise.resolve([])
  compare = () => Promise.resolve([])
  better = (): Promise<undefined> => Promise.resolve(undefined)

  stop(): void {
    this.stops++
    this.known.clear()
  }

  close(): void {
    this.isClosed = true
  }
}
