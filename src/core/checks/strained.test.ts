import { expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import type { ModelDocument } from '../model'
import { reportModel } from '../pipeline'
import { TECHNIQUE_POLICIES } from './index'

const found = (model: ModelDocument, techniques = TECHNIQUE_POLICIES.usual) =>
  reportModel(model, { techniques }).report.findings.filter((finding) => finding.code === 'strained')

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
  expect(found(mouth, TECHNIQUE_POLICIES.pure)[0]!.severity).toBe('error')
  expect(found(mouth, TECHNIQUE_POLICIES.relaxed)[0]!.severity).toBe('note')
  expect(found(mouth, { ...TECHNIQUE_POLICIES.usual, 'stud-in-hole': 'allowed' })).toEqual([])
})
