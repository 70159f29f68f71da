import { expose } from 'comlink'
import { reportModel, viewsOf, type LookCache, type Report } from '@core/checks'
import { plainFault, type PlainFault } from '@core/fault'
import { readCsv } from '@core/formats'
import { checkModel, readModelText, type ModelDocument, type Section } from '@core/model'
import { PlanCache } from '@core/plan'

export interface PlanAnswer {
  readonly report: Report
  readonly views: readonly (readonly number[])[]
}

export type ReadAnswer = { readonly model: ModelDocument } | { readonly fault: PlainFault }

const plans = new PlanCache()
const looks: LookCache = new WeakMap()
let sections = new Map<string, Section>()

/** What comes through a worker's door is always new; equal sections are exchanged for the ones known, so that caches hold. */
function intern(model: ModelDocument): ModelDocument {
  const now = new Map<string, Section>()
  const kept = model.sections.map((section) => {
    const text = JSON.stringify(section)
    const known = sections.get(text) ?? section
    now.set(text, known)
    return known
  })
  sections = now
  return { ...model, sections: kept }
}

const api = {
  plan(model: ModelDocument, progress: (fraction: number) => void): PlanAnswer {
    let last = 0
    const say = (fraction: number): void => {
      if (fraction - last < 0.02 && fraction < 1) return
      last = fraction
      progress(fraction)
    }
    const { report, looks: seen } = reportModel(intern(model), { progress: say }, plans, looks)
    return { report, views: viewsOf(seen) }
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
