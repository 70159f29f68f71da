import { sectionById, type GivenStep, type ModelDocument } from '../model'
import { withSteps } from '../edits'
import { defineCheck } from './check'
import { planAgain } from './ways'

export const stepMissing = defineCheck({
  code: 'step-missing',
  severity: 'error',
  about: 'The given steps leave parts or copies out.',
  scope: 'rail',
  find({ built: { missing } }) {
    if (missing.length === 0) return []
    return [{ step: null, parts: missing, said: { key: 'find.stepMissing', n: missing.length, about: { parts: { parts: missing } } } }]
  },
  waysOut(trouble) {
    const { section, finding } = trouble
    if (!section.steps) return []
    return [
      {
        label: { key: 'act.lastStep' },
        change: (model) => withSteps(model, section.id, (steps) => [...steps, stepOf(model, section.id, finding.parts)]),
      },
      ...planAgain(trouble),
    ]
  },
})

function stepOf(model: ModelDocument, sectionId: string, ids: readonly string[]): GivenStep {
  const copies = new Set((sectionById(model, sectionId).copies ?? []).map((copy) => copy.id))
  const add = ids.filter((id) => !copies.has(id))
  const join = ids.filter((id) => copies.has(id))
  return { ...(add.length > 0 ? { add } : {}), ...(join.length > 0 ? { join } : {}) }
}
