import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { checkModel, type ModelDocument } from '../model'
import {
  addStepNote,
  cutOut,
  forgetSteps,
  keepSteps,
  mergeWithNext,
  moveToNeighbour,
  planAround,
  removeStepNote,
  setLocked,
  setStepText,
  setStepTurn,
  setStepView,
  splitStep,
} from './index'
import { planModel, type SectionPlan } from '../plan'
import { reportModel } from '../pipeline'

const wall = oneSection(Array.from({ length: 12 }, (_, i) => part(`b${i}`, 'brick-2x2', [(i % 3) * 20, 0, Math.floor(i / 3) * 12])))
const ground = { ...part('ground', 'plate-2x6', [0, 0, -4]) }
const model: ModelDocument = { ...wall, sections: [{ ...wall.sections[0]!, parts: [ground, ...wall.sections[0]!.parts!] }] }
const plans = (document: ModelDocument): readonly SectionPlan[] => planModel(document).plan.sections
const steps = (document: ModelDocument) => document.sections[0]!.steps!
const sizes = (document: ModelDocument): number[] => steps(document).map((step) => step.add?.length ?? 0)

describe('edits of a rail', () => {
  it('write the planned steps into the document first, and change nothing else', () => {
    const kept = keepSteps(model, plans(model), 'main')
    expect(sizes(kept).reduce((a, b) => a + b)).toBe(13)
    expect(kept.sections[0]!.parts).toEqual(model.sections[0]!.parts)
    expect(model.sections[0]!.steps).toBeUndefined()
    expect(checkModel(kept)).toEqual(kept)
    expect(plans(kept)[0]!.steps.map((s) => s.callout)).toEqual(plans(model)[0]!.steps.map((s) => s.callout))
  })

  it('split and merge undo each other', () => {
    const kept = keepSteps(model, plans(model), 'main')
    const split = splitStep(kept, plans(kept), { section: 'main', step: 0 })
    expect(sizes(split).length).toBe(sizes(kept).length + 1)
    expect(mergeWithNext(split, plans(split), { section: 'main', step: 0 })).toEqual(kept)
  })

  it('move a part to a neighbour, and drop a step left empty', () => {
    const given: ModelDocument = {
      ...model,
      sections: [{ ...model.sections[0]!, steps: [{ add: ['ground'] }, { add: ['b0'] }, { add: ['b1', 'b2'] }] }],
    }
    expect(steps(moveToNeighbour(given, [], { section: 'main', step: 2 }, { id: 'b1', way: -1 }))).toEqual([
      { add: ['ground'] },
      { add: ['b0', 'b1'] },
      { add: ['b2'] },
    ])
    expect(steps(moveToNeighbour(given, [], { section: 'main', step: 1 }, { id: 'b0', way: 1 }))).toEqual([
      { add: ['ground'] },
      { add: ['b0', 'b1', 'b2'] },
    ])
    expect(steps(moveToNeighbour(given, [], { section: 'main', step: 2 }, { id: 'b2', way: 1 }))).toEqual([
      { add: ['ground'] },
      { add: ['b0'] },
      { add: ['b1'] },
      { add: ['b2'] },
    ])
  })

  it('refuse what cannot be, in words', () => {
    const given: ModelDocument = { ...model, sections: [{ ...model.sections[0]!, steps: [{ add: ['ground'] }] }] }
    for (const act of [
      () => splitStep(given, [], { section: 'main', step: 0 }),
      () => mergeWithNext(given, [], { section: 'main', step: 0 }),
      () => moveToNeighbour(given, [], { section: 'main', step: 0 }, { id: 'ground', way: -1 }),
      () => moveToNeighbour(given, [], { section: 'main', step: 0 }, { id: 'b0', way: 1 }),
    ])
      expect(act).toThrow(/\.$/)
  })

  it('keep notes, and forget steps', () => {
    const noted = setStepText(model, plans(model), { section: 'main', step: 0 }, { key: 'note', text: 'Press hard.' })
    expect(steps(noted)[0]!.note).toBe('Press hard.')
    expect(steps(setStepText(noted, [], { section: 'main', step: 0 }, { key: 'note', text: '' }))[0]).not.toHaveProperty('note')
    expect(forgetSteps(noted, 'main')).toEqual(model)
  })

  it('make a unit a section of its own', () => {
    const tower = (id: string, x: number) => Array.from({ length: 9 }, (_, i) => part(`${id}${i}`, 'brick-2x2', [x, 0, i * 12]))
    const towers = oneSection([...tower('a', 0), ...tower('b', 60), part('top', 'plate-2x8', [0, 0, 108])])
    const kept = checkModel(keepSteps(towers, plans(towers), 'main'))
    expect(kept.sections.map((section) => section.id)).toEqual(['main', 'main~1'])
    expect(kept.sections.flatMap((section) => section.parts!.map((p) => p.id))).toHaveLength(19)
    expect(planModel(kept).plan.inventory).toEqual(planModel(towers).plan.inventory)
  })
})

describe('one of several loose pieces', () => {
  it('moves alone, into a part of the same piece or one of its own, and back', () => {
    const parts = [
      { id: 'jar', shape: 'round-brick-1x1', colour: 'amber', count: 4 },
      { id: 'lid', shape: 'round-tile-1x1', colour: 'amber' },
    ]
    const model = oneSection(parts, [{ add: ['jar'] }, { add: ['lid'] }])
    const plans = planModel(model).plan.sections
    const once = moveToNeighbour(model, plans, { section: 'main', step: 0 }, { id: 'jar', way: 1 })
    const [section] = once.sections
    expect(section!.parts!.map(({ id, count }) => [id, count])).toEqual([
      ['jar', 3],
      ['lid', undefined],
      ['jar-2', 1],
    ])
    expect(section!.steps).toEqual([{ add: ['jar'] }, { add: ['jar-2', 'lid'] }])
    const twice = moveToNeighbour(once, plans, { section: 'main', step: 0 }, { id: 'jar', way: 1 })
    expect(twice.sections[0]!.parts!.find(({ id }) => id === 'jar-2')!.count).toBe(2)
    expect(twice.sections[0]!.steps).toEqual([{ add: ['jar'] }, { add: ['jar-2', 'lid'] }])
    const inventory = (document: ModelDocument) => planModel(document).plan.inventory
    expect(inventory(twice)).toEqual(inventory(model))
  })
})

describe('notes of a step', () => {
  const place = { section: 'main', step: 0 }
  const given: ModelDocument = { ...model, sections: [{ ...model.sections[0]!, steps: [{ add: ['ground', 'b0'] }, { add: ['b1'] }] }] }
  const noted = addStepNote(given, [], place, { kind: 'try', text: ' It should swing. ', parts: ['ground', 'b0'] })

  it('are written, kept by merging and splitting, and taken away', () => {
    expect(steps(noted)[0]!.notes).toEqual([{ kind: 'try', text: 'It should swing.', parts: ['ground', 'b0'] }])
    expect(addStepNote(given, [], place, { kind: 'try', text: ' ' })).toBe(given)
    expect(steps(mergeWithNext(noted, [], place))[0]!.notes).toHaveLength(1)
    expect(steps(splitStep(noted, [], place)).map(({ notes = [] }) => notes.length)).toEqual([1, 0, 0])
    expect(steps(removeStepNote(noted, [], place, 0))[0]).toEqual({ add: ['ground', 'b0'] })
  })

  it('are about parts that are there', () => {
    expect(checkModel(noted)).toEqual(noted)
    const wrong = addStepNote(given, [], place, { kind: 'align', text: 'So.', parts: ['nobody'] })
    expect(() => checkModel(wrong)).toThrow(
      expect.objectContaining({ code: 'unknown-part', place: 'sections[0].steps[0].notes[0].parts[0]' }) as Error,
    )
    const cut = cutOut(noted, 'main', ['ground'], 'Ground')
    expect(cut.sections[0]!.steps!.flatMap(({ notes = [] }) => notes)).toEqual([{ kind: 'try', text: 'It should swing.', parts: ['b0'] }])
    expect(() => checkModel(cut)).not.toThrow()
  })
})

describe('how a step is seen', () => {
  const at = { section: 'main', step: 1 }
  const kept = keepSteps(model, plans(model), 'main')

  it('is chosen and left to the program again, and the file keeps it', () => {
    const chosen = setStepView(kept, plans(kept), at, 5)
    expect(steps(chosen)[1]!.view).toBe(5)
    expect(checkModel(chosen)).toEqual(chosen)
    expect(setStepView(chosen, plans(chosen), at, undefined)).toEqual(kept)
    expect(() => checkModel(setStepView(kept, plans(kept), at, 8))).toThrow()
  })

  it('is looked at from there, also around locked steps, and the others are free', () => {
    const chosen = setLocked(setStepView(kept, plans(kept), at, 2), plans(kept), at, true)
    expect(reportModel(chosen).looks[0]!.map(({ view }) => view)[1]).toBe(2)
    expect(reportModel(kept).looks[0]!.map(({ view }) => view)[1]).toBe(0)
    const planned = reportModel(planAround(chosen, 'main'))
    const place = planned.report.sections[0]!.steps.findIndex(({ moves }) =>
      moves.some((move) => 'parts' in move && move.parts.includes(steps(chosen)[1]!.add![0]!)),
    )
    expect(planned.looks[0]![place]!.view).toBe(2)
  })

  it('lies as it is told from that step on', () => {
    const laid = setStepTurn(kept, plans(kept), at, '+x-y')
    expect(planModel(laid).plan.sections[0]!.steps.map(({ turn }) => turn)).toEqual(
      steps(kept).map((_, i) => (i === 1 ? '+x-y' : undefined)),
    )
  })
})
