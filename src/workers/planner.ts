import { askedBags } from '@core/bags'
import { applyChange, changeBetween } from '@core/change'
import {
  insetsOf,
  isBetterPlan,
  reportModel,
  tellingInsets,
  viewsOf,
  worthOfPlan,
  type LookCache,
  type PlanWorth,
  type Progress,
} from '@core/pipeline'
import { Fault } from '@core/fault'
import { checkChanged, checkModel, type ModelDocument } from '@core/model'
import {
  keepable,
  PlanCache,
  proveStep,
  STRATEGIES,
  withoutNumbers,
  type Effort,
  type PlannedModel,
  type PlanOrder,
  type Proof,
} from '@core/plan'
import {
  fromBytes,
  keptOf,
  optionsOf,
  shownModel,
  stateAfter,
  type Comparison,
  type ModelState,
  type PictureReading,
  type PlanRequest,
  type Printed,
} from './plan-messages'

/** What is known of one version: what was asked, what came of it. */
interface Known {
  readonly state: ModelState
  readonly printed: Printed
  readonly planned: PlannedModel
}

/** Plans one open model version after version; all it keeps can be made again from a state. */
export class Planner {
  private cache = new PlanCache()
  private readonly looks: LookCache = new WeakMap()
  private readonly known = new Map<number, Known>()

  /**
   * Begins with a stored state.
   * @throws Fault what the reader refuses
   */
  open(version: number, state: Uint8Array, progress: Progress): Printed {
    this.cache = new PlanCache()
    this.known.clear()
    const asked = fromBytes<ModelState>(state)
    checkModel(asked.model)
    // An order is looked for after the first one is shown.
    const known = this.plan(asked, asked.order, progress, 'quick')
    this.known.set(version, known)
    return known.printed
  }

  /**
   * Plans a changed state.
   * @returns what changes in the report
   * @throws Fault `stale` where the base is not known here; what the reader refuses
   */
  change({ base, version, change, fresh }: PlanRequest, progress: Progress): ReturnType<typeof changeBetween> {
    const before = this.known.get(base)
    if (!before) throw new Fault('stale', 'This version is not known here.')
    const asked = change ? (applyChange(before.state, change) as ModelState) : before.state
    checkChanged(asked.model, before.state.model)
    const kept = fresh === 'all' ? {} : without(asked.order, fresh ?? [])
    const next = this.plan(asked, kept, progress, fresh ? 'quick' : asked.settings.effort)
    // What is printed anew is kept, not what was there before and is equal: the next print shares its objects, and is compared by them.
    const came = changeBetween(before.printed, next.printed)
    for (const old of this.known.keys()) if (old !== base) this.known.delete(old)
    this.known.set(version, next)
    return came
  }

  private plan(asked: ModelState, kept: PlanOrder, progress: Progress, effort: Effort): Known {
    const options = { ...optionsOf({ ...asked.settings, effort }), ...keptOf({ ...asked, order: kept }), progress: stepwise(progress) }
    const model = shownModel(asked)
    const answer = reportModel(model, options, this.cache, this.looks)
    const printed = print(model, answer)
    return { state: stateAfter(asked, printed), printed, planned: answer.planned }
  }

  /** Why each part of a step (from 0) can go in; of the version planned last. */
  prove(section: string, step: number): Proof[] {
    const last = [...this.known.values()].pop()
    const built = last?.planned.built.find((candidate) => candidate.id === section)
    return built ? proveStep(built, step) : []
  }

  /** The version's report as it is stored. */
  printed(version: number): Printed | undefined {
    return this.known.get(version)?.printed
  }
}

function without(order: PlanOrder, ids: readonly string[]): PlanOrder {
  const left = new Set(ids)
  return Object.fromEntries(Object.entries(order).filter(([id]) => !left.has(id)))
}

/** Told at most fifty times. */
function stepwise(progress: Progress): Progress {
  let last = 0
  return (fraction) => {
    if (fraction - last < 0.02 && fraction < 1) return
    last = fraction
    progress(fraction)
  }
}

function print(model: ModelDocument, answer: ReturnType<typeof reportModel>): Printed {
  const { report, looks, planned } = answer
  return {
    ...report,
    sections: withoutNumbers(report.sections),
    views: viewsOf(looks),
    insets: insetsOf(answer),
    ...(model.bags ? { bags: askedBags(model, report) } : {}),
    kept: keepable(model, planned.built),
  }
}

/** Plans the model by each strategy. */
export function compareStrategies(state: Uint8Array, progress: Progress): Comparison[] {
  const asked = fromBytes<ModelState>(state)
  const { settings } = asked
  const model = shownModel(asked)
  return STRATEGIES.map((strategy, i) => {
    const { report } = reportModel(model, {
      ...optionsOf({ ...settings, strategy }),
      progress: (part) => progress((i + part) / STRATEGIES.length),
    })
    const { steps, errors } = worthOfPlan(report)
    return { strategy, steps, measures: report.measures, errors }
  })
}

/** Looks at the picture of every step, in the order that is shown, for parts that can be misread. */
export function readPictures(state: Uint8Array, progress: Progress): PictureReading {
  const asked = fromBytes<ModelState>(state)
  const options = { ...optionsOf({ ...asked.settings, effort: 'quick' }), kept: asked.order, reads: true, progress: stepwise(progress) }
  const answer = reportModel(shownModel(asked), options)
  const { findings, measures } = answer.report
  return {
    findings: findings.filter(({ code }) => code === 'misreadable'),
    per100: measures.misreadablePer100 ?? 0,
    insets: tellingInsets(insetsOf(answer)),
  }
}

/** Looks for an order that reads better than the one shown; nothing where there is none. */
export function findBetter(state: Uint8Array, now: PlanWorth, progress: Progress): { printed: Printed; worth: PlanWorth } | undefined {
  const asked = fromBytes<ModelState>(state)
  const { settings } = asked
  const model = shownModel(asked)
  const answer = reportModel(model, { ...optionsOf(settings), ...keptOf({ ...asked, order: {} }), progress: stepwise(progress) })
  const worth = worthOfPlan(answer.report)
  return isBetterPlan(now, worth, answer.report.parts) ? { printed: print(model, answer), worth } : undefined
}
