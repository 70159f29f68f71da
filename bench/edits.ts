import { reportModel, type LookCache } from '../src/core/pipeline'
import { catalogueOf, Flattener, type ModelDocument } from '../src/core/model'
import { drawnSection, RailPainter } from '../src/core/picture'
import { PlanCache, type SectionPlan } from '../src/core/plan'
import { keepSteps, mergeWithNext, moveToNeighbour, splitStep } from '../src/core/edits'

/** Edits made before the clock runs. */
const WARMING = 30

/**
 * Milliseconds of each of some edits of one section's rail, findings included, in a session that has planned it once; and of the same
 * with the picture of the step painted anew, by a painter that goes on from the one before. Both sorted.
 */
export function timeEdits(model: ModelDocument, sectionId: string, count: number): { times: number[]; withPicture: number[] } {
  const cache = new PlanCache()
  const looks: LookCache = new WeakMap()
  const report = (document: ModelDocument) => reportModel(document, {}, cache, looks)
  let plans = report(model).report.sections
  let document = keepSteps(model, plans, sectionId)
  let reported = report(document)
  plans = reported.report.sections
  let painter = painterOf(document, plans, sectionId)
  const times: number[] = []
  const withPicture: number[] = []
  for (let i = 0; i < WARMING + count; i++) {
    const steps = document.sections.find((section) => section.id === sectionId)!.steps!
    const at = (i * 7919) % (steps.length - 1)
    // Who edits a step looks at it: its picture is there before the key is pressed.
    paintStep(at)
    const start = performance.now()
    document = edited(document, sectionId, at, i)
    reported = report(document)
    plans = reported.report.sections
    const planned = performance.now()
    const next = painterOf(document, plans, sectionId)
    next.takeOver(painter)
    painter = next
    paintStep(at)
    if (i < WARMING) continue
    times.push(planned - start)
    withPicture.push(performance.now() - start)
  }
  const rising = (values: number[]): number[] => values.sort((a, b) => a - b)
  return { times: rising(times), withPicture: rising(withPicture) }

  function paintStep(step: number): void {
    const section = plans.findIndex(({ id }) => id === sectionId)
    const shown = Math.min(step, plans[section]!.steps.length - 1)
    painter.paint(shown, reported.looks[section]![shown]!.view)
  }

  function edited(now: ModelDocument, id: string, at: number, i: number): ModelDocument {
    const step = now.sections.find((section) => section.id === id)!.steps![at]!
    const parts = step.add ?? []
    if (i % 3 === 0 && parts.length > 1) return splitStep(now, plans, { section: id, step: at })
    if (i % 3 === 1) return mergeWithNext(now, plans, { section: id, step: at })
    return parts.length > 0 ? moveToNeighbour(now, plans, { section: id, step: at }, { id: parts[parts.length - 1]!, way: 1 }) : now
  }
}

const SIZE = { width: 800, height: 600 }

const painterOf = (model: ModelDocument, plans: readonly SectionPlan[], section: string): RailPainter =>
  new RailPainter(drawnSection(model, new Flattener(model), plans, section), catalogueOf(model), SIZE)
