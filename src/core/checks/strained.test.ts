import { expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { TECHNIQUE_POLICIES, type ModelDocument, type ToldTechniques } from '../model'
import { reportModel } from '../pipeline'
import { replay } from '../replay'

const found = (model: ModelDocument, techniques: ToldTechniques = 'usual') =>
  reportModel({ ...model, techniques }).report.findings.filter((finding) => finding.code === 'strained')

const noses = oneSection([
  part('base', 'plate-2x4', [0, 0, 0]),
  part('left', 'slope-low-1x2', [10, 0, 4], '+y-x'),
  part('right', 'slope-low-1x2', [20, 0, 4], '-y+x'),
])
const edge = oneSection([
  part('base', 'plate-2x4', [0, 0, 0]),
  part('foot', 'brick-1x1-side1', [0, 10, 4]),
  part('edge', 'tile-1x2', [8, 0, 4], '+y+z'),
])
const mouth = oneSection([part('brick', 'brick-1x1-side1', [0, 10, 0]), part('beam', 'brick-1x1-hole', [0, 0, 0])])

it('names low slopes nose to nose, a plate between studs and a stud in a hole, each with its reason', () => {
  const apart = oneSection([...noses.sections[0]!.parts!.slice(0, 2), part('right', 'slope-low-1x2', [20, 0, 4], '+y-x')])
  expect(found(noses).map(({ parts }) => [...parts].sort())).toEqual([['left', 'right']])
  expect(found(apart)).toEqual([])
  expect(found(mouth)[0]).toMatchObject({ severity: 'warning', parts: ['brick', 'beam'] })
  expect(found(mouth)[0]!.message).toContain('crack')
  expect(found(edge).map(({ parts }) => parts)).toContainEqual(['base', 'edge'])
})

it('makes of them what the policy says', () => {
  expect(found(mouth, 'pure')[0]!.severity).toBe('error')
  expect(found(mouth, TECHNIQUE_POLICIES.relaxed)[0]!.severity).toBe('note')
  expect(found(mouth, { 'stud-in-hole': 'allowed' })).toEqual([])
})

/** A tile on edge between two rows of studs, nothing else near it, and a tile on its top edge's side that would hang in the air without it. */
const pressed = oneSection([part('base', 'plate-4x4', [0, 0, 0]), part('edge', 'tile-1x4', [18, 0, 4], '+y+z')])

it('counts what is pressed between studs as held where that is let pass, and only there', () => {
  for (const techniques of ['usual', 'pure', { 'plate-between-studs': 'warning' }] as const)
    expect(errorsOf(pressed, techniques)).toContain('unheld')
  for (const techniques of ['relaxed', { 'plate-between-studs': 'allowed' }] as const) {
    expect(errorsOf(pressed, techniques)).toEqual([])
    const model = { ...pressed, techniques }
    const { report } = reportModel(model)
    expect(report.sections[0]!.steps.flatMap(({ rests }) => rests)).toEqual([])
    expect(replay(model, report)).toEqual([])
  }
  // The second implementation asks the designer too.
  const { report } = reportModel({ ...pressed, techniques: 'relaxed' })
  expect(replay(pressed, report).join()).toContain('edge')
})

it('is held by studs on one side alone as little as before', () => {
  const beside = oneSection([part('base', 'plate-4x4', [0, 0, 0]), part('edge', 'tile-1x4', [-2, 0, 4], '+y+z')])
  expect(errorsOf(beside, 'relaxed')).toContain('unheld')
})

const errorsOf = (model: ModelDocument, techniques: ToldTechniques): string[] =>
  reportModel({ ...model, techniques }).report.findings.flatMap(({ severity, code }) =>
    severity === 'error' && code !== 'strained' ? [code] : [],
  )
