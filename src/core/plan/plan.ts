import { buildingOrder, Flattener, holdsPressed, partsOf, sectionById, sectionsWithin, type ModelDocument, type Section } from '../model'
import type { BuiltSection } from './built'
import type { Strategy } from './scheduling-weights'
import { isGiven, isSameOrder, type PlanOrder } from './order'
import type { PlanCache } from './plan-cache'
import { PlanPrinter, type ModelPlan } from './print'
import { SEED } from './search'
import { buildSection } from './section-plan'
import { NORMAL_LIMITS, type StepLimits } from './types'

export interface PlanOptions {
  readonly limits?: StepLimits
  readonly strategy?: Strategy
  /** Work the search may spend on each section (`EFFORTS`); none by default. */
  readonly effort?: number
  /** The same input and seed give the same plan. */
  readonly seed?: number
  /** Told from 0 to 1. */
  readonly progress?: (fraction: number) => void
  /** Orders shown before, by section: followed where they still fit. */
  readonly kept?: PlanOrder
}

export interface PlannedModel {
  readonly plan: ModelPlan
  /** In the order of `plan.sections`. */
  readonly built: readonly BuiltSection[]
}

/** How long a section is expected to take, beside the others of its model. */
export const workOfSection = (model: ModelDocument, id: string): number => partsOf(sectionById(model, id)).length + 1

/** Plans every section of a model, each before those that use it, and prints them. */
export function planModel(model: ModelDocument, options: PlanOptions = {}, cache?: PlanCache): PlannedModel {
  const printer = new PlanPrinter(model)
  const built = planSections(model, printer, options, cache)
  return { plan: printer.plan(built), built }
}

/** Plans every section of a model, each before those that use it; derived sections come before the one they are made of. */
export function planSections(model: ModelDocument, printer: PlanPrinter, options: PlanOptions, cache?: PlanCache): BuiltSection[] {
  const { limits = NORMAL_LIMITS, strategy = 'ground-up', effort = 0, seed = SEED } = options
  const flattener = new Flattener(model)
  const order = buildingOrder(model)
  const sizes = order.map((id) => workOfSection(model, id))
  const all = sizes.reduce((a, b) => a + b, 0)
  const how = [limits, strategy, effort, seed]
  let done = 0
  return order.flatMap((id, i) => {
    const section = sectionById(model, id)
    const content = [
      ...[...sectionsWithin(model, id)].flatMap((used, k) => contentOf(sectionById(model, used), k === 0)),
      model.shapes,
      holdsPressed(model),
    ]
    const kept = isGiven(section) ? undefined : options.kept?.[id]
    const fits =
      kept &&
      ((known: readonly BuiltSection[]): boolean =>
        isSameOrder(
          known.map((each) => printer.section(each)),
          kept,
        ))
    let sections = cache?.recall(id, content, how, fits)
    if (!sections) {
      const progress = (part: number, whole: number): void => options.progress?.((done + (sizes[i]! * part) / Math.max(1, whole)) / all)
      const asked = { limits, strategy, effort, seed, progress, ...(cache ? { spaces: cache.spaces } : {}), ...(kept ? { kept } : {}) }
      sections = buildSection(model, flattener, id, asked)
      const isKept = sections.some((each) => each.isKept === true)
      cache?.keep(id, { content, how: isKept ? [] : how, built: sections })
    }
    done += sizes[i]!
    options.progress?.(done / all)
    return sections
  })
}

/** What a plan rests on: of the section itself everything, of those it uses what stands where, but not their steps. */
const contentOf = (section: Section, isItself: boolean): unknown[] => (isItself ? [section] : [section.parts, section.copies])
