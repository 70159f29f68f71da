import { findFindings, type Finding, type Level } from '../checks'
import { sectionById, type ModelDocument } from '../model'
import { memo } from '../memo'
import { fillsOfSteps, framesOfSteps, MOST_INSETS, patchesByPart, type StepLook, type ViewNumber } from '../picture'
import {
  isGiven,
  measurePlan,
  NORMAL_LIMITS,
  PlanPrinter,
  planSections,
  workOfSection,
  type BuiltSection,
  type Measures,
  type ModelPlan,
  type PlanCache,
  type PlannedModel,
  type PlanOptions,
  type StepLimits,
} from '../plan'
import { readSection, type SectionReading } from '../reading'
import { lookAndRepair } from './repair'

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
export type LookCache = WeakMap<BuiltSection, readonly StepLook[]>

export interface ReportOptions extends PlanOptions {
  /** How much the finished model must stand. */
  readonly level?: Level
  /**
   * Looks for parts that can be misread too, in all sections or in one of them or one step, and gives steps insets that tell where
   * their parts go: for all it takes as long as all the rest together, or longer where much is in doubt.
   */
  readonly reads?: boolean | ReadPlace
  /** Insets that an earlier reading gave, shown where a step still brings what they show; nobody reads again then. */
  readonly insets?: readonly TellingInset[]
}

/** A section that is read, or one step of it, from 0. */
interface ReadPlace {
  readonly section: string
  readonly step?: number
}

/** Told from 0 to 1. */
export type Progress = (fraction: number) => void

/** Shares of the progress that planning, and planning and looking together, are told as. */
const PLANNED = 0.32
const LOOKED = 0.8
/** The share of all that comes before reading, where pictures are read too. */
const BEFORE_READING = 0.4

/** Plans, looks at every step and repairs what does not show, measures and checks. Progress runs from 0 to 1. */
export function reportModel(
  model: ModelDocument,
  options: ReportOptions = {},
  cache?: PlanCache,
  lookCache: LookCache = new WeakMap(),
): Reported {
  const { limits = NORMAL_LIMITS, progress } = options
  const part =
    (from: number, to: number): Progress =>
    (fraction) =>
      progress?.((options.reads ? BEFORE_READING : 1) * (from + (to - from) * fraction))
  const printer = new PlanPrinter(model)
  const laid = planSections(model, printer, { ...options, progress: part(0, PLANNED) }, cache)
  const built = repairSections(model, laid, { limits, progress: part(PLANNED, LOOKED), lookCache, ...(cache ? { cache } : {}) })
  const planned: PlannedModel = { plan: printer.plan(built), built }
  const seenLooks = built.map((section) => forAllSteps(lookCache.get(section)!, section))
  const readings = options.reads
    ? readSections({ model, built, looks: seenLooks, reads: options.reads }, (fraction) =>
        progress?.(BEFORE_READING + (1 - BEFORE_READING) * fraction),
      )
    : undefined
  const looks = readings?.map((reading) => reading.looks) ?? withTellingInsets(built, seenLooks, options.insets)
  const seen = { shares: looks.map((steps) => steps.map(({ shares }) => shares)), views: viewsOf(looks), fills: built.map(fillsOf) }
  const report: Report = {
    ...planned.plan,
    measures: measurePlan(built, readings ? { ...seen, reading: sumOfReadings(readings) } : seen),
    findings: findFindings(model, planned, looks, { ...options, ...(readings ? { readings } : {}) }),
  }
  progress?.(1)
  return { report, planned, looks }
}

interface RepairOptions {
  readonly limits: StepLimits
  readonly progress: Progress
  readonly lookCache: LookCache
  readonly cache?: PlanCache
}

/** Looks at what was laid anew and lays it again where that shows more; what was looked at before stays. */
function repairSections(
  model: ModelDocument,
  laid: readonly BuiltSection[],
  { limits, progress, cache, lookCache }: RepairOptions,
): BuiltSection[] {
  const fresh = laid.filter((built) => !lookCache.has(built))
  if (fresh.length === 0) return [...laid]
  const all = fresh.reduce((sum, { base }) => sum + workOfSection(model, base), 0)
  let done = 0
  const settled = laid.map((built) => {
    if (lookCache.has(built)) return built
    const seen = lookAndRepair(built, { limits }, sectionById(model, built.base))
    lookCache.set(seen.built, seen.looks)
    done += workOfSection(model, built.base)
    progress(done / all)
    return seen.built
  })
  if (cache) {
    for (const base of new Set(fresh.map((built) => built.base))) {
      const sections = settled.filter((built) => built.base === base)
      cache.settle(base, sections, isGiven(sectionById(model, base)))
    }
  }
  return settled
}

/** Steps that hold loose parts only come last and show nothing: they are seen from the usual side. */
function forAllSteps(looks: readonly StepLook[], { looseParts }: BuiltSection): readonly StepLook[] {
  const more = looseParts.length - looks.length
  return more > 0 ? [...looks, ...Array.from({ length: more }, (): StepLook => ({ view: 0, shares: [] }))] : looks
}

/** Of larger models so many parts are read, and by them it is judged how the rest reads. */
const MOST_READ = 15_000

interface ToRead {
  readonly model: ModelDocument
  readonly built: readonly BuiltSection[]
  readonly looks: Reported['looks']
  readonly reads: true | ReadPlace
}

/** How each section reads. */
function readSections({ model, built, looks, reads }: ToRead, progress: Progress): SectionReading[] {
  const isRead = ({ id }: BuiltSection): boolean => reads === true || reads.section === id
  const sizes = built.map((section) => (isRead(section) ? section.steps.reduce((own, step) => own + step.length, 0) : 0))
  const parts = sizes.reduce((sum, size) => sum + size, 0)
  let done = 0
  return built.map((section, i) => {
    if (!isRead(section)) return { parts: 0, misreadings: [], likely: 0, looks: looks[i]! }
    const reading = readSection(section, looks[i]!, {
      most: MOST_READ * (sizes[i]! / parts),
      patches: patchesByPart(model, section.scene.parts),
      progress: (fraction) => progress((done + fraction * sizes[i]!) / parts),
      ...(reads !== true && reads.step !== undefined ? { only: reads.step } : {}),
    })
    done += sizes[i]!
    return reading
  })
}

const sumOfReadings = (readings: readonly SectionReading[]): { parts: number; misread: number } => ({
  parts: readings.reduce((sum, { parts }) => sum + parts, 0),
  misread: readings.reduce((sum, { misreadings, likely }) => sum + misreadings.length + likely, 0),
})

/** How full the picture of each step is. */
const fillsOf = memo(({ scene, steps }: BuiltSection): number[] => {
  const [first] = scene.nodeBoxes
  if (!first) return []
  const { boxes, frames } = framesOfSteps(scene, steps, first)
  return fillsOfSteps(frames, boxes.all)
})

/** For each section, each step: the number of its view. */
export const viewsOf = (looks: Reported['looks']): number[][] => looks.map((steps) => steps.map((look) => look.view))

/** The insets that show what the chosen views do not. */
export const insetsOf = ({ looks, report }: Pick<Reported, 'looks' | 'report'>): ShownInset[] =>
  looks.flatMap((steps, i) =>
    steps.flatMap(({ insets = [] }, step): ShownInset[] =>
      insets.map((inset) => ({ section: report.sections[i]!.id, step: step + 1, ...inset, things: [...inset.things] })),
    ),
  )

/** An inset of a step (from 1): from which side it shows which things of the step. */
export interface ShownInset {
  readonly section: string
  readonly step: number
  readonly view: ViewNumber
  readonly things: readonly string[]
  /** Set where it is there to tell places apart: all shows without it too. */
  readonly tellsPlaces?: true
}

/** An inset that tells places apart, whichever step it belongs to. */
export type TellingInset = Pick<ShownInset, 'section' | 'view' | 'things'>

/** What a reading gave. */
export const tellingInsets = (insets: readonly ShownInset[]): TellingInset[] =>
  insets.filter(({ tellsPlaces }) => tellsPlaces).map(({ section, view, things }) => ({ section, view, things }))

/** Looks with insets of an earlier reading, beside those that the steps need. */
function withTellingInsets(
  built: readonly BuiltSection[],
  looks: Reported['looks'],
  insets: readonly TellingInset[] = [],
): Reported['looks'] {
  if (insets.length === 0) return looks
  return looks.map((steps, i) => {
    const { id, steps: nodes, scene } = built[i]!
    const own = insets.filter(({ section }) => section === id)
    if (own.length === 0) return steps
    const stepOf = new Map(nodes.flatMap((step, k) => step.map((node) => [scene.nodes[node]!.id, k])))
    const told = [...steps]
    for (const { view, things } of own) {
      const [step, ...others] = new Set(things.map((thing) => stepOf.get(thing)))
      if (step === undefined || others.length > 0) continue
      const { insets: shown = [], ...look } = told[step]!
      if (shown.length < MOST_INSETS) told[step] = { ...look, insets: [...shown, { view, things, tellsPlaces: true }] }
    }
    return told
  })
}
