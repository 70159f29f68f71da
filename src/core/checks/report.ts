import { Flattener, type ModelDocument } from '../model'
import { drawnSection, lookAtSteps, type StepLook } from '../picture'
import {
  measurePlan,
  planModel,
  type Finding,
  type Measures,
  type ModelPlan,
  type PlanCache,
  type PlannedModel,
  type PlanOptions,
} from '../plan'
import { findFindings } from './checks'

/** A plan with everything that is printed with it. */
export interface Report extends ModelPlan {
  readonly measures: Measures
  readonly findings: readonly Finding[]
}

export interface Reported {
  readonly report: Report
  readonly planned: PlannedModel
  /** For each section, each step: the chosen view and what shows in it. */
  readonly looks: readonly (readonly StepLook[])[]
}

/** Remembers looks by the built section they belong to. */
export type LookCache = WeakMap<object, readonly StepLook[]>

/** Plans, looks at every step, checks and measures. Progress runs from 0 to 1. */
export function reportModel(model: ModelDocument, options: PlanOptions = {}, cache?: PlanCache, lookCache?: LookCache): Reported {
  const progress = options.progress ?? (() => undefined)
  const planned = planModel(model, { ...options, progress: (fraction) => progress(fraction * 0.6) }, cache)
  const flattener = new Flattener(model)
  const looks = planned.built.map((built, i) => {
    const known = lookCache?.get(built)
    const look = known ?? lookAtSteps(drawnSection(model, flattener, planned.plan.sections, built.id))
    lookCache?.set(built, look)
    progress(0.6 + (0.4 * (i + 1)) / planned.built.length)
    return look
  })
  const shares = looks.map((steps) => steps.map((step) => step.shares))
  const report: Report = {
    ...planned.plan,
    measures: measurePlan(planned.built, shares),
    findings: findFindings(model, planned, looks),
  }
  return { report, planned, looks }
}
