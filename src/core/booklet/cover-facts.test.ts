import { expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { reportModel } from '../pipeline'
import type { ModelDocument } from '../model'
import { makePages } from './index'

const cover = (model: ModelDocument): readonly string[] => {
  const { report, looks } = reportModel(model)
  const [first] = makePages({ model, plan: report, views: looks.map((steps) => steps.map(({ view }) => view)) })
  return first!.kind === 'cover' ? first!.remarks : []
}

it('a cover says how large it is, what it weighs and how long it takes', () => {
  const [size, weight, time] = cover(oneSection([part('a', 'brick-2x4', [0, 0, 0]), part('b', 'plate-2x4', [20, 0, 12])]))
  expect(size).toBe('It is 4.8 cm wide, 1.6 cm deep and 1.3 cm high: 6 × 2 studs.')
  expect(weight).toMatch(/^It weighs about \d.* g \(.* to .*\)\.$/)
  expect(time).toMatch(/^Building it takes (about )?.*minute.*\.$/)
})

it('a copy that is turned to any angle is as large as it reaches', () => {
  const bar = oneSection([part('a', 'brick-1x8', [0, 0, 0])])
  const [section] = bar.sections
  const turned: ModelDocument = {
    ...bar,
    root: 'all',
    sections: [section!, { id: 'all', name: 'All', copies: [{ id: 'k', section: section!.id, at: [0, 0, 0], rotate: [0, 0, 45] }] }],
  }
  // 80 × 10 u across the corner: 90 / √2 u.
  expect(cover(turned)[0]).toContain(
    `It is ${((90 / Math.SQRT2) * 0.08).toFixed(1)} cm wide, ${((90 / Math.SQRT2) * 0.08).toFixed(1)} cm deep`,
  )
})

it('says nothing of it where nothing has a place', () => {
  expect(cover(oneSection([{ id: 'a', shape: 'brick-2x4', colour: 'red', count: 3 }]))).toEqual([])
})
