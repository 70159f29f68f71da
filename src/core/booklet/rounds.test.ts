import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { readModelText } from '../model'
import { reportModel } from '../pipeline'
import { buildRounds } from './index'

const DEMOS = ['bird-table', 'ferry-house', 'ferryman', 'granary', 'wind-pump']
const demo = (name: string) => readModelText(readFileSync(new URL(`../../../demo/models/${name}.rail.json`, import.meta.url), 'utf8'))

describe('what can be built at the same time', () => {
  it.each(DEMOS)('of %s needs only what earlier rounds finish, and is everything', (name) => {
    const model = demo(name)
    const plans = reportModel(model).report.sections
    const rounds = buildRounds(model, plans)
    const roundOf = new Map(rounds.flatMap((ids, round) => ids.map((id) => [id, round] as const)))
    expect([...roundOf.keys()].sort()).toEqual(
      plans
        .filter(({ steps }) => steps.length > 0)
        .map(({ id }) => id)
        .sort(),
    )
    const copies = new Map(
      model.sections.flatMap((section) => (section.copies ?? []).map((copy) => [`${section.id} ${copy.id}`, copy.section])),
    )
    for (const plan of plans) {
      for (const move of plan.steps.flatMap(({ moves }) => moves)) {
        const joined = 'section' in move ? move.section : 'copy' in move ? copies.get(`${plan.id} ${move.copy}`) : undefined
        if (joined !== undefined) expect(roundOf.get(joined)!).toBeLessThan(roundOf.get(plan.id)!)
      }
    }
  })

  it('puts the limbs of the ferryman into the first round, the jetty last', () => {
    const model = demo('ferryman')
    const rounds = buildRounds(model, reportModel(model).report.sections)
    expect(rounds[0]).toEqual(['ferryman-head', 'ferryman-arm-left', 'ferryman-arm-right'])
    expect(rounds.at(-1)).toEqual(['jetty'])
  })
})
