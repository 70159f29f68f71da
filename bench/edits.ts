import { reportModel, type LookCache } from '../src/core/pipeline'
import type { ModelDocument } from '../src/core/model'
import { PlanCache } from '../src/core/plan'
import { keepSteps, mergeWithNext, moveToNeighbour, splitStep } from '../src/core/edits'

/** Milliseconds of each of some edits of one section's rail, findings included, in a session that has planned it once. */
/** Edits made before the clock runs. */
const WARMING = 30

export function timeEdits(model: ModelDocument, sectionId: string, count: number): number[] {
  const cache = new PlanCache()
  const looks: LookCache = new WeakMap()
  const report = (document: ModelDocument) => reportModel(document, {}, cache, looks).report
  let plans = report(model).sections
  let document = keepSteps(model, plans, sectionId)
  plans = report(document).sections
  const times: number[] = []
  for (let i = 0; i < WARMING + count; i++) {
    const steps = document.sections.find((section) => section.id === sectionId)!.steps!
    const at = (i * 7919) % (steps.length - 1)
    const start = performance.now()
    document = edited(document, sectionId, at, i)
    plans = report(document).sections
    if (i >= WARMING) times.push(performance.now() - start)
  }
  return times.sort((a, b) => a - b)

  function edited(now: ModelDocument, id: string, at: number, i: number): ModelDocument {
    const step = now.sections.find((section) => section.id === id)!.steps![at]!
    const parts = step.add ?? []
    if (i % 3 === 0 && parts.length > 1) return splitStep(now, plans, { section: id, step: at })
    if (i % 3 === 1) return mergeWithNext(now, plans, { section: id, step: at })
    return parts.length > 0 ? moveToNeighbour(now, plans, { section: id, step: at }, { id: parts[parts.length - 1]!, way: 1 }) : now
  }
}
