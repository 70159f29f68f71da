import { expect, test } from 'vitest'
import { clockWords, firstUnbuilt, rowOfSteps, stepOfRun, withStep, type ProofRun } from './index'

const row = [1, 2, 3].map((step) => ({ section: 'a', step }))
const EMPTY: ProofRun = { date: '2026-11-20', steps: [] }

test('steps are counted where they are, and come in the order in which they were built', () => {
  const first = withStep(EMPTY, row[0]!, (step) => ({ ...step, seconds: step.seconds + 4 }))
  const both = withStep(first, row[2]!, (step) => ({ ...step, mistakes: 1 }))
  const again = withStep(both, row[0]!, (step) => ({ ...step, seconds: step.seconds + 3, backs: step.backs + 1 }))
  expect(again.steps.map(({ step, seconds, mistakes, backs }) => [step, seconds, mistakes, backs])).toEqual([
    [1, 7, 0, 1],
    [3, 0, 1, 0],
  ])
  expect(stepOfRun(again, row[1]!)).toMatchObject({ section: 'a', step: 2, seconds: 0, note: '' })
  expect(EMPTY.steps).toEqual([])
})

test('a run goes on at the first step that is not built, and stays at the last where all are', () => {
  expect(firstUnbuilt(EMPTY, row)).toBe(0)
  const two = [row[0]!, row[1]!].reduce((run, at) => withStep(run, at, (step) => step), EMPTY)
  expect(firstUnbuilt(two, row)).toBe(2)
  expect(
    firstUnbuilt(
      withStep(two, row[2]!, (step) => step),
      row,
    ),
  ).toBe(2)
  expect(firstUnbuilt(EMPTY, [])).toBe(0)
})

test('a row holds the steps of what is built, and a clock reads as clocks do', () => {
  const section = (id: string, times: number) => ({
    id,
    name: id,
    times,
    mirrored: 0,
    parts: 1,
    steps: [1, 2].map((number) => ({ number, moves: [], callout: [], rests: [] })),
  })
  expect(rowOfSteps([section('x', 0), section('y', 2)])).toEqual([1, 2].map((step) => ({ section: 'y', step })))
  expect([0, 59.9, 60, 605, 3665, -3].map(clockWords)).toEqual(['0:00', '0:59', '1:00', '10:05', '1:01:05', '0:00'])
})
