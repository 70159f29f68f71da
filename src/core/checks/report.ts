import type { School } from '../fit'
import type { ModelDocument } from '../model'
import { lookAndRepair, type StepLook } from '../picture'
import {
  measurePlan,
  NORMAL_LIMITS,
  planModel,
  type BuiltSection,
  type Finding,
  type Measures,
  type ModelPlan,
  type PlanCache,
  type PlannedModel,
  type PlanOptions,
  type Refine,
} from '../plan'
import { findFindings } from './checks'
import type { Level } from './weak'

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

export interface ReportOptions extends PlanOptions {
  /** How much the finished model must stand. */
  readonly level?: Level
  /** What is made of techniques that some builders refuse. */
  readonly school?: School
}

/** Share of the progress that all but the checks is told as. */
const PLANNING_SHARE = 0.8

/** Plans, looks at every step and repairs what does not show, checks and measures. Progress runs from 0 to 1. */
export function reportModel(
  model: ModelDocument,
  options: ReportOptions = {},
  cache?: PlanCache,
  lookCache: LookCache = new WeakMap(),
): Reported {
  const limits = options.limits ?? NORMAL_LIMITS
  const refine: Refine = (built) => {
    const seen = lookAndRepair(built, { limits })
    lookCache.set(seen.built, seen.looks)
    return seen.built
  }
  const { progress } = options
  const planning = progress ? { progress: (fraction: number) => progress(PLANNING_SHARE * fraction) } : {}
  const planned = planModel(model, { ...options, ...planning, refine }, cache)
  const looks = planned.built.map((built) => forAllSteps(lookCache.get(built)!, built))
  const shares = looks.map((steps) => steps.map((step) => step.shares))
  const report: Report = {
    ...planned.plan,
    measures: measurePlan(planned.built, shares),
    findings: findFindings(model, planned, looks, options.level, options.school),
  }
  progress?.(1)
  return { report, planned, looks }
}

/** Steps that hold loose parts only come last and show nothing: they are seen from the usual side. */
function forAllSteps(looks: readonly StepLook[], { looseParts }: BuiltSection): readonly StepLook[] {
  const more = looseParts.length - looks.length
  return more > 0 ? [...looks, ...Array.from({ length: more }, (): StepLook => ({ view: 0, shares: [] }))] : looks
}

/** For each section, each step: the number of its view. */
export const viewsOf = (looks: Reported['looks']): number[][] => looks.map((steps) => steps.map((look) => look.view))

/** The insets that show what the chosen views do not. */
export const insetsOf = ({ looks, report }: Pick<Reported, 'looks' | 'report'>): ShownInset[] =>
  looks.flatMap((steps, i) =>
    steps.flatMap(({ inset }, step): ShownInset[] =>
      inset ? [{ section: report.sections[i]!.id, step: step + 1, view: inset.view, things: [...inset.things] }] : [],
    ),
  )

/** An inset of a step (from 1): from which side it shows which things of the step. */
export interface ShownInset {
  readonly section: string
  readonly step: number
  readonly view: number
  readonly things: readonly string[]
}
