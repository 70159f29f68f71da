import { describe, expect, it } from 'vitest'
import { part, twoSections } from '../../../tests/support/models'
import { Flattener, type ModelDocument, type Part } from '../model'
import { keepNodes, sectionNodes } from './index'

const model = twoSections(
  [part('a', 'brick-2x4', [0, 0, 0]), part('b', 'brick-2x4', [0, 0, 12])],
  [{ id: 'c', section: 'inner', at: [40, 0, 0] }],
  [part('x', 'plate-1x1', [0, 0, 0])],
)
const nodesOf = (of: ModelDocument) => sectionNodes(of, new Flattener(of), 'main')
const changed = (parts: readonly Part[], inner = model.sections[1]!): ModelDocument => ({
  ...model,
  sections: [{ ...model.sections[0]!, parts }, inner],
})

describe('nodes after an edit', () => {
  const before = nodesOf(model)
  const [a, b] = model.sections[0]!.parts as [Part, Part]

  it('are the objects from before where nothing of them changed', () => {
    const now = nodesOf(changed([a, { ...part('b', 'brick-2x4', [0, 0, 12]), colour: 'red' }]))
    const kept = keepNodes(before, now)
    expect(kept.map((node, i) => node === before[i])).toEqual([true, false, true])
    expect(kept).toEqual(now)
  })

  it('are new where they moved, went or came, also inside a copy', () => {
    const moved = keepNodes(before, nodesOf(changed([a, part('b', 'brick-2x4', [10, 0, 12])])))
    expect(moved[1]).not.toBe(before[1])
    expect(keepNodes(before, nodesOf(changed([a]))).map(({ id }) => id)).toEqual(['a', 'c'])
    const other = keepNodes(before, nodesOf(changed([a, b], { ...model.sections[1]!, parts: [part('x', 'plate-1x1', [0, 0, 4])] })))
    expect(other.map((node, i) => node === before[i])).toEqual([true, true, false])
  })
})
