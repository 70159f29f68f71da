import { readFileSync, readdirSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { reportModel } from '../pipeline'
import { checkModel, readModelText, type ModelDocument } from '../model'
import { oneSection, part, twoSections } from '../../../tests/support/models'
import { TRAPS } from '../../../tests/support/traps'
import { keepable, orderFrom, type PlanOrder } from './order'
import { planModel } from './plan'
import { PlanCache } from './plan-cache'
import { EFFORTS } from './search'
import type { SectionPlan } from './types'

const folder = new URL('../../../demo/models/', import.meta.url)
const demos = readdirSync(folder).map((name) => [name, readModelText(readFileSync(new URL(name, folder), 'utf8'))] as const)

const shown = (model: ModelDocument, effort = 0, kept?: PlanOrder) => {
  const { planned, report } = reportModel(model, { effort, ...(kept ? { kept } : {}) })
  return { planned, report, order: orderFrom(report.sections, keepable(model, planned.built)) }
}
/** As it comes out of a store. */
const stored = (order: PlanOrder): PlanOrder => JSON.parse(JSON.stringify(order)) as PlanOrder

describe('a kept order', () => {
  it.each(demos)('of %s is shown again, whatever the planner would do now', (_name, model) => {
    // What was seen came out of a search; without one another order is laid.
    const seen = shown(model, EFFORTS.normal)
    const again = shown(model, 0, stored(seen.order))
    expect(again.report.sections).toEqual(seen.report.sections)
    expect(again.report.inventory).toEqual(seen.report.inventory)
    expect(again.report.findings.filter(({ severity }) => severity === 'error')).toEqual([])
  })

  it.each(TRAPS.filter(({ errors }) => errors.length === 0))('of a model with a trap is shown again: $name', ({ model }) => {
    const seen = shown(checkModel(model))
    expect(shown(checkModel(model), 0, stored(seen.order)).report.sections).toEqual(seen.report.sections)
  })

  it('stays when a colour changes, and gives way where a part has come or gone', () => {
    const parts = [0, 1, 2, 3].map((i) => part(`b${i}`, 'brick-2x2', [0, 0, i * 12]))
    const model = oneSection(parts)
    const [all] = shown(model).report.sections
    const first: SectionPlan = {
      ...all!,
      steps: parts.map(({ id }, i) => ({ number: i + 1, moves: [{ parts: [id], direction: '-z' }], callout: [], rests: [] })),
    }
    const kept: PlanOrder = { [model.root]: [first] }
    const recoloured = oneSection(parts.map((each) => ({ ...each, colour: 'navy' })))
    expect(planModel(recoloured, { kept }).plan.sections[0]!.steps).toHaveLength(4)
    const more = oneSection([...parts, part('b4', 'brick-2x2', [0, 0, 48])])
    expect(planModel(more, { kept }).plan.sections[0]!.steps).toHaveLength(1)
  })

  it('that hands could not follow any more is given up', () => {
    const model = oneSection([
      part('low', 'brick-2x2', [0, 0, 0]),
      part('mid', 'brick-2x2', [0, 0, 12]),
      part('top', 'brick-2x2', [0, 0, 24]),
    ])
    const [plan] = planModel(model).plan.sections
    const wrong: SectionPlan = {
      ...plan!,
      steps: ['low', 'top', 'mid'].map((id, i) => ({ number: i + 1, moves: [{ parts: [id], direction: '-z' }], callout: [], rests: [] })),
    }
    const steps = planModel(model, { kept: { [model.root]: [wrong] } }).plan.sections[0]!.steps
    expect(steps.flatMap(({ moves }) => moves)).toEqual([{ parts: ['low', 'mid', 'top'], direction: '-z' }])
  })

  it('is found in the cache while nothing of the section changes', () => {
    const cache = new PlanCache()
    const model = demos.find(([name]) => name.startsWith('ferry'))![1]
    const first = planModel(model, {}, cache)
    const kept = stored(orderFrom(first.plan.sections, keepable(model, first.built)))
    const again = planModel(model, { kept, strategy: 'core-out' }, cache)
    again.built.forEach((built, i) => expect(built).toBe(first.built[i]))
    // Asked for without it, the other strategy is followed.
    const other = planModel(model, { strategy: 'core-out' }, cache)
    expect(other.built.some((built, i) => built !== first.built[i])).toBe(true)
  })

  it('is not kept of a section where something found no way in', () => {
    // Two frames that go through each other like links of a chain.
    const frame = [
      part('low', 'plate-1x4', [0, 0, 0]),
      part('left', 'brick-1x1', [0, 0, 4]),
      part('right', 'brick-1x1', [30, 0, 4]),
      part('high', 'plate-1x4', [0, 0, 16]),
    ]
    const links = [
      { id: 'one', section: 'inner', at: [0, 0, 0] as const },
      { id: 'two', section: 'inner', at: [20, -10, 8] as const, turn: '+y-x' },
    ]
    const { planned, order } = shown(checkModel(twoSections([], links, frame)))
    expect(planned.built.some(({ blocks }) => blocks.length > 0)).toBe(true)
    expect(Object.keys(order)).toEqual(['inner'])
  })
})
