import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { town } from '../../../bench/buildings'
import { readModelText } from '../model'
import { EFFORTS } from '../plan'
import { insetsOf, reportModel, tellingInsets } from './report'

const demo = (name: string) => readModelText(readFileSync(new URL(`../../../demo/models/${name}.rail.json`, import.meta.url), 'utf8'))

describe('the pictures of steps', () => {
  it.each([
    ['the bird table', demo('bird-table')],
    ['the ferry house', demo('ferry-house')],
    ['the granary', demo('granary')],
    ['the wind pump', demo('wind-pump')],
    ['the market stall', demo('market-stall')],
    ['the ferryman', demo('ferryman')],
    ['a town', town(600)],
  ])('of %s change sides at most five times in a hundred, are full, and what is new shows', (_, model) => {
    const { measures } = reportModel(model, { effort: EFFORTS.quick }).report
    expect(measures.pictureFill).toBeGreaterThanOrEqual(0.6)
    expect(measures.viewChangesPer100).toBeLessThanOrEqual(5)
    expect(measures.poorlyVisible).toBeLessThanOrEqual(0.01)
  })
})

describe('the steps of a rail', () => {
  it.each(['bird-table', 'ferry-house', 'granary', 'wind-pump'])('of the %s bring what they bring in at most two ways', (name) => {
    const { sections } = reportModel(demo(name), { effort: EFFORTS.quick }).report
    const ways = sections.flatMap(({ steps }) => steps.map(({ moves }) => new Set(moves.map(({ direction }) => String(direction))).size))
    expect(Math.max(...ways)).toBeLessThanOrEqual(2)
  })
})

describe('parts that can be misread', () => {
  it.each([
    ['the ferry house', demo('ferry-house')],
    ['the granary', demo('granary')],
    ['the market stall', demo('market-stall')],
    ['the wind pump', demo('wind-pump')],
    ['the ferryman', demo('ferryman')],
    ['a town', town(250)],
  ])('of %s are at most one in a hundred', (_, model) => {
    expect(reportModel(model, { effort: EFFORTS.quick, reads: true }).report.measures.misreadablePer100).toBeLessThanOrEqual(1)
  })

  it('are shown in small pictures where a step still brings them, without being read again', () => {
    const model = demo('ferry-house')
    const read = reportModel(model, { effort: EFFORTS.quick, reads: true })
    const insets = tellingInsets(insetsOf(read))
    expect(insets.length).toBeGreaterThan(0)
    const again = reportModel(model, { effort: EFFORTS.quick, insets })
    expect(insetsOf(again)).toEqual(insetsOf(read))
    // However many are kept, a step shows no more than it has room for.
    const [first] = insets
    const many = reportModel(model, { effort: EFFORTS.quick, insets: Array.from({ length: 100 }, () => first!) })
    expect(Math.max(...many.looks.flat().map((look) => look.insets?.length ?? 0))).toBeLessThanOrEqual(3)
    // What is not in one step any more has none.
    const torn = { ...first!, things: [...first!.things, 'nobody'] }
    expect(tellingInsets(insetsOf(reportModel(model, { effort: EFFORTS.quick, insets: [torn] })))).toEqual([])
  })
})

describe('the progress of a report', () => {
  it.each(['quick', 'normal'] as const)('with a %s search says that all is done only when all is done', (effort) => {
    const told: number[] = []
    const { report } = reportModel(demo('ferry-house'), { effort: EFFORTS[effort], progress: (fraction) => told.push(fraction) })
    expect(report.sections.length).toBeGreaterThan(0)
    expect(told.length).toBeGreaterThan(5)
    expect(told.filter((fraction) => fraction >= 1)).toEqual([1])
    expect(told[told.length - 1]).toBe(1)
    expect(Math.min(...told)).toBeGreaterThanOrEqual(0)
  })

  it('moves on while steps are laid, not in one leap', () => {
    const told: number[] = []
    reportModel(demo('granary'), { progress: (fraction) => told.push(fraction) })
    let most = 0
    const leaps = told.map((fraction) => {
      const leap = fraction - most
      most = Math.max(most, fraction)
      return leap
    })
    expect(Math.max(...leaps)).toBeLessThan(0.25)
  })
})
