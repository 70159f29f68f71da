import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { town } from '../../../bench/buildings'
import { reportModel } from '../pipeline'
import { catalogueOf, Flattener, readModelText, type ModelDocument } from '../model'
import { planModel, type SectionPlan } from '../plan'
import { keepSteps, mergeWithNext, moveStep, splitStep } from '../edits'
import { drawnSection, RailPainter, type RgbImage, type ViewNumber } from './index'
import { WHITE } from './paint'
import { fitCamera } from './view'
import { ViewState } from './view-state'

const SIZE = { width: 160, height: 120 }
const read = (name: string): ModelDocument =>
  readModelText(readFileSync(new URL(`../../../demo/models/${name}.rail.json`, import.meta.url), 'utf8'))
const painterOf = (model: ModelDocument, plans: readonly SectionPlan[], section: string): RailPainter =>
  new RailPainter(drawnSection(model, new Flattener(model), plans, section), catalogueOf(model), SIZE)
const same = (a: RgbImage, b: RgbImage): boolean => a.data.length === b.data.length && a.data.every((value, i) => value === b.data[i])

describe('a painter that goes to and fro', () => {
  const model = read('ferry-house')
  const plans = reportModel(model).report.sections
  const section = 'house'
  const steps = plans.find(({ id }) => id === section)!.steps.length

  it('paints the steps of a large section, region after region, as one that begins anew', () => {
    const large = town(600)
    const printed = planModel(large).plan.sections
    const painter = painterOf(large, printed, 'town')
    const last = printed.find(({ id }) => id === 'town')!.steps.length - 1
    // Forward, back over several frames, and on again.
    const walk = [20, 21, 30, 31, 29, 28, 26, 25, 24, 27, 50, 49, 45, 44, last, last - 1, last - 9]
    for (const step of walk) {
      const fresh = painterOf(large, printed, 'town')
      expect(same(painter.paint(step, 0), fresh.paint(step, 0)), `step ${step}`).toBe(true)
    }
  })

  it('paints every step dot for dot as one that begins anew', () => {
    const visits = fc.array(
      fc.record({ step: fc.nat({ max: steps - 1 }), view: fc.constantFrom<ViewNumber>(0, 1, 4), finished: fc.nat({ max: 6 }) }),
      {
        minLength: 2,
        maxLength: 8,
      },
    )
    fc.assert(
      fc.property(visits, (all) => {
        const painter = painterOf(model, plans, section)
        for (const { step, view, finished } of all) {
          const fresh = painterOf(model, plans, section)
          if (finished === 0) expect(same(painter.paintFinished(view), fresh.paintFinished(view))).toBe(true)
          else expect(same(painter.paint(step, view), fresh.paint(step, view))).toBe(true)
        }
      }),
      { numRuns: 12 },
    )
  })

  it('paints a step from one side the same, whichever side it was painted from before', () => {
    const views: readonly ViewNumber[] = [0, 1, 4]
    const pairs = views.flatMap((before) => views.map((view) => [before, view] as const))
    for (let step = 0; step < steps; step++) {
      const alone = new Map(views.map((view) => [view, painterOf(model, plans, section).paint(step, view)]))
      const unlike = pairs.filter(([before, view]) => {
        const painter = painterOf(model, plans, section)
        painter.paint(step, before)
        return !same(painter.paint(step, view), alone.get(view)!)
      })
      expect(unlike, `step ${step}`).toEqual([])
    }
  })

  it('goes on from what was drawn before an edit, and paints as one that begins anew', () => {
    const edit = fc.record({ kind: fc.constantFrom('split', 'merge', 'move'), step: fc.nat({ max: steps - 3 }), look: fc.nat({ max: 3 }) })
    fc.assert(
      fc.property(fc.array(edit, { minLength: 1, maxLength: 5 }), (edits) => {
        let document = keepSteps(model, plans, section)
        let painter = painterOf(model, plans, section)
        for (const { kind, step, look } of edits) {
          const before = planModel(document).plan.sections
          const last = before.find(({ id }) => id === section)!.steps.length - 1
          const at = Math.min(step, last - 1)
          painter.paint(Math.min(at + look, last), 0)
          try {
            if (kind === 'split') document = splitStep(document, before, { section, step: at })
            else if (kind === 'merge') document = mergeWithNext(document, before, { section, step: at })
            else document = moveStep(document, before, { section, step: at }, at + 1)
          } catch {
            continue
          }
          const now = planModel(document).plan.sections
          const next = painterOf(document, now, section)
          next.takeOver(painter)
          painter = next
          const shown = Math.min(at + 1, now.find(({ id }) => id === section)!.steps.length - 1)
          expect(same(painter.paint(shown, 0), painterOf(document, now, section).paint(shown, 0))).toBe(true)
        }
      }),
      { numRuns: 10 },
    )
  })

  it('takes nothing over where a colour has changed', () => {
    const painter = painterOf(model, plans, section)
    painter.paint(4, 0)
    const recoloured = {
      ...model,
      sections: model.sections.map((each) =>
        each.id === section ? { ...each, parts: each.parts!.map((part) => ({ ...part, colour: 'navy' })) } : each,
      ),
    }
    const next = painterOf(recoloured, plans, section)
    next.takeOver(painter)
    expect(same(next.paint(5, 0), painterOf(recoloured, plans, section).paint(5, 0))).toBe(true)
  })
})

describe('a section drawn up to some step', () => {
  it('is taken back only as far as all that was drawn since was noted, also after a long way on', () => {
    const model = town(250)
    const whole = drawnSection(model, new Flattener(model), planModel(model).plan.sections, 'town')
    // A step for each part, all in one frame.
    const section = { ...whole, ranges: whole.parts.map((_, part) => [part, part + 1] as const) }
    const camera = fitCamera(section.box, 0, SIZE, { margin: 4, mostScale: 4 })
    const make = (isGoingBack = false) => new ViewState(camera, SIZE, { finer: 1, paper: WHITE, isGoingBack })
    const state = make()
    state.goTo(section, 20)
    state.goTo(section, 190)
    const reached = Array.from({ length: 190 }, (_, i) => 189 - i).filter((steps) => state.canReach(steps))
    expect(reached.length).toBeGreaterThan(100)
    for (const steps of reached) {
      state.goTo(section, steps)
      const fresh = make()
      fresh.goTo(section, steps)
      expect(
        state.target.buffer.part.every((part, dot) => part === fresh.target.buffer.part[dot]),
        `step ${steps}`,
      ).toBe(true)
    }
  })
})
