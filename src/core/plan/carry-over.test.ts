import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { TRAPS } from '../../../tests/support/traps'
import { applyChange, changeBetween, type Change } from '../change'
import { reportModel, type LookCache } from '../pipeline'
import { checkModel, readModelText, type ModelDocument } from '../model'
import { keepSteps } from '../edits'
import { PlanCache } from './plan-cache'

const demo = (name: string): ModelDocument =>
  readModelText(readFileSync(new URL(`../../../demo/models/${name}.rail.json`, import.meta.url), 'utf8'))
const models = [
  ...['ferry-house', 'wind-pump', 'granary'].map((name) => [name, demo(name)] as const),
  ...TRAPS.filter(({ units = 0, errors }) => units > 0 && errors.length === 0).map(({ name, model }) => [name, checkModel(model)] as const),
]

describe('a section whose planned steps become given', () => {
  it.each(models)('says of %s what a fresh look at everything says', (_name, model) => {
    const cache = new PlanCache()
    const looks: LookCache = new WeakMap()
    const plans = reportModel(model, {}, cache, looks).report.sections
    // What was drawn together becomes sections, and nothing in space changes.
    const kept = model.sections.reduce((document, { id }) => keepSteps(document, plans, id), model)
    // As it comes over from another thread: what changed, in objects of its own.
    const came = applyChange(model, JSON.parse(JSON.stringify(changeBetween(model, kept) ?? { keys: {} })) as Change) as ModelDocument
    expect(reportModel(came, {}, cache, looks).report).toEqual(reportModel(checkModel(JSON.parse(JSON.stringify(kept)))).report)
  })
})
