import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { toBytes, USUAL_SETTINGS, type ModelState } from '../../workers/plan-messages'
import { createPlanning } from './planning'
import { FakePlanner, noTrouble, plainPlan, type PlannerTrouble } from './support/fake-planner'

const state: ModelState = {
  model: { ...oneSection([part('a', 'brick-2x2', [0, 0, 0]), part('b', 'brick-2x2', [0, 0, 12])]), notes: '' },
  settings: USUAL_SETTINGS,
  order: {},
}
const noted = (from: ModelState, notes: string): ModelState => ({ ...from, model: { ...from.model, notes } })

/** A planner, and how often it was told all. */
function countingPlanner(trouble: PlannerTrouble) {
  const planner = new FakePlanner(trouble)
  const { open } = planner
  let opened = 0
  planner.open = (version, bytes) => {
    opened++
    return open(version, bytes)
  }
  return { planner, opened: () => opened }
}

function scene(trouble: PlannerTrouble = noTrouble()) {
  const { planner, opened } = countingPlanner(trouble)
  return { opened, trouble, planning: createPlanning(planner) }
}

describe('planning', () => {
  it('makes snapshots whose parts belong together, and shares what has not changed', async () => {
    const { planning } = scene()
    const first = await planning.open(state)
    expect(first.printed).toEqual(plainPlan(state))
    const next = await planning.next(first, noted(first.state, 'new'))
    expect(next.version).toBeGreaterThan(first.version)
    expect(next.printed).toEqual(plainPlan(next.state))
    expect(next.model.notes).toBe('new')
    expect(next.report.sections[0]).toBe(first.report.sections[0])
    expect(next.model.sections).toBe(first.model.sections)
  })

  it('says how far it is only while it works', async () => {
    const { planning } = scene()
    expect(planning.fraction.value).toBeNull()
    const opening = planning.open(state)
    expect(planning.fraction.value).toBe(0)
    await opening
    expect(planning.fraction.value).toBeNull()
  })

  it('shows a stored report at once, and takes it for the planner’s where that says the same', async () => {
    const { planning } = scene()
    const shown = planning.stored(state, toBytes(plainPlan(state)))!
    expect(shown.printed).toEqual(plainPlan(state))
    const checked = await planning.open(shown.state)
    expect(checked.printed).toBe(shown.printed)
    expect(checked.version).toBeGreaterThan(shown.version)
  })

  it('takes the planner’s word where the stored report says something else', async () => {
    const { planning } = scene()
    const old = { ...plainPlan(state), name: 'Another name' }
    const shown = planning.stored(state, toBytes(old))!
    expect(shown.report.name).toBe('Another name')
    expect((await planning.open(shown.state)).printed).toEqual(plainPlan(state))
  })

  it('edits what came from the store before the planner has looked at it', async () => {
    const { planning, opened } = scene()
    const shown = planning.stored(state, toBytes({ ...plainPlan(state), name: 'Another name' }))!
    const next = await planning.next(shown, noted(shown.state, 'early'))
    expect(opened()).toBe(1)
    expect(next.printed).toEqual(plainPlan(next.state))
  })

  it('makes nothing of bytes that are no report', () => {
    expect(scene().planning.stored(state, new TextEncoder().encode('{"half'))).toBeUndefined()
  })

  it('starts a planner that died once more, and tells it all', async () => {
    const { planning, opened, trouble } = scene()
    trouble.deaths = 1
    const first = await planning.open(state)
    expect(opened()).toBe(2)
    trouble.deaths = 1
    const next = await planning.next(first, noted(first.state, 'after death'))
    expect(next.printed).toEqual(plainPlan(next.state))
    expect(opened()).toBe(3)
  })

  it('gives up where it dies again and again, and can be asked once more', async () => {
    const { planning, trouble } = scene()
    const first = await planning.open(state)
    trouble.deaths = 9
    await expect(planning.next(first, noted(first.state, 'x'))).rejects.toMatchObject({ code: 'worker-died' })
    expect(planning.fraction.value).toBeNull()
    trouble.deaths = 0
    expect((await planning.next(first, noted(first.state, 'y'))).model.notes).toBe('y')
  })

  it('that is stopped says so, and what comes next is planned all the same', async () => {
    const { planning, trouble } = scene()
    const first = await planning.open(state)
    let go = (): void => undefined
    trouble.pause = new Promise((resolve) => (go = resolve))
    const stopped = planning.next(first, noted(first.state, 'slow'))
    planning.stop()
    go()
    await expect(stopped).rejects.toMatchObject({ code: 'stopped', message: 'Planning was stopped; nothing has changed.' })
    trouble.pause = undefined
    expect((await planning.next(first, noted(first.state, 'next'))).model.notes).toBe('next')
  })

  it('hands on what the planner refuses, and nothing of it stays', async () => {
    const { planning } = scene()
    const first = await planning.open(state)
    await expect(planning.next(first, noted(first.state, 'bad'))).rejects.toMatchObject({ code: 'bad-value' })
    const next = await planning.next(first, noted(first.state, 'good'))
    expect(next.printed).toEqual(plainPlan(next.state))
  })
})
