import type { School } from '@core/fit'
import { expose } from 'comlink'
import { insetsOf, reportModel, viewsOf, type Level, type LookCache, type Report, type ShownInset } from '@core/checks'
import { plainFault, type PlainFault } from '@core/fault'
import { readCsv } from '@core/formats'
import { checkModel, readModelText, type ModelDocument } from '@core/model'
import {
  DENSITIES,
  EFFORTS,
  PlanCache,
  proveStep,
  STRATEGIES,
  type Density,
  type Effort,
  type PlannedModel,
  type Proof,
  type Strategy,
} from '@core/plan'

export interface PlanAnswer {
  readonly report: Report
  readonly views: readonly (readonly number[])[]
  readonly insets: readonly ShownInset[]
}

export type ReadAnswer = { readonly model: ModelDocument } | { readonly fault: PlainFault }

/** How a designer wants the steps laid. */
export interface PlanSettings {
  readonly strategy: Strategy
  readonly density: Density
  /** How long to look for a better order. */
  readonly effort: Effort
  /** What the finished model must stand. */
  readonly level: Level
  /** What is made of techniques that some builders refuse; the usual when missing. */
  readonly school?: School
}

/** What one school of builders would make of the model. */
export interface Comparison {
  readonly strategy: Strategy
  readonly steps: number
  readonly measures: Report['measures']
  readonly errors: number
}

const plans = new PlanCache()
const looks: LookCache = new WeakMap()
/** Everything of the last document that stayed the same, by its text. */
let known = new Map<string, unknown>()

/** What comes through a worker's door is always new; equal parts, copies and sections are exchanged for the known ones, so that caches hold. */
function intern(model: ModelDocument): ModelDocument {
  const now = new Map<string, unknown>()
  const same = <T>(value: T): T => {
    const text = JSON.stringify(value)
    const kept = (known.get(text) as T | undefined) ?? value
    now.set(text, kept)
    return kept
  }
  const sections = model.sections.map((section) => {
    const { parts, copies } = section
    return same({ ...section, ...(parts ? { parts: same(parts) } : {}), ...(copies ? { copies: same(copies) } : {}) })
  })
  const shapes = model.shapes ? { shapes: same(model.shapes) } : {}
  known = now
  return { ...model, sections, ...shapes }
}

let planned: PlannedModel | undefined

const optionsOf = ({ strategy, density, effort, level, school }: PlanSettings) => ({
  level,
  ...(school ? { school } : {}),
  strategy,
  limits: DENSITIES[density],
  effort: EFFORTS[effort],
})

const api = {
  plan(model: ModelDocument, settings: PlanSettings, progress: (fraction: number) => void): PlanAnswer {
    let last = 0
    const say = (fraction: number): void => {
      if (fraction - last < 0.02 && fraction < 1) return
      last = fraction
      progress(fraction)
    }
    const answer = reportModel(intern(model), { ...optionsOf(settings), progress: say }, plans, looks)
    const { report, looks: seen } = answer
    planned = answer.planned
    return { report, views: viewsOf(seen), insets: insetsOf(answer) }
  },
  /** Why each part of a step (from 0) can go in; of the model that was planned last. */
  prove(section: string, step: number): Proof[] {
    const built = planned?.built.find((candidate) => candidate.id === section)
    return built ? proveStep(built, step) : []
  },
  /** Plans the model by each school. */
  compare(model: ModelDocument, settings: PlanSettings): Comparison[] {
    return STRATEGIES.map((strategy) => {
      const { report } = reportModel(model, optionsOf({ ...settings, strategy }))
      const steps = report.sections.reduce((sum, section) => sum + section.steps.length, 0)
      const errors = report.findings.filter((finding) => finding.severity === 'error').length
      return { strategy, steps, measures: report.measures, errors }
    })
  },
  /** Reads a file's text; a fault comes back as data. */
  read(text: string, name: string, isTable: boolean): ReadAnswer {
    try {
      return { model: isTable ? readCsv(text, name) : readModelText(text) }
    } catch (thrown) {
      return { fault: plainFault(thrown) }
    }
  },
  check(value: unknown): ReadAnswer {
    try {
      return { model: checkModel(value) }
    } catch (thrown) {
      return { fault: plainFault(thrown) }
    }
  },
}

export type PlannerApi = typeof api
expose(api)
