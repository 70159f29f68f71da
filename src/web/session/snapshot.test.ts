import { describe, expect, it } from 'vitest'
import { reportModel, viewsOf } from '@core/pipeline'
import { withoutNumbers } from '@core/plan'
import { oneSection, part } from '../../../tests/support/models'
import { USUAL_SETTINGS, type ModelState, type Printed } from '../../workers/plan-messages'
import { bundleOf, makeSnapshot, whatBreaks, type Snapshot } from './snapshot'

const tower = (...more: ReturnType<typeof part>[]) =>
  oneSection([part('a', 'brick-2x2', [0, 0, 0]), part('b', 'brick-2x2', [0, 0, 12]), ...more])

function shown(model: ModelState['model']): Snapshot {
  const answer = reportModel(model)
  const printed: Printed = {
    ...answer.report,
    sections: withoutNumbers(answer.report.sections),
    views: viewsOf(answer.looks),
    insets: [],
    kept: ['main'],
  }
  return makeSnapshot(7, { model, settings: USUAL_SETTINGS, order: {} }, printed)
}

describe('a snapshot', () => {
  it('is of one piece: its report, pages, rail and pictures are of its own document', () => {
    const snapshot = shown(tower())
    expect(snapshot.source.model).toBe(snapshot.model)
    expect(snapshot.source.plan).toBe(snapshot.report)
    expect(snapshot.state.order['main']).toEqual(snapshot.report.sections)
    const ties = snapshot.layout.lanes.flatMap((lane) => lane.ties)
    expect(ties).toHaveLength(snapshot.report.sections.reduce((sum, { steps }) => sum + steps.length, 0))
    for (const { section, step } of ties) expect(snapshot.pages.stepPage(section, step)).toMatchObject({ section, number: step + 1 })
  })

  it('makes its rail and its pages once, when they are asked for', () => {
    const snapshot = shown(tower())
    expect(snapshot.layout).toBe(snapshot.layout)
    expect(snapshot.pages).toBe(snapshot.pages)
  })

  it('is published as it is shown', () => {
    const snapshot = shown(tower())
    const bundle = bundleOf(snapshot)
    expect(bundle.model).toEqual(snapshot.model)
    expect(bundle.plan.sections.map(({ id }) => id)).toEqual(snapshot.report.sections.map(({ id }) => id))
  })

  it('says what hands could no longer follow, and nothing of what they could not before', () => {
    const [good, bad] = [shown(tower()), shown(tower(part('up', 'brick-2x2', [0, 0, 60])))]
    expect(whatBreaks(good, good)).toBeUndefined()
    expect(whatBreaks(good, bad)).toContain('up')
    expect(whatBreaks(bad, bad)).toBeUndefined()
    expect(whatBreaks(bad, good)).toBeUndefined()
  })
})
