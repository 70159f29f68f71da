import { describe, expect, it } from 'vitest'
import { reportModel } from '@core/pipeline'
import { checkModel } from '@core/model'
import { DENSITIES, STRATEGIES, type SectionPlan } from '@core/plan'
import { replay } from '@core/replay'
import { TRAPS } from './support/traps'

/** What comes in when, over all sections in building order: the place in the order of each id. */
function orderOf(sections: readonly SectionPlan[]): Map<string, number> {
  const order = new Map<string, number>()
  const main = sections[sections.length - 1]!
  for (const step of main.steps)
    for (const move of step.moves)
      for (const id of 'parts' in move ? move.parts : ['copy' in move ? move.copy : move.section]) order.set(id, order.size)
  return order
}

describe.each(TRAPS)('$name', ({ model, errors, before, units }) => {
  it.each(STRATEGIES)('is planned %s, and the replay agrees', (strategy) => {
    for (const limits of Object.values(DENSITIES)) {
      const { report } = reportModel(checkModel(model), { strategy, limits })
      const found = report.findings.filter(({ severity }) => severity === 'error').map(({ code }) => code)
      expect([...new Set(found)].sort()).toEqual([...errors].sort())
      if (errors.length === 0) expect(replay(model, report, limits)).toEqual([])
      const order = orderOf(report.sections)
      for (const [first, then] of before ?? []) expect(order.get(first)).toBeLessThan(order.get(then)!)
      if (units !== undefined) expect(report.sections.filter(({ derivedFrom }) => derivedFrom !== undefined)).toHaveLength(units)
    }
  })
})
